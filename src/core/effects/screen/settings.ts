import { object, type InferType } from 'yup';
import { onField } from '../../kinds/effect-fields';
import { choiceField, numberField, toggleField } from '../../kinds/fields';

/** What a screen leaves free at its top at most, px. */
export const LESS_MOST = 400;

export const settings = object({
  on: onField('Fills the screen'),
  unit: choiceField(
    'svh',
    {
      svh: 'with the browser’s bars in sight',
      dvh: 'as it is, while the bars come and go',
      lvh: 'without the bars'
    },
    {
      label: 'The screen',
      view: 'behaviour',
      responsive: true,
      help: 'On a phone the bars of the browser take part of it.'
    }
  ),
  less: numberField(0, 0, LESS_MOST, {
    label: 'Leaves free at the top',
    unit: 'px',
    view: 'behaviour',
    responsive: true,
    help: 'Height of a sticky header, which would cover it.'
  }),
  snap: choiceField(
    'proximity',
    { proximity: 'where it is near', mandatory: 'always', none: 'not' },
    {
      label: 'The page comes to rest on it',
      view: 'behaviour',
      responsive: true,
      help: 'Always holds for the whole page: what is higher than the window is hard to read then.'
    }
  ),
  stop: toggleField(false, {
    label: 'Never passed by',
    view: 'behaviour',
    responsive: true,
    help: 'A fast swipe stops here too.'
  })
});

export type ScreenSettings = InferType<typeof settings>;
