import { clamp } from '../data/clamp';
import type { Span } from './progress';

/** Where something snaps: its edges at rest, px, and how it is aligned (CSS Scroll Snap 1, section 5.2). */
export interface SnapArea {
  readonly top: number;
  readonly bottom: number;
  readonly align: 'start' | 'center' | 'end';
  /** `scroll-margin-top`, px. */
  readonly margin: number;
}

/** The window it snaps in, px: its height, what its `scroll-padding` keeps free, and how far it can be scrolled. */
export interface SnapPort {
  readonly height: number;
  readonly before: number;
  readonly after: number;
  readonly most: number;
}

/**
 * Positions at which an area rests: one, and for what is higher than the window all that show nothing but it
 * (CSS Scroll Snap 1, sections 4.1.1 and 5.1; held against Chromium).
 */
export function restsOf({ top, bottom, align, margin }: SnapArea, port: SnapPort): Span {
  const room = port.height - port.before - port.after;
  const within = (at: number) => clamp(at, 0, Math.max(0, port.most));
  const start = top - margin - port.before;
  const end = bottom - (port.height - port.after);
  if (bottom - top + margin > room) return { start: within(start), end: within(Math.max(start, end)) };
  const middle = (start + end) / 2;
  const at = within({ start, center: middle, end }[align]);
  return { start: at, end: at };
}

/** Where a page rests that was let go at a position: the nearest place of any area. */
export function nearestRest(rests: readonly Span[], at: number): number {
  const places = rests.map(({ start, end }) => clamp(at, start, end));
  return places.reduce(
    (best, place) => (Math.abs(place - at) < Math.abs(best - at) ? place : best),
    places[0] ?? at
  );
}

/** `proximity` lets go of a place further off than this share of the window (what Chromium does; not specified). */
export const NEAR = 1 / 3;
