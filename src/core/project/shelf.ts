import { fragmentOf, subtreeIds } from './tree';
import type { Fragment, Json, Node, NodeId, Project, ShelfId } from './types';
import { remembered } from '../data/remembered';

/** @returns the pieces of all pages that follow one on the shelf, in no order. */
export const linkedTo = (project: Project, shelf: ShelfId): readonly Node[] =>
  Object.values(project.nodes).filter((node) => node.linked === shelf);

/**
 * @returns the shelf's piece that a node or something around it follows, with the node that is linked; null
 * where none.
 */
export function maybeLinked(
  project: Project,
  path: readonly NodeId[]
): { readonly node: Node; readonly shelf: ShelfId } | null {
  for (const id of path.toReversed()) {
    const node = project.nodes[id];
    if (node?.linked && project.shelf[node.linked]) return { node, shelf: node.linked };
  }
  return null;
}

function sorted(value: unknown, named: (text: string) => Json = (text) => text): Json {
  if (typeof value === 'string') return named(value);
  if (typeof value !== 'object' || value === null) return value as Json;
  if (Array.isArray(value)) return value.map((each) => sorted(each, named));
  const entries = Object.entries(value).toSorted(([a], [b]) => (a < b ? -1 : 1));
  return Object.fromEntries(entries.map(([key, each]) => [key, sorted(each, named)]));
}

/** What a piece is apart from ids, from its own name and from anchors, which are its own wherever it stands. */
function contentOf({ root, nodes }: Fragment): string {
  // A setting that names a piece means the one that stands in the same place, whatever its id is there.
  const order = new Map<string, number>(subtreeIds({ nodes }, root).map((id, i) => [id, i]));
  const named = (text: string): Json => (order.has(text) ? { piece: order.get(text)! } : text);
  const shape = (id: NodeId, isRoot: boolean): Json => {
    const { kind, name, settings, adapt, styles, slots, effects = [], binds = {}, query = null } = nodes[id]!;
    const { anchor: _anchor, ...rest } = settings;
    return [
      kind,
      isRoot ? '' : name,
      sorted(rest, named),
      sorted(adapt, named),
      sorted(styles),
      [...effects],
      sorted(binds),
      sorted(query),
      Object.entries(slots)
        .filter(([, children]) => children.length > 0)
        .map(([slot, children]) => [slot, children.map((child) => shape(child, false))])
    ];
  };
  return JSON.stringify(shape(root, true));
}

const contents = new WeakMap<Fragment, string>();

/** Whether a linked piece is as the one on the shelf, apart from its own name and anchors. */
export function isAsShelved(project: Project, id: NodeId, shelf: ShelfId): boolean {
  const { fragment } = project.shelf[shelf]!;
  const shelved = remembered(contents, fragment, () => contentOf(fragment));
  return contentOf(fragmentOf(project, id)) === shelved;
}
