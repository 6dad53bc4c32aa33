import type { EffectAbout } from '../../kinds/contract';

export const about: EffectAbout = {
  effect: 'opens',
  label: 'Opens something',
  sign: 'opens',
  summary:
    'Opens a dialog or a side panel when it is pressed, wherever on it: a picture, a card, a whole column',
  words: ['press', 'click', 'popup', 'modal', 'card', 'picture', 'open'],
  icon: 'M3 6V3h10v10h-3M3 8h6v6H3zM8 5h3v3'
};
