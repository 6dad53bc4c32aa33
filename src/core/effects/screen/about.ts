import type { EffectAbout } from '../../kinds/contract';

export const about: EffectAbout = {
  effect: 'screen',
  label: 'Fills the screen',
  sign: 'screen',
  summary: 'Is one screen high, and the page comes to rest on it',
  words: ['scroll snap', 'snap', 'full screen', 'full page', 'one page', 'svh', 'dvh'],
  icon: 'M2 3h12v10H2zM6 8h4M8 6v4'
};
