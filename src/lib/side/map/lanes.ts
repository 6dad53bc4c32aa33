import type { Range } from '$core/scroll/ranges';

/** A range in the lane it is drawn in, from 0 on. */
export interface Laned {
  readonly range: Range;
  readonly lane: number;
}

/** What was made of a range last: one that stays in its lane stays the same object, and is not drawn anew. */
const known = new WeakMap<Range, Laned>();

function lanedIn(range: Range, lane: number): Laned {
  const last = known.get(range);
  if (last?.lane === lane) return last;
  const laned = { range, lane };
  known.set(range, laned);
  return laned;
}

/**
 * Puts ranges into as few lanes as will do: two that meet stand beside one another.
 * @param ranges in the order they begin. @param air least distance between two in one lane, px of the page.
 */
export function lanesOf(
  ranges: readonly Range[],
  air: number
): { readonly laned: readonly Laned[]; readonly count: number } {
  const ends: number[] = [];
  const laned = ranges.map((range): Laned => {
    const free = ends.findIndex((end) => end <= range.start);
    const lane = free < 0 ? ends.length : free;
    ends[lane] = Math.max(range.end, range.start) + air;
    return lanedIn(range, lane);
  });
  return { laned, count: Math.max(1, ends.length) };
}
