import type { EffectAbout } from '../../kinds/contract';

/** How far off its place it is where it begins to drift and where it is done is told by two properties. */
export const about: EffectAbout = {
  effect: 'drift',
  label: 'Drifts',
  sign: 'drifts',
  summary: 'Goes slower or faster than the page; a picture behind a section is made just large enough for it',
  words: ['parallax', 'depth', 'layers', 'background lags', 'slower than the page'],
  icon: 'M2 12c2-4 4-4 6 0s4 4 6 0M2 6c2-4 4-4 6 0s4 4 6 0',
  keyframes: {
    'k-drift': [
      { at: 'from', declarations: ['translate: 0 var(--k-drift-from);'] },
      { at: 'to', declarations: ['translate: 0 var(--k-drift-to);'] }
    ]
  }
};
