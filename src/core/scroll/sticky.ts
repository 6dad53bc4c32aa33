import type { Box } from '../facts/box';
import { clamp } from '../data/clamp';

/** A stretch of the scroll, px from its beginning; `travel` is how far something is carried along meanwhile. */
export interface Stretch {
  readonly start: number;
  readonly end: number;
  readonly travel: number;
}

/** How far below its place a piece can be carried before its place ends, px. Below 0 where it is taller. */
export const roomBelow = ({ withinBottom, bottom, marginBottom }: Box): number =>
  withinBottom - bottom - marginBottom;

/** How far above its place a piece can be carried, px. */
const roomAbove = ({ withinTop, top, marginTop }: Box): number => top - marginTop - withinTop;

function stuckToTop(box: Box, inset: number): Stretch {
  const start = box.top - inset - box.padTop;
  const travel = Math.max(0, roomBelow(box));
  return { start, end: start + travel, travel };
}

function stuckToBottom(box: Box, inset: number): Stretch {
  const end = box.bottom + inset + box.padBottom - box.height;
  const travel = Math.max(0, roomAbove(box));
  return { start: end - travel, end, travel };
}

/**
 * Over which stretch of the scroll a piece is stuck. Where both insets are set the upper one is what counts
 * (CSS Positioned Layout 3, section 3.4; held against Chromium).
 * @returns null where it sticks to no edge.
 */
export function maybeStuck(box: Box): Stretch | null {
  if (box.insetTop !== null) return stuckToTop(box, box.insetTop);
  return box.insetBottom === null ? null : stuckToBottom(box, box.insetBottom);
}

/**
 * How far a piece is carried from its place at a scroll position, px; below 0 upwards.
 * @param at px from the beginning of what scrolls.
 */
export function shiftAt(box: Box, at: number): number {
  const stuck = maybeStuck(box);
  if (!stuck) return 0;
  if (box.insetTop !== null) return clamp(at - stuck.start, 0, stuck.travel);
  return -clamp(stuck.end - at, 0, stuck.travel);
}
