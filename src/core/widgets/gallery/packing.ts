/** Where the items of a gallery lie, in the unit their heights are given in. */
export interface Packing {
  /** Index of the column of each item. */
  readonly columns: readonly number[];
  /** Where each begins, from the top. */
  readonly tops: readonly number[];
  /** Where each column ends. */
  readonly ends: readonly number[];
}

/**
 * Each item goes into the column that is shortest by then, the first of several (the rule that packed galleries
 * have in common; held against masonry-layout). @param heights of the items, each with the gap below it.
 */
export function packed(heights: readonly number[], count: number): Packing {
  const ends = Array.from({ length: count }, () => 0);
  const columns: number[] = [];
  const tops: number[] = [];
  for (const height of heights) {
    const column = ends.indexOf(Math.min(...ends));
    columns.push(column);
    tops.push(ends[column]!);
    ends[column]! += height;
  }
  return { columns, tops, ends };
}

/**
 * Share of a picture's width that the gap below it takes where it is decided into which column the next one goes.
 * The gap in px hangs on the width; where columns are much of a length, either is right.
 */
const GAP_SHARE = 0.06;

/** The column of each picture, whatever the width is. @param ratios height by width of each. */
export const packedColumns = (ratios: readonly number[], count: number): readonly number[] =>
  packed(
    ratios.map((ratio) => ratio + GAP_SHARE),
    count
  ).columns;

/** Items one below the other in columns that are decided. @param heights of the items, each with the gap below it. */
export function stackedIn(columns: readonly number[], heights: readonly number[], count: number): Packing {
  const ends = Array.from({ length: count }, () => 0);
  const tops = columns.map((column, i) => {
    const top = ends[column]!;
    ends[column] = top + heights[i]!;
    return top;
  });
  return { columns, tops, ends };
}

/** Fills columns one after the other, each up to a height. */
function filled(heights: readonly number[], most: number): Packing {
  const ends: number[] = [0];
  const columns: number[] = [];
  const tops: number[] = [];
  for (const height of heights) {
    const isFull = ends.at(-1)! > 0 && ends.at(-1)! + height > most;
    if (isFull) ends.push(0);
    columns.push(ends.length - 1);
    tops.push(ends.at(-1)!);
    ends[ends.length - 1]! += height;
  }
  return { columns, tops, ends };
}

/** Heights that a column may have: those of runs of items, none less than the highest item. */
function heightsOfColumns(heights: readonly number[]): number[] {
  const sums = heights.flatMap((_height, from) => {
    let sum = 0;
    return heights.slice(from).map((height) => (sum += height));
  });
  const least = Math.max(...heights);
  return [...new Set(sums)].filter((sum) => sum >= least).toSorted((a, b) => a - b);
}

/**
 * Items one after the other down columns that are as short as can be, none split (CSS Multi-column Layout 1,
 * section 7.1, balanced). @param heights of the items, each with the gap below it.
 */
export function balanced(heights: readonly number[], count: number): Packing {
  const found = heightsOfColumns(heights).find((most) => filled(heights, most).ends.length <= count) ?? 0;
  const { columns, tops, ends } = filled(heights, found);
  return { columns, tops, ends: Array.from({ length: count }, (_end, i) => ends[i] ?? 0) };
}

/** Rows side by side, each as high as its highest item. @param heights of the items, each with the gap below it. */
export function inRows(heights: readonly number[], count: number): Packing {
  const ends = Array.from({ length: count }, () => 0);
  const columns = heights.map((_height, i) => i % count);
  const tops: number[] = [];
  let top = 0;
  for (let from = 0; from < heights.length; from += count) {
    const row = heights.slice(from, from + count);
    row.forEach((height, i) => {
      tops.push(top);
      ends[i] = top + height;
    });
    top += Math.max(...row);
  }
  return { columns, tops, ends };
}

/** How far apart the ends of the longest and of the shortest column are. */
export const leftover = ({ ends }: Packing): number => Math.max(...ends) - Math.min(...ends);
