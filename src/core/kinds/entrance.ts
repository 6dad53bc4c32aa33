import { printValue } from '../css/tokens';
import { moves, type Track } from '../motion/track';
import type { Declarations } from '../project/types';
import type { Keyframe, Keyframes } from './contract';

/** Ways in, each as what it starts from; it ends as the style sheet has it. A way out goes there. */
const ENTRANCES: Readonly<Record<string, Declarations>> = {
  fade: { opacity: '0' },
  rise: { opacity: '0', translate: '0 16px' },
  drop: { opacity: '0', translate: '0 -16px' },
  slide: { opacity: '0', translate: '32px 0' },
  grow: { opacity: '0', scale: '0.94' },
  wipe: { 'clip-path': 'inset(0 100% 0 0)' },
  'from-left': { translate: '-100% 0' },
  'from-right': { translate: '100% 0' },
  'from-top': { translate: '0 -100%' },
  'from-bottom': { translate: '0 100%' }
};

export type Edge = 'left' | 'right' | 'top' | 'bottom';

/** @returns a movement from or to “its edge” as the one from or to that edge; any other as it is. */
export const atEdge = (track: Track, edge: Edge): Track =>
  track.form === 'edge' ? { ...track, form: `from-${edge}` } : track;

const written = (declarations: Declarations): readonly string[] =>
  Object.entries(declarations).map(([property, value]) => `${property}: ${value};`);

/**
 * Keyframes the kinds' rules may name. What only a script can bring out waits for it by one of the first
 * four, and if it never comes the page is as it is without: `k-wait` keeps out of sight what is there without
 * script, `k-stack` and `k-wait-stacked` keep panels in one place, `k-gone` takes away what does nothing
 * without script.
 */
export const BASE_KEYFRAMES: Readonly<Record<string, Keyframes>> = {
  'k-wait': { at: 'from, to', declarations: ['position: absolute;', 'visibility: hidden;'] },
  'k-stack': { at: 'from, to', declarations: ['grid-area: 1 / 1;'] },
  'k-wait-stacked': { at: 'from, to', declarations: ['grid-area: 1 / 1;', 'visibility: hidden;'] },
  'k-round': { at: 'from', declarations: ['scale: 0 1;'] },
  'k-gone': { at: 'to', declarations: ['position: absolute;', 'visibility: hidden;'] },
  ...Object.fromEntries(
    Object.entries(ENTRANCES).map(([name, from]) => [
      `k-${name}`,
      { at: 'from', declarations: written(from) }
    ])
  )
};

/** @returns keyframes as a rule of that name. */
export const keyframesText = (keyframes: Keyframes, as: string): string =>
  `@keyframes ${as} {\n${[keyframes].flat().map(keyframeText).join('\n\n')}\n}`;

function keyframeText({ at, declarations }: Keyframe): string {
  const times = at
    .split(', ')
    .map((time) => `  ${time}`)
    .join(',\n');
  return `${times} {\n${declarations.map((each) => `    ${each}`).join('\n')}\n  }`;
}

/**
 * @returns the value of `animation` for an entrance; `none` where it does not move. Throws for a form that is
 * no entrance.
 */
export function entranceAnimation(track: Track): string {
  if (moves(track) && !Object.hasOwn(ENTRANCES, track.form))
    throw new Error(`entranceAnimation: no entrance ${JSON.stringify(track.form)}`);
  return animationOf(track);
}

/**
 * @returns the value of `animation` for a movement whose keyframes are called as its form is (`k-rise`); `none`
 * where it does not move. Until it starts it is as it begins.
 */
export function animationOf(track: Track): string {
  if (!moves(track)) return 'none';
  const words = [`k-${track.form}`, `${track.ms}ms`, printValue(track.easing)];
  if (track.delay > 0) words.push(`${track.delay}ms`);
  return [...words, 'backwards'].join(' ');
}

const SHOWN: Declarations = { opacity: '1', translate: 'none', scale: 'none' };
const MOVED = Object.keys(SHOWN);

/**
 * @returns declarations for what is closed and goes out of sight by a movement: it stays in the top layer and is
 * drawn until that is over (CSS Transitions 2, 4.1, `allow-discrete`; CSS Positioned Layout 4, 3.3, `overlay`). A
 * browser that knows neither lets it go at once. The same properties whatever the movement is.
 */
export function wayOut(track: Track): Declarations {
  const discrete = { 'transition-behavior': 'allow-discrete' };
  if (!moves(track)) return { ...SHOWN, transition: 'none', ...discrete };
  const delay = track.delay > 0 ? ` ${track.delay}ms` : '';
  const timing = `${track.ms}ms ${printValue(track.easing)}${delay}`;
  const parts = [...MOVED.map((each) => `${each} ${timing}`), ...staysFor(track.ms + track.delay)];
  return { ...SHOWN, ...ENTRANCES[track.form], transition: parts.join(', '), ...discrete };
}

const staysFor = (ms: number): readonly string[] => ['display', 'overlay'].map((each) => `${each} ${ms}ms`);
