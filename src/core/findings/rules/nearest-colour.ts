import { maybeColour } from '../../colour/contrast';

const STEPS = 24;

/**
 * @param text a colour as CSS has it.
 * @param holds whether a colour will do.
 * @returns the colour nearest to it, on the way to black or to white, that will do, as `#rrggbb`; null where
 * none does or it is no colour.
 */
export function nearestColour(text: string, holds: (value: string) => boolean): string | null {
  const own = maybeColour(text);
  if (!own) return null;
  for (let step = 1; step <= STEPS; step += 1) {
    for (const end of [0, 1]) {
      const mix = (channel: number) =>
        Math.round((channel + (end - channel) * (step / STEPS)) * 255)
          .toString(16)
          .padStart(2, '0');
      const value = `#${mix(own.r)}${mix(own.g)}${mix(own.b)}`;
      if (holds(value)) return value;
    }
  }
  return null;
}

/** @returns the colour in a value of several words, such as a ring's; null where there is none. */
export function colourIn(value: string): string | null {
  const words = value.match(/[a-z-]+\([^)]*\)|[^\s]+/gi) ?? [];
  return words.find((word) => maybeColour(word) !== null) ?? null;
}
