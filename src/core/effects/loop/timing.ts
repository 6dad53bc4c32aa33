import { printValue } from '../../css/tokens';
import { compact } from '../../data/compact';
import { moves } from '../../motion/track';
import type { Declarations } from '../../project/types';
import { momentsOf } from '../../kinds/moments';
import { OWN, OWN_PROPERTIES } from './own';
import type { LoopSettings } from './settings';

/** What ends as it began, so that it begins anew at once; everything else goes back the way it came. */
const isRound = ({ track }: LoopSettings): boolean => track.form === 'spin' || track.form === 'own';

/** Names of its keyframes: of what is written, one for each property that moves. */
function namesOf(own: LoopSettings): readonly string[] {
  if (own.track.form !== 'own') return [`k-${own.track.form}`];
  return OWN_PROPERTIES.filter((property) => momentsOf(own[property]).length > 0).map((property) =>
    OWN.nameOf(property, own[property])
  );
}

/** What spins goes round, and what is written as it is; everything else there and back, which is once. */
export function loopOf(own: LoopSettings, offset = 0): string {
  const { track, count } = own;
  const names = moves(track) ? namesOf(own) : [];
  const times = count === 0 ? 'infinite' : String(isRound(own) ? count : count * 2);
  const delay = track.delay + offset;
  const words = compact([`${track.ms}ms`, printValue(track.easing), delay > 0 ? `${delay}ms` : null]);
  const rest = [...words, times, isRound(own) ? 'normal' : 'alternate'].join(' ');
  return names.map((name) => `${name} ${rest}`).join(', ') || 'none';
}

/** What a piece says of a movement that is written: its values at each moment. */
export function ownValues(own: LoopSettings): Declarations {
  return own.track.form === 'own' ? OWN.valuesOf(own) : {};
}

/** How long it goes on, s; null for without end. */
export function lengthOf(own: LoopSettings): number | null {
  const { track, count } = own;
  const once = isRound(own) ? track.ms : track.ms * 2;
  return count === 0 ? null : (track.delay + once * count) / 1000;
}
