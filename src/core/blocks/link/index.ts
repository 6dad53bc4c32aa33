import { object } from 'yup';
import type { Kind } from '../../kinds/contract';
import { iconField, linkField, opensField } from '../../kinds/fields';
import { about } from './about';

/** One link of a list of links, with a list of its own below it or not. Its name is the words; the list draws it. */
export const link: Kind = {
  ...about,
  anatomy: {},
  settings: object({
    href: linkField({
      label: 'Leads to',
      help: 'An address, #anchor of a section, or a page of this project, such as harvest.html.'
    }),
    opens: opensField({
      label: 'Opens',
      help: 'A dialog or a side panel of this page; then it is a button, and leads nowhere.'
    }),
    icon: iconField({ label: 'Icon' })
  }),
  slots: {
    links: {
      label: 'Sub-links',
      accepts: ['link'],
      items: true,
      part: 'sublink',
      isLastLevel: true
    }
  },
  forms: [],
  look: {},
  create: (make) => make('link', 'Link', {}, { links: [] }),
  markup: null,
  style: () => [],
  behaviours: () => [],
  fallbacks: () => [],
  findings: []
};
