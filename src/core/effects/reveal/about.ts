import type { EffectAbout } from '../../kinds/contract';

export const about: EffectAbout = {
  effect: 'reveal',
  label: 'Answers hover',
  sign: 'on hover',
  summary:
    'Shows, hides or uncovers what lies under it while the pointer or the focus is in the box around it',
  words: [
    'hover',
    'tooltip',
    'show on hover',
    'hide on hover',
    'cover',
    'overlay',
    'caption',
    'reveal',
    'uncover'
  ],
  icon: 'M2 8c3-5 9-5 12 0-3 5-9 5-12 0zM8 6v4M6 8h4'
};
