import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'link',
  label: 'Link',
  summary: 'One link of a list of links',
  category: 'link',
  icon: 'M6.5 9.5l3-3M5 7L3.5 8.5a2.5 2.5 0 003.5 3.5L8.5 10.5M11 9l1.5-1.5A2.5 2.5 0 009 4L7.5 5.5',
  insertable: false
};
