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
