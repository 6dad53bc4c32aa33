import { object, type InferType } from 'yup';
import { onField } from '../../kinds/effect-fields';
import { choiceField, cssField, numberField } from '../../kinds/fields';

/** Slowest and quickest, px sideways for one of the scroll. */
export const PACE_LEAST = 0.1;
export const PACE_MOST = 10;

export const settings = object({
  on: onField('Goes sideways'),
  form: choiceField(
    'pinned',
    { pinned: 'as the page is scrolled', strip: 'by a hand: a strip to swipe' },
    {
      label: 'Goes',
      view: 'behaviour',
      responsive: true,
      help: 'Switched off, its pieces stand one below the other.'
    }
  ),
  panel: numberField(100, 10, 1000, {
    label: 'Width of each piece',
    unit: '%',
    view: 'behaviour',
    responsive: true,
    help: 'Of the window. One wide scene is one piece of 300 % and more.'
  }),
  pace: numberField(1, PACE_LEAST, PACE_MOST, {
    label: 'Pixels sideways for one of the scroll',
    unit: 'px',
    view: 'behaviour',
    responsive: true,
    help: '1 goes as fast as the page; less takes longer, more is quicker.'
  }),
  height: cssField('height', '', {
    label: 'Height of the section',
    view: 'behaviour',
    responsive: true,
    help: 'In any unit, such as 400vw; the speed follows from it. Empty: it follows from the speed.'
  }),
  before: numberField(0, 0, 100, {
    label: 'Rests at the start',
    unit: '%',
    view: 'behaviour',
    responsive: true,
    help: 'Of the height of the window.'
  }),
  after: numberField(20, 0, 100, {
    label: 'Rests at the end',
    unit: '%',
    view: 'behaviour',
    responsive: true,
    help: 'Of the height of the window: how long the last piece is seen whole before the page goes on.'
  }),
  inset: numberField(0, 0, 400, {
    label: 'Distance from the top',
    unit: 'px',
    view: 'behaviour',
    responsive: true,
    help: 'Height of a sticky header over it.'
  })
});

export type SidewaysSettings = InferType<typeof settings>;
