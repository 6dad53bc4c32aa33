import type { ConditionName } from '../project/types';

/** Conditions as people read them, in the middle of a sentence. */
export const CONDITION_WORDS: Readonly<Record<ConditionName, string>> = {
  always: 'all widths',
  medium: 'the medium band',
  narrow: 'the narrow band',
  touch: 'touch',
  'less-motion': 'less motion',
  'no-script': 'no script',
  print: 'print'
};
