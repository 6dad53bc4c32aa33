import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'column',
  label: 'Column',
  summary: 'One of two columns',
  category: 'column',
  icon: 'M5 2h6v12H5z',
  insertable: false
};
