import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'section',
  label: 'Section',
  summary: 'A full-width band on a colour, a picture or a film',
  group: 'Page',
  words: ['band', 'row', 'header', 'footer', 'background'],
  category: 'section',
  icon: 'M1.5 4.5h13v7h-13z',
  insertable: true
};
