import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'dialog',
  label: 'Dialog',
  summary: 'Anything that a button brings over the page',
  group: 'Opens',
  words: ['modal', 'popup', 'window', 'overlay', 'message', 'notice'],
  category: 'block',
  icon: 'M2 3h12v10H2zM5 6h6v4H5z',
  insertable: true
};
