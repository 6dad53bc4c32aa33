import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'stack',
  label: 'Stack',
  summary: 'Pieces one after the other, down or along',
  group: 'Page',
  words: ['group', 'box', 'flow', 'row', 'gap'],
  category: 'block',
  icon: 'M3 2.5h10v3H3zM3 7h10v3H3zM3 11.5h10v2.5H3z',
  insertable: true
};
