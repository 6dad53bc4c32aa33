import type { Kind } from '../kinds/contract';
import type { StateName } from '../project/types';

/** Whether a state says that something is chosen, open or out of use, which has to be heard at what is used. */
export const isChoice = ({ states }: Pick<Kind, 'states'>, state: StateName): boolean =>
  state === 'selected' || state === 'disabled' || states?.[state]?.like === 'selected';

/** States and properties of ARIA that roles of what is pressed can have (WAI-ARIA 1.2, 5.4). */
export const OF_ROLE: Readonly<Record<string, readonly string[]>> = {
  button: ['aria-disabled', 'aria-expanded', 'aria-pressed'],
  link: ['aria-disabled', 'aria-expanded'],
  tab: ['aria-disabled', 'aria-expanded', 'aria-selected'],
  checkbox: ['aria-checked', 'aria-disabled', 'aria-expanded'],
  radio: ['aria-checked', 'aria-disabled'],
  switch: ['aria-checked', 'aria-disabled', 'aria-expanded'],
  option: ['aria-checked', 'aria-disabled', 'aria-selected']
};

/** Every role can be the current one of its kind (WAI-ARIA 1.2, 6.6.2). */
const OF_ANY = 'aria-current';

/** What elements have themselves, and browsers tell (HTML standard, 4.11.1 and 6.6). */
const NATIVE = /\[(?:open|disabled|checked|selected)\b|:(?:disabled|checked|open|popover-open)\b/;

/** @returns whether assistive technology is told of a state with this selector, at an element of this role. */
export function isHeardAt(role: string, selector: string): boolean {
  const attributes = [...selector.matchAll(/\[(aria-[a-z]+)/g)].map(([, name]) => name!);
  const known = OF_ROLE[role] ?? [];
  return NATIVE.test(selector) || attributes.some((name) => name === OF_ANY || known.includes(name));
}
