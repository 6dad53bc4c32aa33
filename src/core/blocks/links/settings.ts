import { object, type InferType } from 'yup';
import { choiceField, textField, toggleField, trackField, widthField } from '../../kinds/fields';
import { trackOf } from '../../motion/track';

/** Wider than any window, px: the links are behind a menu button in all of them. */
export const FOLD_MOST = 2400;

export const settings = object({
  element: choiceField(
    'list',
    { list: 'a list', navigation: 'navigation' },
    { label: 'Element', help: 'Navigation is a landmark: screen readers list it and can go to it.' }
  ),
  label: textField('', 120, {
    label: 'Name for screen readers',
    names: true,
    help: 'Such as “Main” or “Footer”, where a page has more than one.'
  }),
  flow: choiceField(
    'row',
    { row: 'side by side', column: 'one below the other' },
    { label: 'Flow', responsive: true, fixed: { 'no-script': 'style alone draws it' } }
  ),
  align: choiceField(
    'start',
    { start: 'at the start', center: 'in the middle', end: 'at the end', 'space-between': 'apart' },
    { label: 'Along the flow', responsive: true }
  ),
  opensAs: choiceField(
    'list',
    { list: 'below its button', start: 'as a side panel, left', end: 'as a side panel, right' },
    {
      label: 'The menu opens',
      view: 'behaviour',
      needs: ['foldUnder'],
      help: 'Below the button it moves the page down; a side panel lies over it.'
    }
  ),
  close: textField('Close', 60, {
    label: 'Words on the button that closes it',
    names: true,
    view: 'behaviour',
    needs: ['opensAs=start', 'opensAs=end']
  }),
  track: trackField(
    trackOf({ form: 'edge', ms: 220, easing: 'ease-out' }),
    { edge: 'from its side', fade: 'fades in' },
    { label: 'How it comes', event: 'opening', part: 'panel', tone: 'in' }
  ),
  leave: trackField(
    trackOf({ form: 'edge', ms: 160, easing: 'ease-in' }),
    { edge: 'to its side', fade: 'fades out' },
    { label: 'How it goes', event: 'closing', part: 'panel', tone: 'out' }
  ),
  menu: textField('Menu', 60, { label: 'Words on the menu button', names: true, view: 'behaviour' }),
  spy: toggleField(false, {
    label: 'Mark the section in view',
    view: 'behaviour',
    help: 'The link to the section that is being read is marked as the current one.',
    live: 'on the exported page'
  }),
  foldUnder: widthField(0, 0, FOLD_MOST, {
    label: 'Menu button under',
    view: 'fallbacks',
    flag: 'menu',
    help: 'Below this width the links go behind a menu button. 0: never.'
  })
});

export type LinksSettings = InferType<typeof settings>;

/** Whether the links come as a side panel where they do not fit. */
export const isPanel = ({ foldUnder, opensAs }: LinksSettings): boolean =>
  foldUnder > 0 && opensAs !== 'list';
