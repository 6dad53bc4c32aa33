import { object, type InferType } from 'yup';
import type { Adaptations } from '../../project/types';
import { choiceField, numberField } from '../../kinds/fields';

/** Least and greatest height of a text, % of the window. */
export const BLOCK_LEAST = 10;
export const BLOCK_MOST = 200;

/** Greatest distance of the picture from the top, px. */
export const INSET_MOST = 400;

export const settings = object({
  block: numberField(50, BLOCK_LEAST, BLOCK_MOST, {
    label: 'Height of each text',
    unit: '%',
    view: 'behaviour',
    responsive: true,
    help: 'Of the window, at least. Four texts of 50 are two windows in all.'
  }),
  share: numberField(50, 20, 80, { label: 'The picture takes', unit: '%', responsive: true }),
  side: choiceField(
    'right',
    { right: 'right', left: 'left' },
    { label: 'The picture stands', responsive: true }
  ),
  inset: numberField(24, 0, INSET_MOST, {
    label: 'Distance from the top',
    unit: 'px',
    view: 'behaviour',
    responsive: true,
    help: 'Under a sticky header: its height and some air.'
  }),
  change: choiceField(
    'fade',
    { fade: 'fades over', wipe: 'is wiped over', cut: 'changes at once' },
    { label: 'The next picture', view: 'behaviour', responsive: true }
  ),
  from: numberField(25, 0, 100, {
    label: 'Changes from',
    unit: '%',
    view: 'behaviour',
    help: 'Of the way of its text over the window: 50 is its middle in the middle.'
  }),
  to: numberField(40, 0, 100, { label: 'Until', unit: '%', view: 'behaviour' }),
  mark: choiceField(
    'line',
    { line: 'a line beside it', dim: 'the others are fainter', none: 'nothing' },
    { label: 'The text that is read has', view: 'behaviour', responsive: true }
  ),
  fold: choiceField(
    'narrow',
    { narrow: 'narrow', medium: 'medium' },
    {
      label: 'One below the other in band',
      view: 'fallbacks',
      help: 'There each text has its own picture above it.'
    }
  )
});

export type PinnedSettings = InferType<typeof settings>;

/** With less motion the pictures change at once, where they would else move. */
export const adapt: Adaptations = { 'less-motion': { change: 'cut', mark: 'none' } };
