import type { NodeId } from '../project/types';
import type { Range } from './ranges';

/** Something about ranges that meet. */
export type Conflict =
  /** Two movements of one piece set the same property. */
  | { readonly what: 'same'; readonly node: NodeId; readonly property: string; readonly at: number }
  /** More things move at once than the eye can follow. */
  | { readonly what: 'many'; readonly nodes: readonly NodeId[]; readonly at: number };

/** More than three things at once nobody follows (common practice, no source). */
export const AT_ONCE_MOST = 3;

const overlap = (a: Range, b: Range): boolean => a.start < b.end && b.start < a.end;

/** What is seen to move: what sticks, rests or comes in at once does not. */
const isMoving = ({ moves, start, end }: Range): boolean => (moves ?? []).length > 0 && end > start;

function sameOf(one: Range, other: Range): readonly Conflict[] {
  if (one.node !== other.node || !overlap(one, other)) return [];
  const shared = (one.moves ?? []).filter((property) => other.moves?.includes(property));
  const at = Math.max(one.start, other.start);
  return shared.map((property) => ({ what: 'same', node: one.node, property, at }));
}

/** The first place at which too many things move at once; a page has to be mended at one place first. */
function maybeMany(ranges: readonly Range[]): Conflict | null {
  const moving = ranges.filter(isMoving);
  for (const { start } of moving) {
    const together = moving.filter((each) => each.start <= start && each.end > start);
    const nodes = [...new Set(together.map(({ node }) => node))];
    if (nodes.length > AT_ONCE_MOST) return { what: 'many', nodes, at: start };
  }
  return null;
}

/** @returns what of some ranges gets in the way of one another. */
export function conflictsIn(ranges: readonly Range[]): readonly Conflict[] {
  const same = ranges.flatMap((one, i) => ranges.slice(i + 1).flatMap((other) => sameOf(one, other)));
  const many = maybeMany(ranges);
  return many ? [...same, many] : same;
}
