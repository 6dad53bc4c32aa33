import { maybeNode, pathTo, type Holder } from '../project/tree';
import type { NodeId } from '../project/types';

/** @returns the section of a page that a piece stands in, itself where it is one; null for the page and for others. */
export function maybeSectionOf(project: Holder, root: NodeId, id: NodeId): NodeId | null {
  if (!maybeNode(project, id)) return null;
  const [first, section] = pathTo(project, id);
  return first === root && section ? section : null;
}

/**
 * @param ids pieces of a page that look or stand otherwise than before.
 * @returns the sections these stand in; null where one of them stands in none, so that all sections may differ.
 */
export function sectionsOf(
  project: Holder,
  root: NodeId,
  ids: readonly NodeId[]
): ReadonlySet<NodeId> | null {
  const all = ids.map((id) => maybeSectionOf(project, root, id));
  const found = new Set(all.filter((section) => section !== null));
  return all.includes(null) || found.size === 0 ? null : found;
}
