import { object, type InferType } from 'yup';
import {
  choiceField,
  cssField,
  itemField,
  countField,
  numberField,
  textField,
  toggleField,
  trackField
} from '../../kinds/fields';
import { STILL_TRACK, trackOf } from '../../motion/track';

const PLAYS = { view: 'behaviour', group: 'Plays by itself' } as const;
const PLAYING = { ...PLAYS, needs: ['plays'] } as const;
const CONTROLS = { view: 'behaviour', group: 'Controls' } as const;
const FIXED = { print: 'on paper all slides lie open' };

const dragging = {
  drag: toggleField(true, {
    ...CONTROLS,
    label: 'Can be dragged',
    help: 'With the mouse; fingers always can. It comes to rest on a slide.',
    live: 'when the page is tried'
  })
};

const words = {
  label: textField('', 120, {
    label: 'Heard as',
    names: true,
    view: 'fallbacks',
    help: 'What it is called by screen readers. Empty: its name.'
  }),
  before: textField('Previous slide', 60, {
    label: 'Arrow back is heard as',
    names: true,
    view: 'fallbacks',
    needs: ['arrows']
  }),
  after: textField('Next slide', 60, {
    label: 'Arrow on is heard as',
    names: true,
    view: 'fallbacks',
    needs: ['arrows']
  }),
  hold: textField('Hold', 40, {
    label: 'Words on the hold button',
    names: true,
    view: 'fallbacks',
    needs: ['plays']
  })
};

export const settings = object({
  visible: numberField(1, 1, 12, {
    label: 'Slides in sight',
    unit: 'at once',
    view: 'behaviour',
    responsive: true,
    fixed: FIXED,
    help: '3 shows three; 2.2 lets a bit of the next one be seen.'
  }),
  gap: numberField(16, 0, 400, {
    label: 'Gap between slides',
    unit: 'px',
    view: 'behaviour',
    responsive: true
  }),
  step: countField(1, 1, 12, {
    label: 'Goes on by',
    unit: 'at once',
    view: 'behaviour',
    responsive: true,
    fixed: FIXED
  }),
  form: choiceField(
    'slide',
    { slide: 'slide along', fade: 'fade into one another' },
    { label: 'Slides', view: 'behaviour', help: 'What fades is seen one at a time.' }
  ),
  align: choiceField(
    'start',
    { start: 'at the beginning', center: 'in the middle' },
    {
      label: 'Current slide stands',
      view: 'behaviour',
      responsive: true,
      fixed: FIXED,
      help: 'In the middle of an odd number of slides.'
    }
  ),
  ends: choiceField(
    'stop',
    { stop: 'stops', rewind: 'goes back to the first', loop: 'goes round' },
    { label: 'At its end it', view: 'behaviour' }
  ),
  heights: choiceField(
    'equal',
    { equal: 'are equal', own: 'are each its own' },
    { label: 'Heights of slides', view: 'behaviour', responsive: true }
  ),
  height: cssField('height', '', {
    label: 'Height of slides',
    view: 'behaviour',
    responsive: true,
    help: 'In any unit: 420px, 60svh. Pictures are cut to it. Empty: as high as what is in them.'
  }),
  stretch: toggleField(true, {
    label: 'Pictures as wide as their slide',
    view: 'behaviour',
    help: 'Off: a picture keeps its own width, as far as there is room.'
  }),
  first: itemField('panels', {
    label: 'First slide chosen',
    view: 'behaviour',
    help: 'The slide that is current when the page loads.'
  }),
  arrows: toggleField(true, { ...CONTROLS, label: 'Arrows' }),
  dots: toggleField(true, { ...CONTROLS, label: 'Dots', help: 'One for each slide it can come to rest on.' }),
  thumbs: toggleField(false, {
    ...CONTROLS,
    label: 'Dots are small pictures',
    needs: ['dots'],
    help: 'Of each slide the picture it consists of; one with anything else in it has a dot.'
  }),
  counter: toggleField(false, { ...CONTROLS, label: 'Counter', help: 'The current slide of how many.' }),
  progress: toggleField(false, {
    ...CONTROLS,
    label: 'Progress line',
    help: 'How far the rest of the current slide has run, where it plays.'
  }),
  place: choiceField(
    'above',
    { above: 'above the slides', over: 'over the slides' },
    { ...CONTROLS, label: 'Arrows and hold button stand' }
  ),
  ...dragging,
  move: trackField(
    trackOf({ form: 'glide', ms: 500, easing: 'ease-out' }),
    { glide: 'glides' },
    {
      label: 'Move',
      event: 'turn',
      part: 'slide',
      tone: 'in',
      fixed: { 'less-motion': 'with less motion nothing moves', ...FIXED }
    }
  ),
  plays: toggleField(false, {
    ...PLAYS,
    label: 'Plays by itself',
    responsive: true,
    fixed: { 'less-motion': 'with less motion nothing plays', ...FIXED },
    live: 'when the page is tried'
  }),
  rest: numberField(5, 1, 600, { ...PLAYING, label: 'A slide rests', unit: 's' }),
  way: choiceField('on', { on: 'forwards', back: 'backwards' }, { ...PLAYING, label: 'Plays' }),
  holdOver: toggleField(true, { ...PLAYING, label: 'Held while pointed at' }),
  holdUsed: toggleField(true, {
    ...PLAYING,
    label: 'Held once it has been used',
    help: 'After an arrow, a dot or a drag. It goes on by the hold button.'
  }),
  button: toggleField(true, {
    ...PLAYING,
    label: 'Hold button',
    help: 'What moves by itself for longer than 5 s needs one (WCAG 2.2.2).'
  }),
  ...words
});

export type SliderSettings = InferType<typeof settings>;

const STILL = { move: STILL_TRACK, plays: false };
export const adapt = { 'less-motion': STILL, print: STILL } as const;
