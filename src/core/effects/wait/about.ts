import type { EffectAbout } from '../../kinds/contract';

export const about: EffectAbout = {
  effect: 'wait',
  label: 'Waits',
  sign: 'waits',
  summary: 'Is not there at first, and comes so many seconds after the page, or after it would be in view',
  words: ['timed', 'delay', 'later', 'offer', 'after seconds', 'appear after', 'popup', 'redirect', 'notice'],
  icon: 'M8 2a6 6 0 1 0 0 12A6 6 0 0 0 8 2zM8 5v3l2 2'
};
