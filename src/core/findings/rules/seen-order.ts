import { type FindingRule, type Remark, warning } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { nodeOf, subtreeIds } from '../../project/tree';
import type { ConditionName, Node, Project } from '../../project/types';

const WIDTHS = ['always', 'medium', 'narrow'] as const;
/** Where the order of a width is said, nearest first: a narrow window is a medium one too. */
const SAID_AT: Readonly<Record<(typeof WIDTHS)[number], readonly ConditionName[]>> = {
  always: ['always'],
  medium: ['medium', 'always'],
  narrow: ['narrow', 'medium', 'always']
};

function orderAt(node: Node, width: (typeof WIDTHS)[number]): number {
  const rest = node.styles.root?.rest;
  const said = SAID_AT[width].find((condition) => rest?.[condition]?.order !== undefined);
  return Number(said ? rest![said]!.order : 0);
}

const takesFocus = (registry: Registry, { kind }: Node): boolean =>
  Object.values(registry.kindOf(kind).anatomy).some(({ states }) => states.focus);

const holdsFocus = (registry: Registry, project: Project, { id }: Node): boolean =>
  subtreeIds(project, id).some((each) => takesFocus(registry, nodeOf(project, each)));

/** The first two pieces of a row that change places at a width; null where none do. */
function maybeSwapped(row: readonly Node[], width: (typeof WIDTHS)[number]): readonly [Node, Node] | null {
  const seen = row.toSorted((a, b) => orderAt(a, width) - orderAt(b, width));
  const at = seen.findIndex((each, i) => each !== row[i]);
  return at < 0 ? null : [seen[at]!, row[at]!];
}

function maybeRemark(owner: Node, row: readonly Node[]): Remark | null {
  const width = WIDTHS.find((each) => maybeSwapped(row, each));
  if (!width) return null;
  const [first, second] = maybeSwapped(row, width)!;
  const where = width === 'always' ? '' : ` (${width})`;
  return warning({
    view: 'Fallbacks',
    sentence: `In ${owner.name}, ${first.name} is seen before ${second.name}, but the keyboard reaches it after${where}`,
    cause:
      'People who use the keyboard or a screen reader go by the outline. Move the pieces there instead of changing their order.'
  });
}

/** WCAG 2.2, success criterion 2.4.3: focus goes in an order that keeps the meaning. */
export const seenOrder = (registry: Registry): FindingRule => ({
  id: 'seen-order',
  summary:
    'Pieces with something to press are seen in another order than the keyboard goes (WCAG 2.2, 2.4.3)',
  kinds: null,
  check: (node, project) =>
    Object.values(node.slots).flatMap((ids) => {
      const row = ids.map((id) => nodeOf(project, id));
      const remark = maybeRemark(
        node,
        row.filter((each) => holdsFocus(registry, project, each))
      );
      return remark ? [remark] : [];
    })
});
