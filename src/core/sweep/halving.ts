import type { Seen } from './heights';
import { laneKindOf } from './lanes';
import { SWEEP_FROM, SWEEP_TO } from './span';

/** Widths that are looked at in any case stand no further apart, px: what comes and goes between two is missed. */
const STEP = 24;

/** What was seen at each width that has been looked at, px. */
export type Samples = ReadonlyMap<number, readonly Seen[]>;

/**
 * @returns what is seen at a width, as words that differ where an edge lies between two widths. A value that changes
 * with every px (by how much something sticks out) makes no edge.
 */
export function signatureOf(sights: readonly Seen[]): string {
  const each = sights.map(({ what, node, part, value, height = '' }) =>
    [what, node, part, laneKindOf(what).isCounted ? value : '', height].join(' ')
  );
  return each.toSorted().join('\n');
}

/**
 * Widths that are looked at whatever is seen: some over the whole way, and those at which something is said to change,
 * with the ones beside them.
 * @param edges bands, widths from which something fits, edges found before; px.
 */
export function seedsOf(edges: readonly number[]): readonly number[] {
  const even = Array.from(
    { length: Math.floor((SWEEP_TO - SWEEP_FROM) / STEP) + 1 },
    (_, i) => SWEEP_FROM + i * STEP
  );
  const beside = edges.flatMap((px) => [px - 1, px, px + 1]);
  const all = new Set([...even, SWEEP_TO, ...beside.map(Math.round)]);
  return [...all].filter((px) => px >= SWEEP_FROM && px <= SWEEP_TO).toSorted((a, b) => a - b);
}

/** For a first answer the even widths stand no further apart than this, px. */
const FIRST_STEP = 96;

/**
 * Widths for a first answer, some of `seedsOf`: where something changed before, and few on the way. What has come up
 * between two of them since is seen only with the rest.
 * @param edges as of `seedsOf`.
 */
export function firstSeedsOf(edges: readonly number[]): readonly number[] {
  const beside = new Set(edges.flatMap((px) => [Math.round(px) - 1, Math.round(px)]));
  const isFirst = (px: number) => px === SWEEP_TO || (px - SWEEP_FROM) % FIRST_STEP === 0 || beside.has(px);
  return seedsOf(edges).filter(isFirst);
}

/** @returns widths to look at next: those between two that differ, until these stand side by side; none at the end. */
export function halvesOf(samples: Samples): readonly number[] {
  const widths = [...samples.keys()].toSorted((a, b) => a - b);
  const signatures = widths.map((px) => signatureOf(samples.get(px)!));
  return widths.flatMap((px, i) => {
    const next = widths[i + 1];
    const isEdge = next !== undefined && signatures[i] !== signatures[i + 1];
    return isEdge && next - px > 1 ? [Math.floor((px + next) / 2)] : [];
  });
}

/**
 * How large the words of a page were at each width that has been looked at, px: the same where no line is longer or
 * breaks elsewhere. Null where that is not known.
 */
export type Shapes = ReadonlyMap<number, number | string | null>;

/**
 * Widths that are still to be looked at. Between two at which every line of words is the same, and nothing else is
 * seen, a page of fixed width stands still in a wider window: what could come there and go again is words that break
 * otherwise, so none of those between is looked at.
 * @param seeds as of `seedsOf`. @param shapes of the widths looked at so far, the first and the last seed among them;
 *   no edge lies between two of them.
 */
export function restOf(seeds: readonly number[], shapes: Shapes): readonly number[] {
  const looked = [...shapes.keys()].toSorted((a, b) => a - b);
  const isStill = (px: number): boolean => {
    const next = looked.findIndex((each) => each > px);
    const before = shapes.get(looked[next - 1]!) ?? null;
    return before !== null && before === shapes.get(looked[next]!);
  };
  return seeds.filter((px) => !shapes.has(px) && !isStill(px));
}
