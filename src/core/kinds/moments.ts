import { checkValue } from '../css/values';
import type { Keyframe, Keyframes } from './contract';

/** More moments than this nobody writes on one line. */
export const MOMENTS_MOST = 5;
const COUNTS = [2, 3, 4, 5] as const;

/** Between two moments, as it is written. */
const ARROW = /\s*(?:→|->)\s*/;

/** @returns the values a text says, one for each moment; empty for none. */
export const momentsOf = (text: string): readonly string[] =>
  text.trim() === '' ? [] : text.trim().split(ARROW);

const HOW = 'with → between them, such as 0 0 → 0 -12px → 0 0: they are spread evenly over the way.';

/** @returns why a text says no values of a property, one after the other; null where it does, or is empty. */
export function momentsFault(property: string, text: string): string | null {
  const values = momentsOf(text);
  if (values.length === 0) return null;
  if (values.length < 2 || values.length > MOMENTS_MOST) return `Write two to ${MOMENTS_MOST} values, ${HOW}`;
  for (const value of values) {
    const checked = checkValue(property, value);
    if (!checked.ok) return checked.sentence;
  }
  return null;
}

const shareOf = (moment: number, count: number): string =>
  `${Math.round((moment / (count - 1)) * 1_000_000) / 10_000}%`;

/** Movements through written values: keyframes that all pieces share, with values that each says itself. */
export interface Moments<Property extends string> {
  /** One for each property and number of moments. */
  readonly keyframes: Readonly<Record<string, Keyframes>>;
  /** @returns the name of the keyframes for so many moments. */
  nameOf(property: Property, count: number): string;
  /** @returns the custom properties that say the values, none for a property that is not written. */
  valuesOf(written: Readonly<Record<Property, string>>): Readonly<Record<string, string>>;
}

/** @param stem what its names begin with, so that two movements of one piece do not meet. */
export function momentsFor<Property extends string>(
  stem: string,
  properties: readonly Property[]
): Moments<Property> {
  const nameOf = (property: Property, count: number): string => `k-${stem}-${property}-${count}`;
  const variable = (property: Property, moment: number): string => `--k-${stem}-${property}-${moment}`;
  const keyframe = (property: Property, moment: number, count: number): Keyframe => ({
    at: shareOf(moment, count),
    declarations: [`${property}: var(${variable(property, moment)});`]
  });
  const keyframes = (property: Property, count: number): Keyframes =>
    Array.from({ length: count }, (_each, moment) => keyframe(property, moment, count));
  return {
    nameOf,
    keyframes: Object.fromEntries(
      properties.flatMap((property) =>
        COUNTS.map((count) => [nameOf(property, count), keyframes(property, count)])
      )
    ),
    valuesOf: (written) =>
      Object.fromEntries(
        properties.flatMap((property) =>
          momentsOf(written[property]).map((value, moment) => [variable(property, moment), value])
        )
      )
  };
}
