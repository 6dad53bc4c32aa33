import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'drawer',
  label: 'Side panel',
  summary: 'A button that brings anything in from a side',
  group: 'Opens',
  words: ['off-canvas', 'sidebar', 'menu', 'overlay', 'slides in'],
  category: 'block',
  icon: 'M2 3h12v10H2zM9 3v10M11.5 7l-1 1 1 1',
  insertable: true
};
