import { object, type InferType } from 'yup';
import { choiceField, countField, cssField, textField, toggleField, trackField } from '../../kinds/fields';
import { STILL_TRACK, trackOf } from '../../motion/track';
import type { Adaptations } from '../../project/types';

const LARGE = { view: 'behaviour', group: 'Large pictures', needs: ['large'] } as const;
const WORDS = { view: 'fill', group: 'Words on its buttons', names: true, needs: ['large'] } as const;

export const settings = object({
  columns: countField(3, 1, 12, {
    label: 'Columns',
    unit: 'side by side',
    view: 'behaviour',
    responsive: true
  }),
  order: choiceField(
    'packed',
    {
      packed: 'into the shortest column',
      down: 'down each column',
      rows: 'in rows'
    },
    {
      label: 'Pictures go',
      view: 'behaviour',
      responsive: true,
      help: 'Into the shortest column they are read across; down each column, one column after the other.'
    }
  ),
  across: cssField('column-gap', '1.5rem', {
    label: 'Gap between columns',
    view: 'behaviour',
    responsive: true
  }),
  below: cssField('row-gap', '1.5rem', {
    label: 'Gap between pictures',
    view: 'behaviour',
    responsive: true
  }),
  captions: choiceField(
    'none',
    { none: 'not shown', below: 'below the picture', over: 'over the picture' },
    { label: 'Labels', view: 'behaviour', help: 'The label of each picture in the list is its caption.' }
  ),
  room: cssField('height', '2rem', {
    label: 'Room for a caption',
    view: 'behaviour',
    responsive: true,
    needs: ['captions=below'],
    help: 'Where pictures are packed, since their heights have to be known beforehand. What is longer is cut.'
  }),
  large: toggleField(true, {
    label: 'Pictures open large',
    view: 'behaviour',
    group: 'Large pictures',
    help: 'Over the page, with the next and the one before. Without script a picture opens by itself.'
  }),
  label: textField('', 120, {
    ...LARGE,
    label: 'What it is called',
    names: true,
    help: 'For people who listen. Left empty, it is called as the piece is.'
  }),
  backdrop: cssField('background', '#101412f2', { ...LARGE, label: 'Over the page behind it' }),
  track: trackField(
    trackOf({ form: 'fade', ms: 160, easing: 'ease-out' }),
    { fade: 'fades in', rise: 'from below', grow: 'grows' },
    { label: 'How it opens', event: 'opening', part: 'view', tone: 'in', needs: ['large'] }
  ),
  close: textField('Close', 120, { ...WORDS, label: 'Close' }),
  before: textField('The picture before', 120, { ...WORDS, label: 'Arrow back' }),
  after: textField('The next picture', 120, { ...WORDS, label: 'Arrow on' })
});

export type GallerySettings = InferType<typeof settings>;

export const adapt: Adaptations = {
  medium: { columns: 2 },
  narrow: { columns: 1 },
  'less-motion': { track: STILL_TRACK }
};
