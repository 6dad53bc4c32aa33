import { object, type InferType } from 'yup';
import { onField } from '../../kinds/effect-fields';
import { momentsField, numberField, toggleField, trackField } from '../../kinds/fields';
import { trackOf } from '../../motion/track';
import type { OwnProperty } from './own';

const ownField = (property: OwnProperty, label: string, help: string) =>
  momentsField('', { label, view: 'behaviour', needs: ['track.form=own'], help, property });

export const settings = object({
  on: onField('Loops'),
  track: trackField(
    trackOf({ form: 'float', ms: 1500, easing: 'ease-in-out', step: 250 }),
    {
      float: 'floats',
      bounce: 'bounces',
      pulse: 'pulses',
      sway: 'sways',
      spin: 'spins',
      own: 'moves as written'
    },
    { label: 'Loop', event: 'and on', staggered: true, follows: 'children', tone: 'state' }
  ),
  far: numberField(8, 1, 360, {
    label: 'How far',
    unit: 'px, %, °',
    view: 'behaviour',
    needs: ['track.form=float', 'track.form=bounce', 'track.form=pulse', 'track.form=sway'],
    help: 'Pixels up for what floats or bounces, percent larger for what pulses, degrees for what sways.'
  }),
  count: numberField(0, 0, 1000, {
    label: 'How often',
    unit: 'times',
    view: 'behaviour',
    help: '0: without end. There and back is once.'
  }),
  translate: ownField('translate', 'Goes', 'Across and down, such as 0 -12px. Empty: it stays.'),
  rotate: ownField('rotate', 'Turns', 'Such as -2deg. Empty: it does not.'),
  scale: ownField('scale', 'Grows', 'Such as 1.05. Empty: it keeps its size.'),
  opacity: ownField('opacity', 'Fades', 'Such as 0.6. Empty: it keeps its strength.'),
  held: toggleField(true, { label: 'Held while pointed at or focused', view: 'behaviour' }),
  children: toggleField(false, {
    label: 'Its pieces one after the other',
    view: 'behaviour',
    help: 'Each piece in it loops by itself, a step after the one before. The step is set under Timing.'
  })
});

export type LoopSettings = InferType<typeof settings>;
