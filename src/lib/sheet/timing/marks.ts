/** A mark of a ruler. */
export interface Mark {
  readonly at: number;
  /** Whether its words stand on the ruler as a whole. */
  readonly hasRoom: boolean;
}

export interface Marks {
  /** How far apart they stand, in the unit of the ruler. */
  readonly each: number;
  readonly all: readonly Mark[];
}

/**
 * Marks of a ruler, as close as their words let them stand.
 * @param length of the ruler, in its unit.
 * @param width of the ruler, px.
 * @param steps how far apart marks may stand, in the unit of the ruler, the closest first.
 * @param words width of the words at a mark, px; they stand after it.
 */
export function marksOf(length: number, width: number, steps: readonly number[], words: number): Marks {
  const widthOf = (part: number) => (part / length) * width;
  const each = steps.find((step) => widthOf(step) >= words) ?? steps.at(-1)!;
  const count = Math.floor(length / each) + 1;
  const all = Array.from({ length: count }, (_, i) => ({
    at: i * each,
    hasRoom: widthOf(length - i * each) >= words
  }));
  return { each, all };
}
