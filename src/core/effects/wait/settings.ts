import { object, type InferType } from 'yup';
import { onField } from '../../kinds/effect-fields';
import { choiceField, linkField, numberField, textField, toggleField, trackField } from '../../kinds/fields';
import { trackOf } from '../../motion/track';

const LEAVING = 'Leaving the page';
/** Longest time before the page is left, s: one hour. */
const LEAVE_MOST = 3600;

/** Longest wait, s: three hours. */
const SECONDS_MOST = 10_800;

export const settings = object({
  on: onField('Waits'),
  seconds: numberField(5, 0, SECONDS_MOST, { label: 'Waits for', unit: 's', view: 'behaviour' }),
  after: choiceField(
    'load',
    { load: 'the page is there', view: 'it would be in view' },
    { label: 'Counted from when', view: 'behaviour' }
  ),
  room: toggleField(true, {
    label: 'Keeps its room',
    view: 'behaviour',
    help: 'Off: the page grows when it comes, and what stands below it moves down.'
  }),
  scroll: toggleField(false, {
    label: 'The page goes to it',
    view: 'behaviour',
    live: 'when the page is tried'
  }),
  times: choiceField(
    'always',
    { always: 'each time', visit: 'once a visit', visitor: 'once a visitor' },
    {
      label: 'It waits',
      view: 'behaviour',
      help: 'Where it has come once, it is simply there the next time.'
    }
  ),
  leaveFor: linkField({
    label: 'Then leave for',
    view: 'behaviour',
    group: LEAVING,
    help: 'Where the page goes on to by itself, with a notice and a way to stay. It needs a piece that holds others.',
    live: 'when the page is tried'
  }),
  leaveAfter: numberField(10, 1, LEAVE_MOST, {
    label: 'Leaves after',
    unit: 's',
    view: 'behaviour',
    group: LEAVING,
    needs: ['leaveFor']
  }),
  leaveWords: textField('You are taken on in {s} seconds.', 200, {
    label: 'Words of the notice',
    names: true,
    view: 'behaviour',
    group: LEAVING,
    needs: ['leaveFor'],
    help: '{s} stands for the seconds that are left.'
  }),
  goWords: textField('Go now', 60, {
    label: 'Words on the link',
    names: true,
    view: 'behaviour',
    group: LEAVING,
    needs: ['leaveFor']
  }),
  stayWords: textField('Stay here', 60, {
    label: 'Words on the button to stay',
    names: true,
    view: 'behaviour',
    group: LEAVING,
    needs: ['leaveFor']
  }),
  track: trackField(
    trackOf({ form: 'fade', ms: 400, easing: 'ease-out' }),
    { fade: 'fades in', rise: 'from below', drop: 'from above', slide: 'from the right', grow: 'grows' },
    { label: 'How it comes', event: 'the end of its wait', tone: 'in' }
  )
});

export type WaitSettings = InferType<typeof settings>;
