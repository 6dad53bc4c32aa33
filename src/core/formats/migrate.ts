import { isRecord, type Loose } from '../data/record';
import type { Registry } from '../kinds/registry';
import { FORMAT, type Diff, type Node, type Project } from '../project/types';

/** The first format there was. */
const FIRST = 1;

/** What every format did to all pieces, whatever their kind, by the format it was before. */
const OF_ALL: Readonly<Record<number, (node: Loose) => Loose>> = {
  // The first documents had no settings under conditions.
  1: (node) => (isRecord(node.adapt) ? node : { ...node, adapt: {} })
};

/**
 * Carries a piece from the format it was written in up to today's, step by step: what changed for all pieces,
 * then what its kind has changed. A step leaves alone what is of the newer format already, so it may be done
 * twice. What does not look like a piece is given back as it is.
 */
export function migratedNode(registry: Registry, node: Loose, from: number): Loose {
  const kind = typeof node.kind === 'string' ? registry.maybeKindOf(node.kind) : null;
  let now = node;
  for (let format = from; format < FORMAT; format += 1) {
    now = OF_ALL[format]?.(now) ?? now;
    now = kind?.migrations?.[format]?.(now) ?? now;
  }
  return now;
}

/** A stored piece of an older format; the same object where nothing about it has changed since. */
const upToDate = (registry: Registry, node: Node, from: number): Node =>
  migratedNode(registry, node as unknown as Loose, from) as unknown as Node;

type Nodes = Project['nodes'];

function upToDateNodes(registry: Registry, nodes: Nodes, from: number): Nodes {
  const now = Object.values(nodes).map((node) => [node.id, upToDate(registry, node, from)] as const);
  const isSame = now.every(([id, node]) => nodes[id] === node);
  return isSame ? nodes : (Object.fromEntries(now) as Nodes);
}

/** What documents had not from the beginning, besides their pieces. */
const withAll = ({ info, tokens, shelf, sources, ...rest }: Project): Project => ({
  ...rest,
  info: { ...info, support: info.support ?? 'widely', aside: info.aside ?? {} },
  tokens: tokens ?? {},
  shelf: shelf ?? {},
  sources: sources ?? {}
});

/** Pieces on the shelf are of the format of their project. */
function upToDateShelf(registry: Registry, shelf: Project['shelf'], from: number): Project['shelf'] {
  const now = Object.values(shelf).map(({ fragment, ...piece }) => {
    const nodes = upToDateNodes(registry, fragment.nodes, from);
    return [piece.id, { ...piece, fragment: { ...fragment, nodes } }] as const;
  });
  return Object.fromEntries(now);
}

/** Whether a project stored here has to be carried up, so that the code of all that it is made of has to be there. */
export const isOld = ({ format }: { readonly format?: number }): boolean => (format ?? FIRST) < FORMAT;

/** @returns a project of this or an earlier version that was stored here, as this version has it. */
export function migratedProject(registry: Registry, stored: Project): Project {
  const from: number = stored.format ?? FIRST;
  const project = withAll(stored);
  return {
    ...project,
    format: FORMAT,
    nodes: from < FORMAT ? upToDateNodes(registry, project.nodes, from) : project.nodes,
    shelf: from < FORMAT ? upToDateShelf(registry, project.shelf, from) : project.shelf
  };
}

/**
 * @param from the format the step was written in; where it does not say, it goes through all there have been.
 * @returns a stored step of the history as this version has it; the same object where nothing changed.
 */
export function migratedDiff(registry: Registry, diff: Diff, from = FIRST): Diff {
  if (!diff.nodes || from >= FORMAT) return diff;
  const of = (node: Node | null) => node && upToDate(registry, node, from);
  const now = Object.entries(diff.nodes).map(
    ([id, [before, after]]) => [id, [of(before), of(after)] as const] as const
  );
  const isSame = now.every(([id, [before, after]]) => {
    const [was, became] = diff.nodes![id]!;
    return before === was && after === became;
  });
  return isSame ? diff : { ...diff, nodes: Object.fromEntries(now) };
}
