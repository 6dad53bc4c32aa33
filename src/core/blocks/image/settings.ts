import { object, type InferType } from 'yup';
import { assetField, choiceField, placeField, textField, toggleField } from '../../kinds/fields';
import { SHAPES } from '../../kinds/shapes';

export const settings = object({
  asset: assetField({ label: 'Picture' }),
  alt: textField('', 500, {
    label: 'Alternative text',
    help: 'What the picture says, for those who do not see it.'
  }),
  decorative: toggleField(false, {
    label: 'Decorative',
    help: 'Says nothing the text does not say; readers skip it.'
  }),
  shape: choiceField(
    'own',
    { own: 'its own', ...SHAPES },
    {
      label: 'Shape',
      responsive: true,
      help: 'What does not fit into it is cut off on both sides, or above and below.'
    }
  ),
  focus: placeField('50% 50%', {
    label: 'What stays in sight',
    needs: Object.keys(SHAPES).map((shape) => `shape=${shape}`)
  })
});

export type ImageSettings = InferType<typeof settings>;
