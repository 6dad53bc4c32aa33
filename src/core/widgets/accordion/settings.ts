import { object, type InferType } from 'yup';
import { choiceField, itemField, toggleField, trackField } from '../../kinds/fields';
import { MARKER_SIDES, MARKERS } from '../../kinds/marker';
import { STILL_TRACK } from '../../motion/track';

const FIXED = { 'less-motion': 'with less motion nothing moves', print: 'on paper all panels lie open' };

export const settings = object({
  several: toggleField(false, {
    label: 'Several panels open',
    view: 'behaviour',
    help: 'Off: opening one closes the one that was open.'
  }),
  atLoad: choiceField(
    'first',
    { none: 'all closed', first: 'the chosen one', all: 'all open' },
    {
      label: 'Open at load',
      view: 'behaviour',
      help: 'All open needs “Several panels open”; else only the first stays open.'
    }
  ),
  first: itemField('panels', {
    label: 'First panel chosen',
    view: 'behaviour',
    help: 'The panel that is open when the page loads.'
  }),
  raise: choiceField(
    'stays',
    { stays: 'stays where it is', glides: 'glides to the top', jumps: 'jumps to the top' },
    {
      label: 'What is opened',
      view: 'behaviour',
      responsive: true,
      help: 'To the top of the window, below what sticks there, so that an answer is read from its beginning.',
      live: 'when the page is tried'
    }
  ),
  marker: choiceField('chevron', MARKERS, { label: 'Marker', view: 'behaviour' }),
  markerSide: choiceField('end', MARKER_SIDES, {
    label: 'Marker stands',
    view: 'behaviour',
    responsive: true
  }),
  level: choiceField(
    '3',
    { '2': '2', '3': '3', '4': '4', '5': '5', '6': '6' },
    { label: 'Heading level', view: 'fallbacks', help: 'Of the headings in the headers.' }
  ),
  enter: trackField(
    STILL_TRACK,
    { fade: 'fades', rise: 'rises', drop: 'drops', slide: 'slides in', grow: 'grows', wipe: 'wipes' },
    {
      label: 'Panel in',
      event: 'pick',
      part: 'panel',
      tone: 'in',
      fixed: FIXED
    }
  ),
  height: trackField(
    STILL_TRACK,
    { open: 'opens gradually' },
    {
      label: 'Panel height',
      event: 'pick',
      part: 'panel',
      tone: 'size',
      fixed: FIXED,
      help: 'Where a browser cannot move to a height it has to find out first, the panel opens at once.'
    }
  )
});

export type AccordionSettings = InferType<typeof settings>;

/** With less motion nothing moves, and paper has nothing to open. */
const STILL = { enter: STILL_TRACK, height: STILL_TRACK };
export const adapt = { 'less-motion': STILL, print: STILL } as const;
