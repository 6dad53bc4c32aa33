import { object, type InferType } from 'yup';
import { choiceField, cssField, textField, toggleField, trackField } from '../../kinds/fields';
import { STILL_TRACK, trackOf } from '../../motion/track';

export const settings = object({
  title: textField('', 120, {
    label: 'What it is called',
    names: true,
    help: 'For people who listen. Left empty, it is called as the piece is.'
  }),
  label: textField('', 120, {
    label: 'Words on a button of its own',
    help: 'Left empty, it has none: any button of the page can open it, under “Opens”.'
  }),
  close: textField('Close', 120, { label: 'Words on the button that closes it', names: true }),
  place: choiceField(
    'middle',
    {
      middle: 'in the middle',
      start: 'at the left',
      end: 'at the right',
      top: 'at the top',
      bottom: 'at the bottom'
    },
    { label: 'Stands', responsive: true }
  ),
  size: cssField('width', '480px', {
    label: 'Width, or height at the top and bottom',
    responsive: true,
    help: 'It never takes more than the window has.'
  }),
  backdrop: cssField('background', '#00000080', { label: 'Over the page behind it' }),
  outside: toggleField(true, { label: 'A press beside it closes it', view: 'behaviour' }),
  track: trackField(
    trackOf({ form: 'fade', ms: 200, easing: 'ease-out' }),
    {
      fade: 'fades in',
      rise: 'from below',
      drop: 'from above',
      slide: 'from the right',
      grow: 'grows',
      edge: 'from its edge'
    },
    { label: 'How it comes', event: 'opening', part: 'panel', tone: 'in' }
  ),
  leave: trackField(
    STILL_TRACK,
    {
      fade: 'fades out',
      rise: 'downwards',
      drop: 'upwards',
      slide: 'to the right',
      grow: 'shrinks',
      edge: 'to its edge'
    },
    { label: 'How it goes', event: 'closing', part: 'panel', tone: 'out' }
  )
});

export type DialogSettings = InferType<typeof settings>;
