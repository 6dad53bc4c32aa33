import type { EffectRange } from '$core/kinds/contract';

/** How a sort of motion is drawn in the Scroll view and on the map: a colour and a shape, neither of them alone. */
export interface Sign {
  readonly tone: string;
  readonly shape: 'bar' | 'wave' | 'hatch' | 'dot' | 'outline';
  /** What the shape stands for, in a legend. */
  readonly words: string;
}

/** One for each sort of motion; an effect says which sort it is. */
export const SIGNS: Readonly<Record<EffectRange['sort'], Sign>> = {
  sticks: { tone: 'var(--verdigris)', shape: 'bar', words: 'sticks' },
  drifts: { tone: 'var(--ochre)', shape: 'wave', words: 'drifts' },
  follows: { tone: 'var(--ochre)', shape: 'outline', words: 'follows' },
  sideways: { tone: 'var(--blue)', shape: 'hatch', words: 'goes sideways' },
  comes: { tone: 'var(--blue)', shape: 'dot', words: 'enters or rests' }
};
