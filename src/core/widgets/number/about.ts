import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'number',
  label: 'Counting number',
  summary: 'A number that counts up when it comes into view',
  group: 'Words',
  words: ['counter', 'figures', 'count up', 'statistics', 'key figures', 'digits'],
  category: 'block',
  icon: 'M4 5l2-2v9M4 12h4M10 5c0-2 3.5-2 3.5 0S10 8 10 12h3.5',
  insertable: true
};
