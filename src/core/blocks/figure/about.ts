import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'figure',
  label: 'Figure',
  summary: 'A picture, or anything else, with a caption',
  group: 'Pictures',
  words: ['caption', 'photo'],
  category: 'block',
  icon: 'M2 2h12v8H2zM4 13h8',
  insertable: true
};
