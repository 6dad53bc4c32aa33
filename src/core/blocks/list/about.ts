import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'list',
  label: 'List',
  summary: 'One piece for each row of a source, in columns',
  group: 'Page',
  words: ['rows', 'data', 'feed', 'repeat', 'table', 'csv', 'catalogue', 'products', 'team'],
  category: 'block',
  icon: 'M2 3h5v4H2zM9 3h5v4H9zM2 9h5v4H2zM9 9h5v4H9z',
  insertable: true
};
