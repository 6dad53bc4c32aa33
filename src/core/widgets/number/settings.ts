import { object, type InferType } from 'yup';
import { choiceField, textField, trackField } from '../../kinds/fields';
import { trackOf } from '../../motion/track';
import { maybeAmount } from './amount';

const REASON =
  'The number is digits with a point for its fraction, such as 12480, 4.5 or -3, fifteen of them at most. Words, signs and a second number stand before or after it.';

export const settings = object({
  value: textField('100', 40, { label: 'Number' }).test(
    'amount',
    REASON,
    (value) => maybeAmount(value ?? '') !== null
  ),
  before: textField('', 60, { label: 'Before it' }),
  after: textField('', 60, { label: 'After it', help: 'A unit, a plus sign, the rest of “9 to 5”.' }),
  caption: textField('What it counts', 120, { label: 'Caption', help: 'Below the number. Empty: none.' }),
  locale: choiceField(
    'en',
    { en: '12,480.5', de: '12.480,5', fr: '12 480,5', none: '12480.5' },
    { label: 'Written as', help: 'As is usual in English, German or French, or with a point alone.' }
  ),
  move: trackField(
    trackOf({ form: 'count', ms: 1500, easing: 'ease-out' }),
    { count: 'counts up' },
    {
      label: 'Count',
      event: 'view',
      part: 'number',
      tone: 'in',
      fixed: { 'less-motion': 'with less motion it stands there at once', print: 'paper shows the number' }
    }
  )
});

export type NumberSettings = InferType<typeof settings>;
