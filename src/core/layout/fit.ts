import type { Fit } from '../kinds/finding';
import { sum } from '../data/sum';

/** Room a row of labels needs on one line, px: their widths, the gaps between them, and what surrounds them. */
export function rowWidth(widths: readonly number[], gap: number, around = 0): number {
  return sum(widths) + Math.max(0, widths.length - 1) * gap + around;
}

/** No window is narrower than this, px (common practice, no source): what wraps only under it never does. */
export const NARROWEST = 280;
/** No wider window is looked at, px (common practice, no source): what fits only above it never does. */
export const WIDEST = 1920;

/**
 * Least width of the window at which a row fits, whole px: as it was found, else as far as one measurement
 * tells, which is right where the place grows by as much as the window does. Above it the row fits; null where
 * it fits in no window.
 */
export function fitFrom({ needed, available, viewport, from }: Fit): number | null {
  if (from !== undefined) return from && Math.ceil(from);
  const guess = Math.ceil(viewport + needed - available);
  return guess > WIDEST ? null : guess;
}

/** Browsers lay out in 64ths of a px: a row that is short by one of them wraps. */
const SHORT_BY = 1 / 64;

/** Whether a row has the room it needs, both px. */
export const fitsOnLine = ({ needed, available }: Pick<Fit, 'needed' | 'available'>): boolean =>
  needed - available < SHORT_BY;

/** How far the tallest panel is above the others, px: what stands below jumps by as much as is chosen. */
export function heightJump(heights: readonly number[]): number {
  return heights.length === 0 ? 0 : Math.max(...heights) - Math.min(...heights);
}
