import { checkValue } from '../css/values';
import { ownOf } from '../data/record';
import type { Keyframes } from './contract';

/** More moments than this nobody writes on one line. */
export const MOMENTS_MOST = 5;
const COUNTS = [2, 3, 4, 5] as const;

/** Between two moments, as it is written. */
const ARROW = /\s*(?:→|->)\s*/;

/** When a value is reached: `0 -12px at 30%`. */
const AT = /^(.*\S)\s+at\s+(\d{1,3})\s*%$/;

interface Moment {
  readonly value: string;
  /** Percent of the way; null where it is not said. */
  readonly at: number | null;
}

function momentOf(written: string): Moment {
  const [, value, at] = AT.exec(written) ?? [];
  return value === undefined ? { value: written, at: null } : { value, at: Number(at) };
}

const writtenIn = (text: string): readonly Moment[] =>
  text.trim() === '' ? [] : text.trim().split(ARROW).map(momentOf);

/** Whether a text says more than one value, and so all moments at once. */
export const saysWay = (text: string): boolean => writtenIn(text).length > 1;

/** @returns the values a text says, one for each moment; empty for none. */
export const momentsOf = (text: string): readonly string[] => writtenIn(text).map(({ value }) => value);

/** The first moment from one on that says when it is; else the last, which ends the way. */
function nextSaid(moments: readonly Moment[], from: number): number {
  const next = moments.findIndex(({ at }, i) => i >= from && at !== null);
  return next < 0 ? moments.length - 1 : next;
}

/** Percent at which a value is reached that does not say so: an even step from the one before to the next that does. */
function between(moments: readonly Moment[], i: number, before: number): number {
  const next = nextSaid(moments, i);
  const until = moments[next]!.at ?? 100;
  return next === i ? until : before + (until - before) / (next - i + 1);
}

/**
 * @returns when each value is reached, percent of the way; those that do not say are spread evenly between the ones
 * beside them that do, as stops of a gradient are (CSS Images 4, section 3.5.3).
 */
function sharesIn(moments: readonly Moment[]): readonly number[] {
  const shares: number[] = [];
  moments.forEach(({ at }, i) => {
    const before = shares[i - 1];
    shares.push(at ?? (before === undefined ? 0 : between(moments, i, before)));
  });
  return shares;
}

/** A value, and when it is reached: percent of the way. */
export interface Reached {
  readonly value: string;
  readonly at: number;
}

/** @returns the values a text says, in the order in which they stand, with when they are reached. */
export function momentsWritten(text: string): readonly Reached[] {
  const moments = writtenIn(text);
  const shares = sharesIn(moments);
  return moments.map(({ value }, i) => ({ value, at: shares[i]! }));
}

const HOW =
  'with → between them, such as 0 0 → 0 -12px → 0 0: ' +
  'they are spread evenly over the way, or say when: 0 -12px at 30%.';

const isWhole = (shares: readonly number[]): boolean => shares[0] === 0 && shares.at(-1) === 100;

/** Names count whole percents, so no two moments are nearer than one. */
const isInOrder = (shares: readonly number[]): boolean =>
  shares.every((share, i) => i === 0 || share >= shares[i - 1]! + 1);

/** Why moments cannot come one after the other; null where they can. */
function orderFault(moments: readonly Moment[]): string | null {
  const shares = sharesIn(moments);
  if (!isWhole(shares))
    return 'The first value is where it begins and the last where it ends; only those between say when.';
  return isInOrder(shares) ? null : 'Each value is reached after the one before it: at 30%, then at 60%.';
}

/** @returns why a text says no values of a property, one after the other; null where it does, or is empty. */
export function momentsFault(property: string, text: string): string | null {
  const moments = writtenIn(text);
  if (moments.length === 0) return null;
  if (moments.length < 2 || moments.length > MOMENTS_MOST)
    return `Write two to ${MOMENTS_MOST} values, ${HOW}`;
  for (const { value } of moments) {
    const checked = checkValue(property, value);
    if (!checked.ok) return checked.sentence;
  }
  return orderFault(moments);
}

