import { compact } from '../data/compact';
import type { Registry } from '../kinds/registry';
import { subtreeOf } from '../project/tree';
import type { Node, NodeId, Project, Source } from '../project/types';
import { listAround, sourceOf } from '../rows/around';
import { markedRow, unfillable, type MarkedRow } from '../rows/refresh';
import { expanded, repeatingSlot, repeats } from '../rows/rows';
import { analyse } from './analyse';
import { idsIn } from './ids';

/** Whether a file is a table of the sort the page's script does not read, as far as its address tells. */
const isCsv = ({ place }: Source): boolean => /\.(?:csv|tsv|txt)(?:[?#].*)?$/i.test(place);

function obstacleInSource(source: Source): string | null {
  const { name, origin } = source;
  if (origin !== 'address') return `${name} came as a file: there is no address that a page could ask.`;
  return isCsv(source) ? `${name} is CSV: a page reads JSON only.` : null;
}

/** Why a piece of the template cannot be drawn again by the page. */
function obstacleInPiece(registry: Registry, project: Project, source: Source, node: Node): string | null {
  const { name } = node;
  if (repeats(node)) return `${name} is a list in the list.`;
  const unfilled = unfillable(registry, project, source, node);
  if (unfilled) return `${name} ${unfilled}.`;
  const analysis = analyse(registry, project, node);
  if (analysis.behaviours.length > 0)
    return `${name} needs the script of the page, which has started by then.`;
  return idsIn([analysis]).size > 0 ? `${name} has an id, which may stand on a page once.` : null;
}

/** @returns why a page cannot draw a list anew by itself, in sentences; empty where it can. */
export function obstaclesTo(registry: Registry, project: Project, list: Node): readonly string[] {
  const source = sourceOf(project, list.query);
  const slot = repeatingSlot(registry, list);
  const kind = registry.of(list);
  if (!source || slot === null) return ['It has no rows of a source.'];
  if (!kind.slots[slot]!.refreshes) return [`${kind.label} cannot be drawn anew, only a plain list can.`];
  const pieces = (list.slots[slot] ?? []).slice(0, 1).flatMap((first) => subtreeOf(project, first));
  return compact([
    obstacleInSource(source),
    listAround(registry, project, list.id) && 'It stands in another list.',
    ...pieces.map((piece) => obstacleInPiece(registry, project, source, piece))
  ]);
}

const isFresh = ({ query }: Node): boolean => query?.fresh === true;

/** Lists that their page can draw anew, and is asked to. */
const refreshedIn = (registry: Registry, project: Project): readonly Node[] =>
  Object.values(project.nodes).filter(
    (node) => isFresh(node) && obstaclesTo(registry, project, node).length === 0
  );

/**
 * @returns the project as it leaves: its lists made out, and with all that those take along which a page draws anew by
 * itself.
 */
export function asItLeaves(registry: Registry, given: Project): Project {
  const { project } = expanded(registry, given);
  const lists = refreshedIn(registry, given);
  if (lists.length === 0) return project;
  const nodes: Record<NodeId, Node> = { ...project.nodes };
  for (const list of lists) {
    const row = markedRow(registry, given, list);
    if (row) Object.assign(nodes, row.nodes, { [list.id]: withRow(nodes[list.id]!, row) });
  }
  return { ...project, nodes };
}

const withRow = (list: Node, { refresh, slots }: MarkedRow): Node => ({
  ...list,
  refresh,
  slots: { ...list.slots, ...slots }
});
