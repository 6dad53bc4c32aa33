import { object } from 'yup';
import type { Kind } from '../../kinds/contract';
import { iconField, numberField, toggleField } from '../../kinds/fields';
import { about } from './about';

/**
 * A labelled panel: one item of a widget that draws a list of them. The node's name is the label and its slot
 * the content, so the two cannot disagree. It has no element of its own; its owner draws label and panel.
 */
export const panel: Kind = {
  ...about,
  anatomy: {},
  settings: object({
    icon: iconField({ label: 'Icon' }),
    iconChosen: iconField({
      label: 'Icon when chosen',
      help: 'Takes the place of the other while the tab is chosen.'
    }),
    rest: numberField(0, 0, 600, {
      label: 'Rests',
      unit: 's',
      view: 'timing',
      help: 'In a slider that plays. 0: as long as the slider says.'
    }),
    disabled: toggleField(false, { label: 'Disabled', help: 'Shown, but it cannot be chosen.' }),
    leftOut: toggleField(false, {
      label: 'Left out without rows',
      help: 'It is not on the page while no list in it has a row, and comes back with the first.'
    })
  }),
  slots: { content: { label: 'Content', accepts: ['block'] } },
  leftOut: 'leftOut',
  forms: [],
  look: {},
  create: (make) => make('panel', 'Panel', {}, { content: [] }),
  markup: null,
  style: () => [],
  behaviours: () => [],
  fallbacks: () => [],
  findings: []
};
