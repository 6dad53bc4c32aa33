import { object } from 'yup';
import type { Kind } from '../../kinds/contract';
import { iconField, linkField } from '../../kinds/fields';

/** One link of a list of links. Its name is the words; the list draws it. */
export const link: Kind = {
  kind: 'link',
  label: 'Link',
  summary: 'One link of a list of links',
  category: 'link',
  icon: 'M6.5 9.5l3-3M5 7L3.5 8.5a2.5 2.5 0 003.5 3.5L8.5 10.5M11 9l1.5-1.5A2.5 2.5 0 009 4L7.5 5.5',
  insertable: false,
  anatomy: {},
  settings: object({
    href: linkField({
      label: 'Leads to',
      help: 'An address, #anchor of a section, or a page of this project, such as harvest.html.'
    }),
    icon: iconField({ label: 'Icon' })
  }),
  slots: {},
  forms: [],
  look: {},
  create: (make) => make('link', 'Link'),
  markup: null,
  style: () => [],
  behaviours: () => [],
  fallbacks: () => [],
  findings: []
};
