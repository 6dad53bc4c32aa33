import type { Span } from './progress';

/** What a sideways section is made of, px: the held window and the strip that moves in it. */
export interface Strip {
  /** Upper edge of the section, and its height. */
  readonly top: number;
  readonly height: number;
  readonly windowWidth: number;
  readonly windowHeight: number;
  readonly stripWidth: number;
  /** How far from the window's top it is held. */
  readonly inset: number;
  /** How long it rests before and after it moves. */
  readonly before: number;
  readonly after: number;
}

export interface Passage extends Span {
  /** How far the strip goes, px; it ends with its right edge at that of the window. */
  readonly travel: number;
  /** Pixels sideways for one of the scroll. */
  readonly speed: number;
}

/**
 * When a strip moves, and how far: it starts when the held window fills the window, and not before (common practice:
 * N panels go (N − 1) windows; CSS Positioned Layout 3, section 3.4 for how long it is held).
 */
export function passage({
  top,
  height,
  windowWidth,
  windowHeight,
  stripWidth,
  inset,
  before,
  after
}: Strip): Passage {
  const held = Math.max(0, height - windowHeight);
  const start = top - inset + before;
  const length = Math.max(0, held - before - after);
  const travel = Math.max(0, stripWidth - windowWidth);
  return { start, end: start + length, travel, speed: length > 0 ? travel / length : 0 };
}

/** Windows that so many pieces of a width go by: (N · w − 1), never below 0. @param share of the window each takes. */
export const windowsToGo = (count: number, share: number): number => Math.max(0, count * share - 1);
