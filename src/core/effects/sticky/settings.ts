import { object, type InferType } from 'yup';
import { onField } from '../../kinds/effect-fields';
import { choiceField, numberField, toggleField } from '../../kinds/fields';

/** Greatest distance from the edge, px. */
export const INSET_MOST = 600;

export const settings = object({
  on: onField('Sticks'),
  side: choiceField(
    'top',
    { top: 'the top', bottom: 'the bottom' },
    { label: 'Sticks to', view: 'behaviour' }
  ),
  inset: numberField(24, 0, INSET_MOST, {
    label: 'Distance from the edge',
    unit: 'px',
    view: 'behaviour',
    responsive: true,
    help: 'Room between it and the edge of the window while it is stuck. Under a sticky header: its height and some air.'
  }),
  own: toggleField(false, {
    label: 'Keeps its own height',
    view: 'behaviour',
    help: 'In a row of equal heights it would be as high as its place, with no way to go.'
  }),
  shrink: numberField(0, 0, 400, {
    label: 'Gets lower while it sticks by',
    unit: 'px',
    view: 'behaviour',
    help:
      'Of a section: it is so much higher at first, and what is in it stays in the middle of what is left. ' +
      'Nothing below it moves. Keep its own padding above and below at 0.'
  }),
  away: toggleField(false, {
    label: 'Goes away on the way down',
    view: 'behaviour',
    needs: ['side=top'],
    help: 'It comes back on the way up, and stays while the focus is in it.'
  }),
  over: toggleField(false, {
    label: 'Lies over what comes after',
    view: 'behaviour',
    help: 'What comes later on the page would cover it while it is stuck.'
  })
});

export type StickySettings = InferType<typeof settings>;
