import { object, type InferType } from 'yup';
import { onField } from '../../kinds/effect-fields';
import { numberField, toggleField, trackField } from '../../kinds/fields';
import { trackOf } from '../../motion/track';

export const settings = object({
  on: onField('Enters'),
  track: trackField(
    trackOf({ form: 'rise', ms: 500, easing: 'ease-out', step: 100 }),
    {
      fade: 'fades in',
      rise: 'from below',
      drop: 'from above',
      slide: 'from the right',
      'slide-left': 'from the left',
      grow: 'grows',
      turn: 'turns',
      wipe: 'is wiped free'
    },
    { label: 'Entrance', event: 'coming into view', staggered: true, follows: 'children', tone: 'in' }
  ),
  share: numberField(25, 0, 100, {
    label: 'Starts when in view',
    unit: '%',
    view: 'behaviour',
    help: 'The share of its height that is in sight. Of what is higher than the window, the share of the window.'
  }),
  children: toggleField(false, {
    label: 'Its pieces one after the other',
    view: 'behaviour',
    help: 'Each piece in it enters by itself, a step after the one before. The step is set under Timing.'
  }),
  again: toggleField(false, {
    label: 'Each time it comes into view',
    view: 'behaviour'
  })
});

export type EnterSettings = InferType<typeof settings>;
