import type { EffectAbout } from '../../kinds/contract';
import { TIED } from './tied';

export const about: EffectAbout = {
  effect: 'follow',
  label: 'Follows the scroll',
  sign: 'follows',
  summary:
    'Moves, turns, grows, fades or changes colour by as much as the page is scrolled, forwards and back',
  words: ['scroll-linked', 'scroll animation', 'scrub', 'on scroll', 'timeline', 'zoom on scroll'],
  icon: 'M3 13 13 3M3 8v5h5M8 3h5v5',
  keyframes: TIED.keyframes
};
