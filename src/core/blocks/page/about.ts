import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'page',
  label: 'Page',
  summary: 'The body of a page: sections, one below the other',
  category: 'page',
  icon: 'M4 2h8v12H4z',
  insertable: false
};
