import type { Batch, Command } from '../commands/commands';
import type { Make } from '../kinds/contract';
import { withNewIds } from '../kinds/make';
import type { Registry } from '../kinds/registry';
import { freeName } from '../data/free-name';
import { newId } from '../project/ids';
import { fragmentOf, maybePlaceOf, nodeOf } from '../project/tree';
import type { Fragment, Node, NodeId, Project, Query, ShelfId, Where } from '../project/types';
import { repeatingSlot } from '../rows/rows';
import { runAround } from '../rows/runs';
import type { Suggestion } from '../tables/suggested';

/**
 * What a list asks, with more beside it: conditions of both hold, and an order of its own goes before the one it had.
 * @param base what all of them ask.
 */
function queryWith(base: Query, { where, by, down }: Partial<Query>): Query {
  const ordered = by === undefined ? base : { ...base, by, down: down ?? false };
  if (!where) return ordered;
  // One that is met where any condition holds cannot be narrowed by another.
  const kept = base.any ? [] : base.where;
  return { ...ordered, where: [...kept, ...where], any: false };
}

const isSame = (a: Where, b: Where): boolean => JSON.stringify(a) === JSON.stringify(b);

const asks = ({ query }: Node, condition: Where): boolean =>
  query!.where.some((each) => isSame(each, condition));

/** What lists beside one another all ask; the order is each one's own. */
function sharedQuery(query: Query, others: readonly Node[]): Query {
  const where = query.where.filter((each) => others.every((other) => asks(other, each)));
  return { ...query, where, by: '', down: false };
}

interface Template {
  /** The piece of the shelf that every list's row follows. */
  readonly shelf: ShelfId;
  readonly row: NodeId;
  /** What puts the row there; none where it follows something already. */
  readonly commands: readonly Command[];
}

const rowOf = (registry: Registry, list: Node): NodeId => list.slots[repeatingSlot(registry, list)!]![0]!;

function freeShelfName(project: Project, wanted: string): string {
  return freeName(wanted, new Set(Object.values(project.shelf).map(({ name }) => name)));
}

/** The row of a list is kept on the shelf, so that all that follow it are tuned as one. */
function templateOf(registry: Registry, project: Project, list: Node): Template {
  const row = rowOf(registry, list);
  const { linked } = nodeOf(project, row);
  if (linked && project.shelf[linked]) return { shelf: linked, row, commands: [] };
  const shelf = newId<ShelfId>('row');
  const name = freeShelfName(project, `${list.name} row`);
  return { shelf, row, commands: [{ type: 'shelve', id: row, shelf, name }] };
}

const withNode = ({ root, nodes }: Fragment, node: Node): Fragment => ({
  root,
  nodes: { ...nodes, [node.id]: node }
});

interface Asked {
  readonly label: string;
  readonly query: Query;
}

/** A copy of a list with another query, whose row follows the same piece of the shelf. */
function copyOf(
  registry: Registry,
  project: Project,
  list: Node,
  shelf: ShelfId,
  { label, query }: Asked
): Fragment {
  const copy = withNewIds(registry, fragmentOf(project, list.id));
  const root = { ...copy.nodes[copy.root]!, name: `${label} list` };
  const row = copy.nodes[rowOf(registry, root)]!;
  return withNode(withNode(copy, { ...row, linked: shelf }), { ...root, query });
}

const panelOf = (make: Make, label: string, content: readonly Fragment[]): Fragment =>
  make('panel', label, {}, { content });

/**
 * @returns what puts a list into tabs, one for each query: the list itself shows the first, copies of it the others.
 * Its row goes on the shelf and all of them follow it.
 * @param list one with a query. @param asked one or more.
 */
export function tabsFor(
  make: Make,
  registry: Registry,
  project: Project,
  list: Node,
  asked: readonly Suggestion[]
): Batch {
  const { shelf, commands } = templateOf(registry, project, list);
  const [first, ...others] = asked.map(({ label, query }) => ({
    label,
    query: queryWith(list.query!, query)
  }));
  const panels = others.map((each) =>
    panelOf(make, each.label, [copyOf(registry, project, list, shelf, each)])
  );
  const tabs = make(
    'tabs',
    `${list.name} tabs`,
    {},
    { panels: [panelOf(make, first!.label, []), ...panels] }
  );
  return {
    type: 'batch',
    label: `A tab for each of ${asked.length} queries`,
    commands: [
      ...commands,
      { type: 'wrap', ids: [list.id], fragment: tabs },
      { type: 'set-query', id: list.id, query: first!.query }
    ]
  };
}

/**
 * @returns what adds a panel for each query after the one a list stands in, each with a copy of the list.
 * @param list one with a query, in a panel.
 */
export function moreTabsFor(
  make: Make,
  registry: Registry,
  project: Project,
  list: Node,
  panel: NodeId,
  asked: readonly Suggestion[]
): Batch {
  const { shelf, commands } = templateOf(registry, project, list);
  const { parent, slot } = maybePlaceOf(project, panel)!;
  const end = nodeOf(project, parent).slots[slot]!.length;
  const beside = runAround(project, list.id)?.lists.filter(({ id }) => id !== list.id) ?? [];
  const base = sharedQuery(list.query!, beside);
  const inserts = asked.map(({ label, query }, n): Command => {
    const copy = copyOf(registry, project, list, shelf, { label, query: queryWith(base, query) });
    return { type: 'insert', fragment: panelOf(make, label, [copy]), at: { parent, slot, index: end + n } };
  });
  return {
    type: 'batch',
    label: asked.length === 1 ? `A tab for ${asked[0]!.label}` : `A tab for each of ${asked.length} queries`,
    commands: [...commands, ...inserts]
  };
}
