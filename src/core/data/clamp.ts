/** @returns the value, or the bound it lies beyond; `least` is not above `most`. */
export const clamp = (value: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, value));
