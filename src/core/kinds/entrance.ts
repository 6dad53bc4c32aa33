import { printValue } from '../css/tokens';
import { moves, type Track } from '../motion/track';

/** Ways in, each as what it starts from; it ends as the style sheet has it. */
const ENTRANCES: Readonly<Record<string, string>> = {
  fade: 'opacity: 0;',
  rise: 'opacity: 0; translate: 0 16px;',
  drop: 'opacity: 0; translate: 0 -16px;',
  slide: 'opacity: 0; translate: 32px 0;',
  grow: 'opacity: 0; scale: 0.94;',
  wipe: 'clip-path: inset(0 100% 0 0);'
};

/**
 * Keyframes the kinds' rules may name. What only a script can bring out waits for it by one of the first four, and if it never comes
 * the page is as it is without: `k-wait` keeps out of sight what is there without script, `k-stack` and `k-wait-stacked` keep panels in
 * one place, `k-gone` takes away what does nothing without script.
 */
export const KEYFRAMES: Readonly<Record<string, string>> = {
  'k-wait': '@keyframes k-wait { from, to { visibility: hidden; position: absolute; } }\n',
  'k-stack': '@keyframes k-stack { from, to { grid-area: 1 / 1; } }\n',
  'k-wait-stacked': '@keyframes k-wait-stacked { from, to { visibility: hidden; grid-area: 1 / 1; } }\n',
  'k-gone': '@keyframes k-gone { to { visibility: hidden; position: absolute; } }\n',
  ...Object.fromEntries(Object.entries(ENTRANCES).map(([name, from]) => [`k-${name}`, `@keyframes k-${name} { from { ${from} } }\n`]))
};

/** @returns the value of `animation` for an entrance; `none` where it does not move. Throws for a form that is no entrance. */
export function entranceAnimation(track: Track): string {
  if (!moves(track)) return 'none';
  if (!Object.hasOwn(ENTRANCES, track.form)) throw new Error(`entranceAnimation: no entrance ${JSON.stringify(track.form)}`);
  return `k-${track.form} ${track.ms}ms ${printValue(track.easing)} ${track.delay}ms backwards`;
}
