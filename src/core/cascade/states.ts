import type { Kind, Part } from '../kinds/contract';
import { STATES, type ConditionName, type StateName } from '../project/types';
import { remembered } from '../data/remembered';

const COMMON = STATES.filter((state) => state !== 'disabled');
const known = new WeakMap<object, readonly StateName[]>();

/** @returns all states of a kind in cascade order, `rest` first: its own stand before `disabled`. */
export const statesOf = ({ states }: Pick<Kind, 'states'>): readonly StateName[] =>
  states ? remembered(known, states, () => [...COMMON, ...Object.keys(states), 'disabled']) : STATES;

/**
 * States that hold together with one, itself last: a pressed thing is under the pointer, so it is hovered too,
 * unless the pointer cannot hover (touch). Everything holds on top of rest.
 */
export function impliedStates(
  kind: Pick<Kind, 'states'>,
  state: StateName,
  conditions: readonly ConditionName[]
): readonly StateName[] {
  const along = state === 'pressed' ? ['hover'] : (kind.states?.[state]?.implies ?? []);
  const canHover = !conditions.includes('touch');
  const all = new Set<StateName>(['rest', ...along, state]);
  return [...all].filter((each) => canHover || !isPointed(kind, each));
}

/** Whether only what the pointer is over can be in it; a press is felt on touch too. */
export const isPointed = ({ states }: Pick<Kind, 'states'>, state: StateName): boolean =>
  state === 'hover' || (states?.[state]?.implies?.includes('hover') ?? false);

/** Brought by a hand for a moment, or never in use: they say nothing of what a part is when it gets the focus. */
const PASSING: readonly string[] = ['focus', 'hover', 'pressed', 'disabled'];

/**
 * States a part may be in when it gets the focus, beside rest: selected, open. The tab that Tab goes to is always the
 * selected one. Empty for a part that takes no focus.
 */
export function statesUnderFocus(kind: Pick<Kind, 'states'>, { states }: Part): readonly StateName[] {
  if (!states.focus) return [];
  return Object.keys(states).filter((state) => !PASSING.includes(state) && !isPointed(kind, state));
}
