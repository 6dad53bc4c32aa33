import { maybeNode } from '../project/tree';
import type { NodeId, Project } from '../project/types';
import { no, type Refusal } from './define';

/** @returns what a piece is called, for a label; “piece” for one that is gone. */
export const nameOf = ({ nodes }: Pick<Project, 'nodes'>, id: NodeId): string => nodes[id]?.name ?? 'piece';

/** @returns ` and 2 more`, for what goes with the one that is named; nothing where that is alone. */
export const andMore = ({ length }: readonly unknown[]): string => (length > 0 ? ` and ${length} more` : '');

/** @returns the name of the first of several pieces, with how many more they are. */
export const namesOf = (project: Project, [first, ...more]: readonly NodeId[]): string =>
  `${nameOf(project, first!)}${andMore(more)}`;

/** @returns why nothing can be done with a piece that is gone; null where it is there. */
export const maybeGone = (project: Project, id: NodeId): Refusal | null =>
  maybeNode(project, id) ? null : gone();

export const gone = (): Refusal =>
  no('no-such-node', 'That piece is no longer on the page. Pick another in the outline.');
