import type { Element } from 'hast';
import { visit } from 'unist-util-visit';
import { cells } from '../../cascade/look';
import { analyse } from '../../compile/analyse';
import { isChoice, isHeardAt } from '../../heard/choices';
import type { Kind, Part } from '../../kinds/contract';
import { error, type FindingRule } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import type { Node } from '../../project/types';

/** Roles that elements which are pressed have by themselves (HTML Accessibility API Mappings 1.0). */
const ROLES: Readonly<Record<string, string>> = { a: 'link', button: 'button', summary: 'button' };

/** @returns the roles of the elements that are pressed and draw a part, by the part. */
function pressedParts(markup: Element): ReadonlyMap<string, string> {
  const found = new Map<string, string>();
  visit(markup, 'element', ({ tagName, properties: { role }, data }: Element) => {
    const part = data?.mark?.part;
    if (part !== undefined && ROLES[tagName]) found.set(part, String(role ?? ROLES[tagName]));
  });
  return found;
}

/** @returns states of a part that are seen and that nothing tells of, in the order of its kind. */
function unheardStates(kind: Kind, node: Node, part: string, role: string): readonly string[] {
  const seen = new Set(cells(kind, node, part).map(({ state }) => state));
  return Object.entries(kind.anatomy[part]!.states)
    .filter(([state]) => seen.has(state) && isChoice(kind, state))
    .filter(([, selector = '']) => !isHeardAt(role, selector))
    .map(([state]) => state);
}

const unheard = (node: Node, part: string, { label }: Part, state: string) =>
  error({
    part,
    view: 'States',
    sentence: `That the ${label} of ${node.name} is ${state} is seen, and not heard`,
    cause:
      'Its look says it, and nothing tells a screen reader. Let the kind say it by an ARIA state that its role can have, or by the element itself.'
  });

/** WCAG 2.2, 4.1.2 (name, role, value): states are told, not only shown. */
export const unheardState = (registry: Registry): FindingRule => ({
  id: 'state-unheard',
  summary: 'A state is seen and not heard (WCAG 2.2, 4.1.2)',
  kinds: null,
  scope: 'node',
  check(node, project) {
    const kind = registry.of(node);
    const { markup } = analyse(registry, project, node);
    if (!markup) return [];
    return [...pressedParts(markup)].flatMap(([part, role]) =>
      unheardStates(kind, node, part, role).map((state) => unheard(node, part, kind.anatomy[part]!, state))
    );
  }
});
