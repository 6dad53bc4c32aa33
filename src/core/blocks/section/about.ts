import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'section',
  label: 'Section',
  summary: 'A full-width band with an inner area or bled to the edges, on a colour, picture or film',
  group: 'Page',
  words: ['band', 'row', 'header', 'footer', 'background'],
  category: 'section',
  icon: 'M1.5 4.5h13v7h-13z',
  insertable: true
};
