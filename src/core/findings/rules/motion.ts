import { cells, type Cell } from '../../cascade/look';
import { type FindingRule, type Remark, warning } from '../../kinds/finding';
import type { Kind } from '../../kinds/contract';
import type { Registry } from '../../kinds/registry';
import { maybeTransitions, transitionText, type Transition } from '../../css/transition';
import type { Node } from '../../project/types';

/** Properties whose change makes the browser lay the page out again at every frame. */
const LAYOUT = [
  'padding',
  'border-width',
  'font-size',
  'line-height',
  'letter-spacing',
  'gap',
  'width',
  'height',
  'margin'
];

const laysOut = ({ property, ms }: Transition): boolean => LAYOUT.includes(property) && ms > 0;

/** A list of transitions without those that lay the page out; `none` where nothing is left. */
const withoutLayout = (entries: readonly Transition[]): string =>
  transitionText(entries.filter(({ property }) => !LAYOUT.includes(property)));

/** A part of a piece, with what people call it. */
interface Named {
  readonly node: Node;
  readonly part: string;
  readonly label: string;
}

function maybeRemark({ node, part, label }: Named, { value, state, condition }: Cell): Remark | null {
  const entries = maybeTransitions(value) ?? [];
  const moved = entries.filter(laysOut).map(({ property }) => property);
  if (moved.length === 0) return null;
  const still = {
    id: node.id,
    part,
    state,
    condition,
    property: 'transition',
    value: withoutLayout(entries)
  };
  return warning({
    part,
    view: 'Timing',
    number: moved.join(', '),
    sentence: `The ${label} of ${node.name} moves its ${moved.join(' and ')}`,
    cause:
      'The page is laid out again at every frame, which stutters on slow machines. Let it change at once, or use Move and Scale.',
    fix: { label: 'Let it change at once', commands: [{ type: 'set-style', ...still }] }
  });
}

const isOwnTransition = ({ property, from }: Cell): boolean => property === 'transition' && from === 'own';

const ownTransitions = (kind: Kind, node: Node, part: string): readonly Cell[] =>
  cells(kind, node, part).filter(isOwnTransition);

/** Common practice, no source: what moves should be placed and painted anew, not laid out anew. */
export const layoutMotion = (registry: Registry): FindingRule => ({
  id: 'layout-motion',
  summary: 'A change of state moves something that makes the page be laid out anew',
  kinds: null,
  scope: 'node',
  check(node) {
    const kind = registry.of(node);
    return Object.entries(kind.anatomy).flatMap(([part, { label }]) =>
      ownTransitions(kind, node, part).flatMap((cell) => maybeRemark({ node, part, label }, cell) ?? [])
    );
  }
});
