import { object, type InferType } from 'yup';
import { onField } from '../../kinds/effect-fields';
import { choiceField, textField, toggleField } from '../../kinds/fields';
import { MARKER_SIDES, MARKERS } from '../../kinds/marker';
import { CIRCUMSTANCES } from '../../kinds/circumstances';

const EVERYWHERE = 'the browser opens and closes it alike everywhere';

export const settings = object({
  on: onField('Collapses', Object.fromEntries(CIRCUMSTANCES.map((each) => [each, EVERYWHERE]))),
  label: textField('', 200, {
    label: 'Words in its header',
    view: 'behaviour',
    help: 'Left empty, it is called what the piece is called.'
  }),
  open: toggleField(false, { label: 'Open at load', view: 'behaviour' }),
  alone: toggleField(false, {
    label: 'Opening it closes the others',
    view: 'behaviour',
    help: 'Those on this page that are set alike: one of them is open at a time.'
  }),
  level: choiceField(
    '2',
    { '2': '2', '3': '3', '4': '4', '5': '5', '6': '6' },
    { label: 'Heading level', view: 'behaviour', help: 'Of the words in its header.' }
  ),
  marker: choiceField('chevron', MARKERS, { label: 'Marker', view: 'behaviour' }),
  markerSide: choiceField('end', MARKER_SIDES, {
    label: 'Marker stands',
    view: 'behaviour',
    responsive: true
  })
});

export type CollapseSettings = InferType<typeof settings>;
