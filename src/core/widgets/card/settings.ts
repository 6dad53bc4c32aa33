import { object, type InferType } from 'yup';
import { choiceField, cssField, numberField, textField, toggleField, trackField } from '../../kinds/fields';
import { trackOf } from '../../motion/track';

export const settings = object({
  by: choiceField(
    'hover',
    { hover: 'pointed at or focused', press: 'pressed', both: 'pointed at or pressed', focus: 'focused' },
    { label: 'Turns when', view: 'behaviour', live: 'when the page is tried' }
  ),
  form: choiceField(
    'turn',
    { turn: 'turns over', fade: 'fades', slide: 'slides' },
    { label: 'How', view: 'behaviour', responsive: true, fixed: { print: 'on paper both sides are seen' } }
  ),
  axis: choiceField(
    'y',
    { y: 'from side to side', x: 'from top to bottom' },
    { label: 'Which way', view: 'behaviour' }
  ),
  isBack: toggleField(false, { label: 'The other way round', view: 'behaviour' }),
  depth: numberField(900, 100, 5000, {
    label: 'Depth',
    unit: 'px',
    view: 'behaviour',
    needs: ['form=turn'],
    help: 'From how far away one looks at it: the nearer, the more it bends.'
  }),
  move: trackField(
    trackOf({ form: 'turn', ms: 600, easing: 'ease-in-out' }),
    { turn: 'turns' },
    {
      label: 'Turn',
      event: 'turn',
      part: 'front',
      tone: 'in',
      fixed: { print: 'on paper both sides are seen' }
    }
  ),
  width: cssField('width', '', {
    label: 'Width',
    responsive: true,
    help: 'In any unit: 320px, 50%. It never takes more than its place has. Empty: as wide as its place.'
  }),
  height: cssField('height', '', {
    label: 'Least height',
    responsive: true,
    help: 'In any unit: 220px, 40svh. It is as high as the longer of its sides in any case.'
  }),
  place: choiceField(
    'start',
    { start: 'at the top', center: 'in the middle', end: 'at the bottom', 'space-between': 'apart' },
    { label: 'Content stands', responsive: true }
  ),
  words: textField('Turn over', 40, {
    label: 'Words on its button',
    names: true,
    view: 'fill',
    needs: ['by=press', 'by=both']
  }),
  label: textField('', 120, {
    label: 'Heard as',
    names: true,
    view: 'fallbacks',
    help: 'What the card is called by screen readers. Empty: its name.'
  })
});

export type CardSettings = InferType<typeof settings>;

/** With less motion nothing turns: one side fades into the other. */
export const adapt = {
  'less-motion': { form: 'fade', move: trackOf({ form: 'turn', ms: 200, easing: 'ease' }) }
} as const;
