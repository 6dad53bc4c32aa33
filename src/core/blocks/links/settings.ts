import { object, type InferType } from 'yup';
import { choiceField, textField, toggleField, widthField } from '../../kinds/fields';

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
  menu: textField('Menu', 60, { label: 'Words on the menu button', names: true, view: 'behaviour' }),
  spy: toggleField(false, {
    label: 'Mark the section in view',
    view: 'behaviour',
    help: 'The link to the section that is being read is marked as the current one.',
    live: 'on the exported page'
  }),
  foldUnder: widthField(0, 0, 2400, {
    label: 'Menu button under',
    view: 'fallbacks',
    flag: 'menu',
    help: 'Below this width the links go behind a menu button. 0: never.'
  })
});

export type LinksSettings = InferType<typeof settings>;
