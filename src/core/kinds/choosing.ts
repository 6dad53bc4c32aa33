import type { OwnState, Part } from './contract';

/**
 * What is chosen and under the pointer at once. It has a column of its own, since that is where a colour of one
 * state meets a ground of the other.
 */
export const choosing: Readonly<Record<string, OwnState>> = {
  'selected-hover': { label: 'selected, hover', implies: ['hover', 'selected'] }
};

/** The states of a part that can be chosen. @param selector what is true of it while it is. */
export const chosenBy = (selector: string): Part['states'] => ({
  selected: selector,
  'selected-hover': `${selector}:where(:hover)`
});
