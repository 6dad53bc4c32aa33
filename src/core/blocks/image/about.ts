import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'image',
  label: 'Image',
  summary: 'A picture of the project, as wide as its place',
  group: 'Pictures',
  words: ['picture', 'photo', 'img'],
  category: 'block',
  icon: 'M2 3h12v10H2zM2 11l4-4 3 3 2-2 3 3M11 5.5h.01',
  insertable: true
};
