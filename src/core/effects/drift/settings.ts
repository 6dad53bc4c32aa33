import { object, type InferType } from 'yup';
import { onField } from '../../kinds/effect-fields';
import { choiceField, numberField } from '../../kinds/fields';

/** Share of its way over the window at which what drifts is at its own place, %: no range of it leaves that out. */
export const MIDDLE = 50;

export const settings = object({
  on: onField('Drifts'),
  what: choiceField(
    'picture',
    { picture: 'the picture behind it', itself: 'all of it' },
    {
      label: 'What drifts',
      view: 'behaviour',
      help: 'Only a section has a picture behind it; of everything else all of it drifts.'
    }
  ),
  speed: numberField(30, -90, 90, {
    label: 'Stays behind the page by',
    unit: '%',
    view: 'behaviour',
    responsive: true,
    help: 'At 30 it goes three tenths slower than the page, at -30 three tenths faster. 0 goes along with it.'
  }),
  from: numberField(0, 0, MIDDLE, {
    label: 'From',
    unit: '%',
    view: 'behaviour',
    help: 'Of its way over the window. Before that it goes along with the page.'
  }),
  to: numberField(100, MIDDLE, 100, {
    label: 'To',
    unit: '%',
    view: 'behaviour',
    help: 'After that it goes along with the page again. At 50, in the middle of the window, it is at its own place.'
  })
});

export type DriftSettings = InferType<typeof settings>;
