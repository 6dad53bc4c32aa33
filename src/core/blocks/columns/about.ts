import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'columns',
  label: 'Columns',
  summary: 'Columns by fractions or twelfths, stacked if narrow',
  group: 'Page',
  words: ['grid', 'side by side', 'halves', 'thirds', 'row'],
  category: 'block',
  icon: 'M2 3h5v10H2zM9 3h5v10H9z',
  insertable: true
};
