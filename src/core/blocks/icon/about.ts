import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'icon',
  label: 'Icon',
  summary: 'A line drawing, found by what it means',
  group: 'Pictures',
  words: ['sign', 'symbol', 'drawing'],
  category: 'block',
  icon: 'M8 2l1.8 4 4.2.4-3.2 2.8 1 4.2L8 11.2 4.2 13.4l1-4.2L2 6.4 6.2 6z',
  insertable: true
};
