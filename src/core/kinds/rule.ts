import type { Declarations } from '../project/types';
import type { ElementData } from 'hast';
import type { Condition, Rule } from './contract';

/** @returns a rule of a kind's build; all of `when` must hold for it, none means always. */
export function rule(selector: string, declarations: Declarations, ...when: Condition[]): Rule {
  return { selector, when, declarations };
}

/**
 * @returns notes on an element for the printers; hast's own type asks for a source position, which built
 * elements have not.
 */
export function notes(data: Omit<ElementData, 'position'>): ElementData {
  return data as ElementData;
}

/** Rules that set what stands in rich text apart by a gap, in place of the browser's own margins. */
export const gapRules = (selector: string, gap: string): readonly Rule[] => [
  rule(`${selector} > *`, { 'margin-block': '0' }),
  rule(`${selector} > * + *`, { 'margin-top': gap })
];

/** @returns all declarations as one list; of a property that is there twice the later counts. */
export const merged = (all: readonly Declarations[]): Declarations =>
  Object.fromEntries(all.flatMap((each) => Object.entries(each)));

/**
 * For what is told by its fill alone: where the colours of pages give way to those a person has chosen, it would be
 * gone (CSS Color Adjustment 1, section 3.1).
 */
export const KEEPS_FILL: Declarations = { 'forced-color-adjust': 'none' };

const FROM_RIGHT = ':where([dir="rtl"])';

/** @returns the selector where the page is written from right to left; a page that is not has no rule of it. */
export const fromRight = (selector: string): string => `${FROM_RIGHT} ${selector}`;

/** @returns whether a selector holds only where the page is written from right to left. */
export const asksFromRight = (selector: string): boolean => selector.startsWith(FROM_RIGHT);

/**
 * As large as what is in it, however its place is laid out: it is not stretched, since only `auto` is (CSS Box
 * Alignment 3, 6.1), and stands where the stack or column around it puts it.
 */
export const AS_ITS_WORDS: Declarations = { width: 'fit-content', height: 'fit-content' };
