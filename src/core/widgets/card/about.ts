import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'card',
  label: 'Two-sided card',
  summary: 'A front and a back, turned by pointer, press or focus',
  group: 'Opens',
  words: ['turns', 'flip box', 'front and back', 'two faces', 'turn over', 'reverse', 'tasting card'],
  category: 'block',
  icon: 'M3 2.5h6v11H3zM11 4.5h2v7h-2M9 8h2',
  insertable: true
};
