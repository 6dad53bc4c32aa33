import { object, type InferType } from 'yup';
import { numberField } from '../../kinds/fields';

export const settings = object({
  jump: numberField(0, 0, 400, {
    label: 'Links land below the top by',
    unit: 'px',
    view: 'behaviour',
    responsive: true,
    help: 'Where a link to something on the page comes to rest: clear of a header that sticks, by its height and some air.'
  })
});

export type PageSettings = InferType<typeof settings>;
