import type { EffectAbout } from '../../kinds/contract';

export const about: EffectAbout = {
  effect: 'words',
  label: 'Appears word by word',
  sign: 'words',
  summary: 'Its words come out one after the other as the page is scrolled, and go back',
  words: ['text reveal', 'words', 'letters', 'reading', 'highlight as you scroll'],
  icon: 'M2 4h5M9 4h5M2 8h3M7 8h7M2 12h6',
  keyframes: { 'k-words': { at: 'from', declarations: ['opacity: var(--k-faint);'] } }
};
