import { printValue } from '../css/tokens';
import { moves, type Track } from '../motion/track';
import type { Keyframes } from './contract';

/** Ways in, each as what it starts from; it ends as the style sheet has it. */
const ENTRANCES: Readonly<Record<string, readonly string[]>> = {
  fade: ['opacity: 0;'],
  rise: ['opacity: 0;', 'translate: 0 16px;'],
  drop: ['opacity: 0;', 'translate: 0 -16px;'],
  slide: ['opacity: 0;', 'translate: 32px 0;'],
  grow: ['opacity: 0;', 'scale: 0.94;'],
  wipe: ['clip-path: inset(0 100% 0 0);']
};

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
  'k-gone': { at: 'to', declarations: ['position: absolute;', 'visibility: hidden;'] },
  ...Object.fromEntries(
    Object.entries(ENTRANCES).map(([name, declarations]) => [`k-${name}`, { at: 'from', declarations }])
  )
};

/** @returns keyframes as a rule of that name. */
export function keyframesText({ at, declarations }: Keyframes, as: string): string {
  const times = at
    .split(', ')
    .map((time) => `  ${time}`)
    .join(',\n');
  return `@keyframes ${as} {\n${times} {\n${declarations.map((each) => `    ${each}`).join('\n')}\n  }\n}`;
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
