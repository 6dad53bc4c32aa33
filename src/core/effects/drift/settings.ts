import { object, type InferType } from 'yup';
import { onField } from '../../kinds/effect-fields';
import { choiceField, numberField } from '../../kinds/fields';

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
  })
});

export type DriftSettings = InferType<typeof settings>;
