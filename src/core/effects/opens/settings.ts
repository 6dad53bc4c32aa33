import { object, type InferType } from 'yup';
import { onField } from '../../kinds/effect-fields';
import { opensField, textField } from '../../kinds/fields';

export const settings = object({
  on: onField('Opens something'),
  target: opensField({
    label: 'Opens',
    view: 'behaviour',
    help: 'A dialog or a side panel of this page.'
  }),
  label: textField('', 120, {
    label: 'Name for screen readers',
    view: 'behaviour',
    names: true,
    help: 'What a press does. Left empty, it is called what it opens.'
  })
});

export type OpensSettings = InferType<typeof settings>;
