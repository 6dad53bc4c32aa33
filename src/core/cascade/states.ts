import type { ConditionName, StateName } from '../project/types';

/**
 * States that hold together with one: a pressed thing is under the pointer, so it is hovered too, unless the
 * pointer cannot hover (touch). Everything holds on top of rest.
 */
export function impliedStates(state: StateName, conditions: readonly ConditionName[]): readonly StateName[] {
  const canHover = !conditions.includes('touch');
  if (state === 'rest') return ['rest'];
  if (state === 'hover') return canHover ? ['rest', 'hover'] : ['rest'];
  if (state === 'pressed') return canHover ? ['rest', 'hover', 'pressed'] : ['rest', 'pressed'];
  return ['rest', state];
}
