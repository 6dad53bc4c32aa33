import { checkValue } from '../../css/values';
import type { Keyframe, Keyframes } from '../../kinds/contract';

/** What can move without anything around it being laid out anew (CSS Transforms 2, CSS Color 4). */
export const OWN_PROPERTIES = ['translate', 'rotate', 'scale', 'opacity'] as const;
export type OwnProperty = (typeof OWN_PROPERTIES)[number];

export const MOMENTS_MOST = 5;
const COUNTS = [2, 3, 4, 5] as const;

/** Between two moments, as it is written. */
const ARROW = /\s*(?:→|->)\s*/;

/** @returns the values a text says, one for each moment; empty for none. */
export const momentsOf = (text: string): readonly string[] =>
  text.trim() === '' ? [] : text.trim().split(ARROW);

const HOW = 'with → between them, such as 0 0 → 0 -12px → 0 0: they are spread evenly over the time.';

/** @returns why a text is no movement of a property; null where it is one, or empty. */
export function ownFault(property: OwnProperty, text: string): string | null {
  const values = momentsOf(text);
  if (values.length === 0) return null;
  if (values.length < 2 || values.length > MOMENTS_MOST) return `Write two to ${MOMENTS_MOST} values, ${HOW}`;
  for (const value of values) {
    const checked = checkValue(property, value);
    if (!checked.ok) return checked.sentence;
  }
  return null;
}

export const ownName = (property: OwnProperty, count: number): string => `k-own-${property}-${count}`;

/** The custom property that says a value at a moment. */
export const ownVariable = (property: OwnProperty, moment: number): string => `--k-own-${property}-${moment}`;

const shareOf = (moment: number, count: number): string =>
  `${Math.round((moment / (count - 1)) * 1_000_000) / 10_000}%`;

const keyframe = (property: OwnProperty, moment: number, count: number): Keyframe => ({
  at: shareOf(moment, count),
  declarations: [`${property}: var(${ownVariable(property, moment)});`]
});

const keyframes = (property: OwnProperty, count: number): Keyframes =>
  Array.from({ length: count }, (_each, moment) => keyframe(property, moment, count));

/** One for each property and number of moments; a piece says the values. */
export const OWN_KEYFRAMES: Readonly<Record<string, Keyframes>> = Object.fromEntries(
  OWN_PROPERTIES.flatMap((property) =>
    COUNTS.map((count) => [ownName(property, count), keyframes(property, count)])
  )
);
