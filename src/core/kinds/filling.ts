import type { Declarations } from '../project/types';
import { rule } from './rule';
import type { Rule } from './contract';

/** What a stack says of pieces in it that would change their width with what they show. */
const FILL = '--k-fill';

/**
 * For the root of a piece that is as wide as its place, however the stack it is in aligns: what is drawn together
 * with its content would be as wide as what it shows just now, and jump when it shows something else.
 */
export const FILLS: Declarations = { 'align-self': `var(${FILL}, auto)` };

/**
 * What a stack says to those that fill it. Side by side they are as wide as they are, in a stack inside another too.
 * @param selector of the pieces in it.
 */
export const fillRule = (selector: string, flow: 'column' | 'row'): Rule =>
  rule(selector, { [FILL]: flow === 'column' ? 'stretch' : 'auto' });
