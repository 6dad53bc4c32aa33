import type { Declarations } from '../project/types';
import { rule } from './rule';
import type { Rule } from './contract';

/** What a stack says of pieces in it that would change their width with what they show. */
const FILL = '--k-fill';
const ASKED = `var(${FILL}, auto)`;

/**
 * For the root of a piece that is as wide as its place, however the stack it is in aligns: what is drawn together
 * with its content would be as wide as what it shows just now, and jump when it shows something else.
 */
export const FILLS: Declarations = { 'align-self': ASKED };

interface Laid {
  readonly flow: 'column' | 'row';
  readonly align: string;
}

/**
 * What a stack says to those that fill it. Side by side they are as wide as they are, in a stack inside another too.
 * @param selector of the stack.
 * @param variants how it lies, and how under each condition where that differs.
 * @returns none where it stretches all that is in it anyway.
 */
export function fillRules(selector: string, { flow }: Laid, variants: readonly Laid[]): readonly Rule[] {
  const isPlain = variants.every((each) => each.flow === 'column' && each.align === 'stretch');
  return isPlain ? [] : [rule(selector, { [FILL]: flow === 'column' ? 'stretch' : 'auto' })];
}

/** Whether a rule changes how those that fill their place are laid out. */
export const asksToFill = ({ declarations }: Rule): boolean => declarations[FILL] === 'stretch';

/** Whether a declaration is about that, and says nothing on a page where no rule asks for it. */
export const isOfFilling = (property: string, value: string): boolean => property === FILL || value === ASKED;
