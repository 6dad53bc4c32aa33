/** How each kind of motion is drawn, in the Scroll view and on the map: a colour and a shape, so that neither stands alone. */
export interface Sign {
  readonly tone: string;
  readonly shape: 'bar' | 'wave' | 'hatch' | 'dot' | 'outline';
  /** What the shape stands for, in a legend. */
  readonly words: string;
}

const SIGNS: Readonly<Record<string, Sign>> = {
  sticky: { tone: 'var(--verdigris)', shape: 'bar', words: 'sticks' },
  pinned: { tone: 'var(--verdigris)', shape: 'bar', words: 'sticks' },
  drift: { tone: 'var(--ochre)', shape: 'wave', words: 'drifts' },
  follow: { tone: 'var(--ochre)', shape: 'outline', words: 'follows' },
  words: { tone: 'var(--ochre)', shape: 'outline', words: 'follows' },
  progress: { tone: 'var(--ochre)', shape: 'outline', words: 'follows' },
  sideways: { tone: 'var(--blue)', shape: 'hatch', words: 'goes sideways' },
  enter: { tone: 'var(--blue)', shape: 'dot', words: 'enters or rests' },
  screen: { tone: 'var(--ink-2)', shape: 'dot', words: 'enters or rests' }
};

const OTHER: Sign = { tone: 'var(--ochre)', shape: 'outline', words: 'follows' };

export const signOf = (effect: string): Sign => SIGNS[effect] ?? OTHER;
