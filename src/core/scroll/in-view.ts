import type { Box } from '../facts/box';

/** @returns where a piece comes into view by a share of its height, 0 to 1, px of the scroll; never above the page. */
export function inViewAt({ top, bottom, height }: Box, share: number): number {
  return Math.max(0, top - height + share * Math.min(bottom - top, height));
}
