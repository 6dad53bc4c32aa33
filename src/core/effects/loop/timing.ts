import { printValue } from '../../css/tokens';
import { moves } from '../../motion/track';
import type { LoopSettings } from './settings';

/** What spins goes round; everything else there and back, which is once. */
export function loopOf({ track, count }: LoopSettings, offset = 0): string {
  if (!moves(track)) return 'none';
  const isRound = track.form === 'spin';
  const times = count === 0 ? 'infinite' : String(isRound ? count : count * 2);
  const delay = track.delay + offset;
  const words = [`k-${track.form}`, `${track.ms}ms`, printValue(track.easing)];
  if (delay > 0) words.push(`${delay}ms`);
  return [...words, times, isRound ? 'normal' : 'alternate'].join(' ');
}

/** How long it goes on, s; null for without end. */
export function lengthOf({ track, count }: LoopSettings): number | null {
  const once = track.form === 'spin' ? track.ms : track.ms * 2;
  return count === 0 ? null : (track.delay + once * count) / 1000;
}
