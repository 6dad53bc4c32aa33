import { defined } from '../data/compact';
import type { Sight, What } from '../facts/sights';
import type { Samples } from './halving';
import type { Seen } from './heights';
import { isWorse, keyOf, LANES, laneKindOf } from './lanes';
import { SWEEP_FROM, SWEEP_TO } from './span';

/** Widths next to each other at which the same is seen, px, both included. */
export interface Run {
  readonly from: number;
  readonly to: number;
  /** The worst value in it, and the width at which that was seen. */
  readonly value: number;
  readonly at: number;
  /** The height of the window at which it is worst, px; absent where all heights looked at show the same. */
  readonly height?: number;
}

/** One thing that is seen of one part of a piece, over all widths. */
export interface Lane {
  readonly what: What;
  readonly node: string;
  readonly part: string;
  /** From the narrowest on. */
  readonly runs: readonly Run[];
}

/** A run while it is followed: `last` is the last width that was looked at in it. */
interface Open {
  readonly from: number;
  readonly height: number | undefined;
  last: number;
  value: number;
  at: number;
}

function takeInto(runs: Open[], sight: Seen, width: number, before: number | undefined): void {
  const open = runs.at(-1);
  const { value, height } = sight;
  const goesOn = open !== undefined && open.last === before && open.height === height;
  const isSame = goesOn && (!laneKindOf(sight.what).isCounted || open.value === value);
  if (!isSame) return void runs.push({ from: width, last: width, value, height, at: width });
  open.last = width;
  if (isWorse(sight.what, sight.value, open.value)) [open.value, open.at] = [sight.value, width];
}

const rankOf = (what: What): number => LANES.findIndex((kind) => kind.what === what);
const lengthOf = ({ runs }: Lane): number => runs.reduce((sum, { from, to }) => sum + to - from + 1, 0);

const byWorst = (a: Lane, b: Lane): number => rankOf(a.what) - rankOf(b.what) || lengthOf(b) - lengthOf(a);

const isTelling = ({ what, runs }: Lane): boolean => laneKindOf(what).tells?.(runs) ?? true;

/**
 * @param samples what was seen; between two widths next to each other that were looked at nothing changes, unless they
 * differ.
 * @returns the lanes, the worst first: by what it is, then by over how many widths.
 */
export function lanesOf(samples: Samples): readonly Lane[] {
  const widths = [...samples.keys()].toSorted((a, b) => a - b);
  const found = new Map<string, { readonly sight: Sight; readonly runs: Open[] }>();
  widths.forEach((width, i) => {
    for (const sight of samples.get(width)!) {
      const key = keyOf(sight);
      const known = found.get(key) ?? { sight, runs: [] };
      found.set(key, known);
      takeInto(known.runs, sight, width, widths[i - 1]);
    }
  });
  return [...found.values()]
    .map(({ sight: { what, node, part }, runs }): Lane => ({
      what,
      node,
      part,
      runs: runs.map(({ last, ...run }): Run => defined({ ...run, to: last }))
    }))
    .filter(isTelling)
    .toSorted(byWorst);
}

/**
 * @param before lanes of a page before an edit. @param found those of what was looked at anew since.
 * @param isAnew whether that was all there is to see in the section that a piece stands in.
 * @returns lanes of the whole page, in no order.
 */
export function renewedLanes(
  before: readonly Lane[],
  found: readonly Lane[],
  isAnew: (node: string) => boolean
): readonly Lane[] {
  const stays = ({ what, node }: Lane) => laneKindOf(what).isLocal && !isAnew(node);
  return [...before.filter(stays), ...found];
}

/** @param placeOf where a piece stands on the page: of lanes that are as bad the first on the page comes first. */
export const worstFirst = (lanes: readonly Lane[], placeOf: (node: string) => number): readonly Lane[] =>
  lanes.toSorted((a, b) => byWorst(a, b) || placeOf(a.node) - placeOf(b.node));

const endsOf = ({ runs }: Lane): readonly number[] => runs.flatMap(({ from, to }) => [from, to + 1]);

/** @returns the first px of every run and the first after it: where something changes. */
export const edgesOf = (lanes: readonly Lane[]): readonly number[] => [...new Set(lanes.flatMap(endsOf))];

/** How many things go wrong at a width and at all wider ones up to the next entry, px. */
export interface WrongAt {
  readonly px: number;
  readonly errors: number;
  readonly warnings: number;
}

const holdsAt = ({ runs }: Lane, px: number): boolean => runs.some(({ from, to }) => px >= from && px <= to);

const isAsMany = (one: WrongAt, other: WrongAt | undefined): boolean =>
  one.errors === other?.errors && one.warnings === other.warnings;

/** @returns what goes wrong over all widths, from the least on: an entry wherever it changes, and one for the last. */
export function wrongOver(lanes: readonly Lane[]): readonly WrongAt[] {
  const [from, to] = [SWEEP_FROM, SWEEP_TO];
  const count = (tone: 'error' | 'warning', px: number): number =>
    lanes.filter((lane) => laneKindOf(lane.what).tone === tone && holdsAt(lane, px)).length;
  const widths = [...new Set([from, ...edgesOf(lanes).filter((px) => px >= from && px <= to), to])];
  const all = widths
    .toSorted((a, b) => a - b)
    .map((px): WrongAt => ({ px, errors: count('error', px), warnings: count('warning', px) }));
  return all.filter((each, i) => each.px === to || !isAsMany(each, all[i - 1]));
}

/** @returns where most goes wrong, in words. @param over as `wrongOver` gives it. */
export function worstInWords(over: readonly WrongAt[]): string {
  const countOf = ({ errors, warnings }: WrongAt): number => errors + warnings;
  const worst = over.reduce((a, b) => (countOf(b) > countOf(a) ? b : a));
  if (countOf(worst) === 0) return `Nothing breaks from ${SWEEP_FROM} to ${SWEEP_TO} px.`;
  const next = over[over.indexOf(worst) + 1] ?? worst;
  const to = Math.max(worst.px, next.px - 1);
  return `Most goes wrong from ${worst.px} to ${to} px: ${countOf(worst)} at once.`;
}
