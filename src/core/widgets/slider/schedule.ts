import type { Schedule } from '../../kinds/schedule';
import { moves } from '../../motion/track';
import type { SliderSettings } from './settings';

/** @returns when a slider plays as it is set; null where it does not. */
export function scheduleOf(own: SliderSettings): Schedule | null {
  if (!own.plays) return null;
  const isFading = own.form === 'fade';
  return {
    slot: 'panels',
    rest: own.rest,
    move: moves(own.move) ? own.move.ms / 1000 : 0,
    isBackwards: own.way === 'back',
    visible: isFading ? 1 : Math.max(1, Math.floor(own.visible)),
    step: own.step,
    isRound: isFading || own.ends === 'loop'
  };
}
