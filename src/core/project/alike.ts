import { maybePlaceOf, nodeOf } from './tree';
import type { NodeId, Project } from './types';

/**
 * Pieces that stand to their surroundings as this one does: of the same kind in the same row; where it is the
 * only one there, those in the same place of what stands beside its owner (cards in columns).
 * @returns them in the order of the page, without the piece itself; empty where there are none.
 */
export function alikeOf(project: Project, id: NodeId): NodeId[] {
  const { kind } = nodeOf(project, id);
  const path: { readonly slot: string; readonly index: number }[] = [];
  for (let now = id; ;) {
    const at = maybePlaceOf(project, now);
    if (!at) return [];
    const beside = nodeOf(project, at.parent).slots[at.slot]!.filter((each) => each !== now);
    const found = beside
      .flatMap((each) => maybeAlong(project, each, path) ?? [])
      .filter((each) => nodeOf(project, each).kind === kind);
    if (found.length > 0) return found;
    path.unshift({ slot: at.slot, index: at.index });
    now = at.parent;
  }
}

function maybeAlong(
  project: Project,
  from: NodeId,
  path: readonly { readonly slot: string; readonly index: number }[]
): NodeId | null {
  let now: NodeId | null = from;
  for (const { slot, index } of path) now = (now && nodeOf(project, now).slots[slot]?.[index]) ?? null;
  return now;
}

/** @returns pairs of nodes of two pieces that are of the same kind and stand in the same place in them. */
export function pairsOf(project: Project, from: NodeId, to: NodeId): [NodeId, NodeId][] {
  const [a, b] = [nodeOf(project, from), nodeOf(project, to)];
  if (a.kind !== b.kind) return [];
  const below = Object.entries(a.slots).flatMap(([slot, children]) =>
    children.flatMap((child, i) => (b.slots[slot]?.[i] ? pairsOf(project, child, b.slots[slot]![i]!) : []))
  );
  return [[from, to], ...below];
}
