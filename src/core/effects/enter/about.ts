import type { EffectAbout } from '../../kinds/contract';

export const about: EffectAbout = {
  effect: 'enter',
  label: 'Enters',
  sign: 'enters',
  summary: 'Fades, slides, grows or turns into its place when it comes into view',
  words: ['entrance', 'appear', 'animate', 'fade in', 'slide in', 'reveal on scroll', 'stagger'],
  icon: 'M3 13h10M8 11V3M5 6l3-3 3 3',
  keyframes: {
    'k-slide-left': { at: 'from', declarations: ['opacity: 0;', 'translate: -32px 0;'] },
    'k-turn': { at: 'from', declarations: ['opacity: 0;', 'rotate: -6deg;'] }
  }
};
