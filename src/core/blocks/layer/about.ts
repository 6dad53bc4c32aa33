import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'layer',
  label: 'Layer',
  summary: 'One of the pieces laid over one another',
  category: 'layer',
  icon: 'M2 8l6-4 6 4-6 4z',
  insertable: false
};
