import { object, type InferType } from 'yup';
import { choiceField, cssField, textField, trackField } from '../../kinds/fields';
import { STILL_TRACK } from '../../motion/track';

export const settings = object({
  label: textField('Menu', 120, {
    label: 'Words on the button',
    help: 'Left empty, it has none: any button of the page can open it, under “Opens”.'
  }),
  close: textField('Close', 120, { label: 'Words on the button that closes it', names: true }),
  side: choiceField('start', { start: 'the left', end: 'the right' }, { label: 'Comes from' }),
  width: cssField('width', '320px', {
    label: 'Width of the panel',
    responsive: true,
    help: 'In any unit; it never takes more than nine tenths of the window.'
  }),
  track: trackField(
    STILL_TRACK,
    { edge: 'from its side', fade: 'fades in' },
    { label: 'How it comes', event: 'opening', part: 'panel', tone: 'in' }
  ),
  leave: trackField(
    STILL_TRACK,
    { edge: 'to its side', fade: 'fades out' },
    { label: 'How it goes', event: 'closing', part: 'panel', tone: 'out' }
  )
});

export type DrawerSettings = InferType<typeof settings>;
