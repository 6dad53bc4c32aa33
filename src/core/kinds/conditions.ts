import { CONDITIONS, type Bands, type Circumstance, type ConditionName } from '../project/types';

/** What a condition is to all that asks for it: people, printers and the preview. */
interface ConditionInfo {
  /** At the head of a column. */
  readonly label: string;
  /** In the middle of a sentence. */
  readonly words: string;
  /**
   * Feature of `@media`, its value while the condition holds and while it does not (Media Queries 5, sections 6
   * and 12); null for widths, which stand for the numbers of a project, and for what is a medium of its own.
   */
  readonly feature: readonly [name: string, value: string, otherwise: string] | null;
  /** Whether the preview tries it by a switch; a width is tried by having it. */
  readonly isSwitched: boolean;
}

const WIDTH = { feature: null, isSwitched: false };

export const CONDITION_TABLE: Readonly<Record<ConditionName, ConditionInfo>> = {
  always: { label: 'wide', words: 'all widths', ...WIDTH },
  medium: { label: 'medium', words: 'the medium band', ...WIDTH },
  narrow: { label: 'narrow', words: 'the narrow band', ...WIDTH },
  touch: { label: 'touch', words: 'touch', feature: ['hover', 'none', 'hover'], isSwitched: true },
  'less-motion': {
    label: 'less motion',
    words: 'less motion',
    feature: ['prefers-reduced-motion', 'reduce', 'no-preference'],
    isSwitched: true
  },
  'no-script': {
    label: 'no script',
    words: 'no script',
    feature: ['scripting', 'none', 'enabled'],
    isSwitched: true
  },
  print: { label: 'print', words: 'print', feature: null, isSwitched: true }
};

export type Switched = Exclude<Circumstance, 'medium' | 'narrow'>;

/** Conditions the preview tries by a switch, in cascade order. */
export const SWITCHED = CONDITIONS.filter((name): name is Switched => CONDITION_TABLE[name].isSwitched);

/** A condition in the middle of a sentence. */
export const conditionWords = (name: ConditionName): string => CONDITION_TABLE[name].words;

/** @returns the narrowest band a window of so many px is in. */
export function bandAt({ medium, narrow }: Bands, width: number): 'always' | 'medium' | 'narrow' {
  if (width <= narrow) return 'narrow';
  return width <= medium ? 'medium' : 'always';
}

/**
 * @returns the width nearest to a window's, px, at which a condition is looked at: in its own band, and in the wide
 * one where it says nothing of widths.
 */
export function widthUnder(condition: ConditionName, { medium, narrow }: Bands, window: number): number {
  if (condition === 'narrow') return Math.min(window, narrow);
  if (condition === 'medium') return Math.min(Math.max(window, narrow + 1), medium);
  return Math.max(window, medium + 1);
}
