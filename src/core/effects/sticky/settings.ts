import { object, type InferType } from 'yup';
import { onField } from '../../kinds/effect-fields';
import { choiceField, numberField, toggleField } from '../../kinds/fields';

export const settings = object({
  on: onField('Sticks'),
  side: choiceField(
    'top',
    { top: 'the top', bottom: 'the bottom' },
    { label: 'Sticks to', view: 'behaviour' }
  ),
  inset: numberField(24, 0, 600, {
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
  over: toggleField(false, {
    label: 'Lies over what comes after',
    view: 'behaviour',
    help: 'What comes later on the page would cover it while it is stuck.'
  })
});

export type StickySettings = InferType<typeof settings>;
