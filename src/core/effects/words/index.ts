import type { Effect, EffectPlace, EffectValues, Rule } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import { standIn, tied } from '../../kinds/scrolled';
import { clamp } from '../../data/clamp';
import { itself, viewSpan } from '../../scroll/progress';
import { about } from './about';
import { settings, type WordsSettings } from './settings';
import { splitInWords, STEPS } from './split';

function maybeUnfit({ kind }: EffectPlace): string | null {
  const hasWords = Object.keys(kind.slots).length === 0 && kind.anatomy.root?.hasText === true;
  return hasWords ? null : 'It has no words of its own. Choose a text or a heading in it.';
}

const TIMELINE = '--k-words';
const rounded = (value: number): number => Number(value.toFixed(3));

/** Where each step begins, % of the way; the next begins where it ends. */
const startOf = ({ from, to }: WordsSettings, step: number): number =>
  rounded(from + ((to - from) * step) / STEPS);

function stepRules(own: WordsSettings, root: string): readonly Rule[] {
  return Array.from({ length: STEPS }, (_each, step) => step).flatMap((step) => {
    const word = `${root} [data-k-word="${step}"]`;
    const range = `cover ${startOf(own, step)}% cover ${startOf(own, step + 1)}%`;
    return [
      rule(word, { 'animation-range': range }, 'timeline'),
      rule(
        word,
        { 'animation-delay': `calc((var(--k-p, 0) * ${STEPS} - ${step}) * -1s)` },
        'no-timeline',
        'script'
      )
    ];
  });
}

function style(values: EffectValues, { root }: { readonly root: string }): readonly Rule[] {
  const own = values as WordsSettings;
  return [
    rule(root, {
      '--k-faint': String(own.faint / 100),
      'view-timeline': TIMELINE,
      'view-timeline-inset': '0px'
    }),
    ...tied(`${root} [data-k-word]`, {
      names: ['k-words'],
      easing: 'linear',
      timeline: TIMELINE,
      range: `cover ${own.from}% cover ${own.to}%`
    }),
    ...stepRules(own, root)
  ];
}

export const words: Effect = {
  ...about,
  settings,
  adapt: { 'less-motion': { on: false }, print: { on: false } },
  maybeUnfit,
  drivenBy: () => 'scroll',
  around: (root) => splitInWords(root),
  style,
  attributes([first]) {
    const { from, to } = first as WordsSettings;
    return { dataKScrolls: `cover ${from / 100} ${to / 100}` };
  },
  behaviours: (_variants, _node, { support }) => standIn(support),
  ranges(values, box, { name }) {
    const { from, to } = values as WordsSettings;
    const span = viewSpan(itself(box), box, 'cover', from / 100, to / 100);
    return [{ sort: 'follows', words: `${name} appears`, ...span, travel: null, moves: ['opacity'] }];
  },
  rangeTo(_values, box, end, px) {
    const whole = viewSpan(itself(box), box, 'cover', 0, 1);
    const share = Math.round((100 * (px - whole.start)) / (whole.end - whole.start));
    return { [end === 'start' ? 'from' : 'to']: clamp(share, 0, 100) };
  },
  findings: () => import('./findings')
};
