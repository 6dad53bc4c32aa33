import type { Sight, Sights } from '../facts/sights';
import { isWorse, keyOf, laneKindOf } from './lanes';

/** What is seen at one width. */
export type Seen = Sight & {
  /** The height of the window at which it is worst, px; absent where all heights looked at show the same. */
  readonly height?: number;
};

interface AtHeight {
  readonly height: number;
  readonly sight: Sight;
}

const worseOf = (one: AtHeight, other: AtHeight): AtHeight =>
  isWorse(one.sight.what, other.sight.value, one.sight.value) ? other : one;

/** Whether it does not matter how high the window is: values that change with every px are no difference. */
function isAlike(found: readonly AtHeight[], heights: number): boolean {
  if (found.length < heights) return false;
  const { what, value } = found[0]!.sight;
  return !laneKindOf(what).isCounted || found.every(({ sight }) => sight.value === value);
}

/**
 * @param byHeight what is seen at one width in windows of some heights, px; of each part of a piece one sight at most.
 * @returns the worst of each, and the height at which it was seen where that matters.
 */
export function overHeights(byHeight: ReadonlyMap<number, Sights>): readonly Seen[] {
  const all = new Map<string, AtHeight[]>();
  for (const [height, sights] of byHeight)
    for (const sight of sights) {
      const key = keyOf(sight);
      all.set(key, [...(all.get(key) ?? []), { height, sight }]);
    }
  return [...all.values()].map((found) => {
    const { height, sight } = found.reduce(worseOf);
    return isAlike(found, byHeight.size) ? sight : { ...sight, height };
  });
}
