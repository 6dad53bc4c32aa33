import { object, type InferType } from 'yup';
import { onField } from '../../kinds/effect-fields';
import { numberField } from '../../kinds/fields';

const share = (fallback: number, label: string, help: string) =>
  numberField(fallback, 0, 100, { label, unit: '%', view: 'behaviour', help });

export const settings = object({
  on: onField('Appears word by word'),
  from: share(15, 'From', 'Of its way over the window: 0 is its first line at the lower edge.'),
  to: share(55, 'To', 'Where the last word has come out.'),
  faint: share(20, 'Strength before', 'Of a word that has not come out yet; 0 is not to be seen.')
});

export type WordsSettings = InferType<typeof settings>;
