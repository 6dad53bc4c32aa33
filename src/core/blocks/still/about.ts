import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'still',
  label: 'Stop for movement',
  summary: 'A box to tick that stops what moves by itself',
  group: 'Page',
  words: ['pause', 'stop', 'motion', 'animation off', 'hold', 'still'],
  category: 'block',
  icon: 'M2 2h12v12H2zM6 5v6M10 5v6',
  insertable: true
};
