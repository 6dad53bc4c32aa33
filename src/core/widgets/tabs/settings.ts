import { object, type InferType } from 'yup';
import { choiceField, itemField, textField, toggleField, trackField, widthField } from '../../kinds/fields';
import { moves, STILL_TRACK, trackOf } from '../../motion/track';

const open = {
  'no-script': 'without script all panels lie open',
  print: 'on paper all panels lie open'
} as const;
const still = { ...open, 'less-motion': 'with less motion nothing moves' } as const;

export const settings = object({
  label: textField('', 120, {
    label: 'Name for screen readers',
    help: 'Read out before the tabs; left empty, the widget’s own name is used.'
  }),
  first: itemField('panels', {
    label: 'First panel chosen',
    view: 'behaviour',
    help: 'The panel that is open when the page loads.'
  }),
  activation: choiceField(
    'automatic',
    { automatic: 'arrow keys choose at once', manual: 'arrow keys move, Enter chooses' },
    {
      label: 'By keyboard',
      view: 'behaviour',
      live: 'in Try it, by the keyboard'
    }
  ),
  several: toggleField(false, {
    label: 'Several panels open',
    view: 'behaviour',
    help: 'Only where it is folded into an accordion.'
  }),
  link: toggleField(false, {
    label: 'A link opens its panel',
    view: 'behaviour',
    help: 'Also a link from another page, such as visit.html#summer.',
    live: 'on the exported page'
  }),
  find: toggleField(true, {
    label: 'Found by the browser’s search',
    view: 'behaviour',
    help: 'Find-in-page looks into closed panels where the browser can.',
    live: 'on the exported page'
  }),
  indicator: toggleField(false, {
    label: 'Moving line under the tab',
    view: 'behaviour',
    help: 'Its colour stands under States, its movement under Timing.'
  }),
  form: choiceField(
    'tabs',
    { tabs: 'tabs', scroll: 'scrolling tabs', accordion: 'accordion', open: 'all open' },
    { label: 'Form', view: 'fallbacks', responsive: true, fixed: open }
  ),
  foldUnder: widthField(640, 0, 2400, {
    label: 'Fold under',
    view: 'fallbacks',
    flag: 'folds',
    help: 'Below this width the tabs fold. 0: never.'
  }),
  foldInto: choiceField(
    'accordion',
    { accordion: 'accordion', scroll: 'scrolling tabs' },
    { label: 'Fold into', view: 'fallbacks' }
  ),
  widths: choiceField(
    'window',
    { window: 'the window', place: 'the place it stands in' },
    {
      label: 'Widths are of',
      view: 'fallbacks',
      help: 'In a column or a snippet its own place decides, not the window.'
    }
  ),
  side: choiceField(
    'top',
    { top: 'top', bottom: 'bottom', left: 'left', right: 'right' },
    { label: 'Tab list on', view: 'behaviour', responsive: true, fixed: open }
  ),
  align: choiceField(
    'start',
    { start: 'start', center: 'centre', end: 'end', stretch: 'stretched' },
    { label: 'Tabs stand at', view: 'behaviour', responsive: true, fixed: open }
  ),
  iconSide: choiceField(
    'start',
    { start: 'before the words', top: 'above the words', end: 'after the words' },
    { label: 'Icons stand', view: 'behaviour', responsive: true }
  ),
  equal: toggleField(false, {
    label: 'Equal panel height',
    view: 'behaviour',
    responsive: true,
    fixed: open,
    help: 'As high as the tallest panel, so nothing below jumps.'
  }),
  level: choiceField(
    '3',
    { '2': '2', '3': '3', '4': '4', '5': '5', '6': '6' },
    {
      label: 'Heading level',
      view: 'fallbacks',
      help: 'Of the panel headings that the folded form and the page without script show.'
    }
  ),
  out: trackField(
    STILL_TRACK,
    { fade: 'fades', slide: 'slides away', grow: 'shrinks' },
    { label: 'Old panel out', event: 'pick', part: 'panel', tone: 'out', fixed: still }
  ),
  enter: trackField(
    trackOf({ ms: 200, easing: 'ease-out' }),
    { fade: 'fades', rise: 'rises', drop: 'drops', slide: 'slides in', grow: 'grows', wipe: 'wipes' },
    { label: 'New panel in', event: 'pick', part: 'panel', tone: 'in', fixed: still }
  ),
  rise: trackField(
    STILL_TRACK,
    { fade: 'fades', rise: 'rises', slide: 'slides in' },
    { label: 'Content follows', event: 'pick', part: 'panel', tone: 'in', staggered: true, fixed: still }
  ),
  height: trackField(
    STILL_TRACK,
    { grow: 'moves' },
    { label: 'Height', event: 'pick', part: 'panel', tone: 'size', fixed: still }
  ),
  glide: trackField(
    trackOf({ form: 'glide', ms: 200, easing: 'ease' }),
    { glide: 'glides' },
    { label: 'Line', event: 'pick', part: 'indicator', tone: 'size', fixed: still }
  ),
  swap: trackField(
    STILL_TRACK,
    { fade: 'fades', grow: 'grows' },
    { label: 'Icon', event: 'pick', part: 'icon', tone: 'state', fixed: still }
  )
});

export type TabsSettings = InferType<typeof settings>;

/** With less motion nothing moves; without script and on paper all panels lie open. */
export const adapt = {
  'less-motion': {
    out: STILL_TRACK,
    enter: STILL_TRACK,
    rise: STILL_TRACK,
    height: STILL_TRACK,
    glide: STILL_TRACK,
    swap: STILL_TRACK
  },
  'no-script': { form: 'open', equal: false },
  print: { form: 'open', equal: false }
} as const;

/**
 * A panel that keeps its room or is still on its way out cannot be hidden the way the browser's search needs
 * it.
 */
export const canBeFound = (variants: readonly TabsSettings[]): boolean =>
  variants.some(({ find }) => find) && !variants.some(({ equal, out }) => equal || moves(out));