const percent = (share: number): string => `${Math.round(share * 10_000) / 10_000}%`;
/** When so many values are reached that are spread evenly, percent. */
export const evenly = (count: number): readonly number[] =>
  Array.from({ length: count }, (_each, moment) => (moment / (count - 1)) * 100);

const areEven = (moments: readonly Moment[]): boolean => moments.every(({ at }) => at === null);

/** How the moments between the first and the last are named. */
const whenOf = (moments: readonly Moment[]): string =>
  sharesIn(moments).slice(1, -1).map(Math.round).join('-');

const evenName = (stem: string, property: string, count: number): string => `k-${stem}-${property}-${count}`;

/** Keyframes are named after what they are of, and after when where that is not even. */
function nameFor(stem: string, property: string, moments: readonly Moment[]): string {
  const even = evenName(stem, property, moments.length);
  return areEven(moments) ? even : `${even}-at-${whenOf(moments)}`;
}

const variable = (stem: string, property: string, moment: number): string =>
  `--k-${stem}-${property}-${moment}`;

const keyframesFor = (stem: string, property: string, shares: readonly number[]): Keyframes =>
  shares.map((share, moment) => ({
    at: percent(share),
    declarations: [`${property}: var(${variable(stem, property, moment)});`]
  }));

const CHOSEN = /k-([a-z]+)-([a-z-]+)-\d-at-(\d+(?:-\d+)*)/;

/** Keyframes whose name says when their values are reached; null for a name that does not. */
function maybeChosen(name: string): Keyframes | null {
  const [whole, stem, property, between] = CHOSEN.exec(name) ?? [];
  if (whole !== name) return null;
  return keyframesFor(stem!, property!, [0, ...between!.split('-').map(Number), 100]);
}

/** @returns keyframes by their name: of those all pieces share, or with moments of one's own; null for none. */
export const keyframesNamed = (known: Readonly<Record<string, Keyframes>>, name: string): Keyframes | null =>
  ownOf(known, name) ?? maybeChosen(name);

/** @returns keyframes with moments of one's own that a style sheet plays, by their names. */
export function chosenIn(css: string): ReadonlyMap<string, Keyframes> {
  const names = new Set(css.match(new RegExp(CHOSEN, 'g')) ?? []);
  return new Map([...names].map((name) => [name, maybeChosen(name)!]));
}

/** Movements through written values: keyframes that all pieces share, with values that each says itself. */
export interface Moments<Property extends string> {
  /** One for each property and number of moments, spread evenly. */
  readonly keyframes: Readonly<Record<string, Keyframes>>;
  /** @returns the name of the keyframes for what is written of a property. */
  nameOf(property: Property, text: string): string;
  /** @returns the custom properties that say the values, none for a property that is not written. */
  valuesOf(written: Readonly<Record<Property, string>>): Readonly<Record<string, string>>;
}

/** Values spread evenly, two of them and more, by the names of their keyframes. */
const evenKeyframes = (stem: string, property: string): readonly (readonly [string, Keyframes])[] =>
  COUNTS.map(
    (count) => [evenName(stem, property, count), keyframesFor(stem, property, evenly(count))] as const
  );

const valuesFor = (stem: string, property: string, text: string): readonly (readonly [string, string])[] =>
  momentsOf(text).map((value, moment) => [variable(stem, property, moment), value] as const);

/** @param stem what its names begin with, so that two movements of one piece do not meet. */
export const momentsFor = <Property extends string>(
  stem: string,
  properties: readonly Property[]
): Moments<Property> => ({
  nameOf: (property, text) => nameFor(stem, property, writtenIn(text)),
  keyframes: Object.fromEntries(properties.flatMap((property) => evenKeyframes(stem, property))),
  valuesOf: (written) =>
    Object.fromEntries(properties.flatMap((property) => valuesFor(stem, property, written[property])))
});
