import type { Schedule } from '../../kinds/schedule';
import { moves } from '../../motion/track';
import type { SliderSettings } from './settings';

/** @returns when a slider plays as it is set; null where it does not. */
export function scheduleOf({ plays, rest, move, way }: SliderSettings): Schedule | null {
  const seconds = moves(move) ? move.ms / 1000 : 0;
  return plays ? { slot: 'panels', rest, move: seconds, isBackwards: way === 'back' } : null;
}
