import { maybePageOf, maybePlaceOf, nodeOf, subtreeOf } from '../project/tree';
import type { Node, NodeId, Project } from '../project/types';

/** Lists that stand in the items of one piece, such as one in each panel of tabs. */
export interface ListRun {
  /** What they stand in. */
  readonly owner: Node;
  /** Two or more, in the order they stand. */
  readonly lists: readonly Node[];
}

const listsIn = (project: Project, id: NodeId): readonly Node[] =>
  subtreeOf(project, id).filter(({ query }) => query !== undefined);

/** @returns the nearest piece around a list in which others stand too, and all of them; null for a list by itself. */
export function runAround(project: Project, id: NodeId): ListRun | null {
  const page = maybePageOf(project, id)?.root;
  for (let place = maybePlaceOf(project, id); place; place = maybePlaceOf(project, place.parent)) {
    if (place.parent === page) return null;
    const lists = listsIn(project, place.parent);
    if (lists.length > 1) return { owner: nodeOf(project, place.parent), lists };
  }
  return null;
}
