import type { EffectAbout } from '../../kinds/contract';
import { OWN } from './own';

/** Each goes there and back, or round; how far is told by `--k-far`. */
export const about: EffectAbout = {
  effect: 'loop',
  label: 'Loops',
  sign: 'loops',
  summary: 'Floats, bounces, pulses, sways, spins or moves as you write it, over and over or a few times',
  words: ['float', 'bounce', 'pulse', 'sway', 'spin', 'keyframes', 'wobble', 'breathe'],
  icon: 'M3 8a5 5 0 0 1 9-3M13 8a5 5 0 0 1-9 3M12 2v3H9M4 14v-3h3',
  keyframes: {
    'k-float': { at: 'to', declarations: ['translate: 0 calc(var(--k-far) * -1px);'] },
    'k-bounce': { at: 'to', declarations: ['translate: 0 calc(var(--k-far) * -1px);'] },
    'k-pulse': { at: 'to', declarations: ['scale: calc(1 + var(--k-far) / 100);'] },
    'k-sway': { at: 'to', declarations: ['rotate: calc(var(--k-far) * 1deg);'] },
    'k-spin': { at: 'to', declarations: ['rotate: 1turn;'] },
    ...OWN.keyframes
  }
};
