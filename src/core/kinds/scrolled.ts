import { isSafe, type PlatformFeature } from '../support/features';
import type { Declarations, SupportTarget } from '../project/types';
import type { Rule } from './contract';
import { rule } from './rule';

const TIMELINES: PlatformFeature = 'scroll-driven-animations';

/** How a movement is tied to the scroll. */
export interface Tie {
  /** Names of keyframes, with nothing else of an animation. */
  readonly names: readonly string[];
  readonly easing: string;
  /** The timeline it follows, as CSS names it: `view(0px)`, `scroll(root)`, `--k-section`. */
  readonly timeline: string;
  /** Start and end of its range, as `animation-range` takes them. */
  readonly range: string;
}

/**
 * Each in a declaration of its own: under a condition only what differs is printed, and the shorthand would set all the
 * others back.
 */
const animated = ({ names, easing }: Tie, duration: string): Declarations => ({
  'animation-name': names.join(', ') || 'none',
  'animation-duration': duration,
  'animation-timing-function': easing,
  'animation-fill-mode': 'both'
});

/** Declarations of a movement that follows a timeline of the browser's own. */
export const native = (tie: Tie): Declarations => ({
  ...animated(tie, 'auto'),
  'animation-timeline': tie.timeline,
  'animation-range': tie.range
});

/** One second of an animation that stands still stands for the whole way; its delay says how much of it has gone. */
const scripted = (tie: Tie): Declarations => ({
  ...animated(tie, '1s'),
  'animation-play-state': 'paused',
  'animation-delay': 'calc(var(--k-p, 0) * -1s)'
});

/**
 * Rules of a movement that follows the scroll, forwards and backwards: by the browser's own timeline, and where it
 * has none by `--k-p`, which the behaviour `scrolls` sets to how far along it is, 0 to 1.
 */
export const tied = (selector: string, tie: Tie): readonly Rule[] => [
  rule(selector, native(tie), 'timeline'),
  rule(selector, scripted(tie), 'no-timeline', 'script')
];

/** @returns the behaviour that stands in for timelines; none where every browser of the target has them. */
export const standIn = (support: SupportTarget): readonly string[] =>
  isSafe(TIMELINES, support) ? [] : ['scrolls'];
