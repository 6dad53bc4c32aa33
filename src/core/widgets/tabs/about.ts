import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'tabs',
  label: 'Tabs',
  summary: 'Panels behind tabs; an accordion where it is narrow',
  group: 'Opens',
  words: ['panels', 'accordion', 'switch', 'folds'],
  category: 'block',
  icon: 'M2 6V3h4v3h8v7H2zM7.5 3.5H10M11.5 3.5H14',
  insertable: true
};
