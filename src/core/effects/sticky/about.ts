import type { EffectAbout } from '../../kinds/contract';

export const about: EffectAbout = {
  effect: 'sticky',
  label: 'Sticks',
  sign: 'sticky',
  summary: 'Stays in sight at the edge of the window as long as its place lasts',
  words: ['sticky', 'pin', 'fixed', 'stay', 'follow', 'header', 'side column'],
  icon: 'M3 2h10M8 2v8M5 10h6v4H5z',
  keyframes: {
    'k-away': { at: 'from', declarations: ['translate: none;'] },
    'k-back': { at: 'from', declarations: ['translate: 0 -110%;'] }
  }
};
