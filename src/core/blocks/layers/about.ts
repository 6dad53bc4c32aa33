import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'layers',
  label: 'Layers',
  summary: 'Pieces over one another, each placed by shares',
  group: 'Page',
  words: ['overlap', 'on top', 'over one another', 'stacked'],
  category: 'block',
  icon: 'M2 5l6-3 6 3-6 3zM2 8l6 3 6-3M2 11l6 3 6-3',
  insertable: true
};
