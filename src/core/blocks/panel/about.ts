import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'panel',
  label: 'Panel',
  summary: 'A labelled panel with any content',
  category: 'panel',
  icon: 'M3 3h10v10H3zM3 6h10',
  insertable: false
};
