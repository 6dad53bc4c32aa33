import type { EffectAbout } from '../../kinds/contract';

export const about: EffectAbout = {
  effect: 'sideways',
  label: 'Goes sideways',
  sign: 'sideways',
  summary: 'Holds a section in the window while its pieces go by from side to side as the page is scrolled',
  words: ['horizontal scroll', 'sideways scroll', 'pinned', 'panels', 'strip'],
  icon: 'M2 8h12M10 4l4 4-4 4M2 3v10',
  keyframes: {
    'k-sideways': { at: 'to', declarations: ['translate: calc((100cqw - 100%) * var(--k-way, 1)) 0;'] }
  }
};
