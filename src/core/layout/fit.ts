import type { Fit } from '../kinds/finding';
import { sum } from '../data/sum';

/** Room a row of labels needs on one line, px: their widths, the gaps between them, and what surrounds them. */
export function rowWidth(widths: readonly number[], gap: number, around = 0): number {
  return sum(widths) + Math.max(0, widths.length - 1) * gap + around;
}

/**
 * Least width of the window at which a row fits, px, as far as one measurement tells: right where the place
 * grows by as much as the window does. Above it the row fits.
 */
export function fitFrom({ needed, available, viewport, from }: Fit): number {
  return from ?? viewport + (needed - available);
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

/** No window is narrower than this, px (common practice, no source): what wraps only under it never does. */
export const NARROWEST = 280;
