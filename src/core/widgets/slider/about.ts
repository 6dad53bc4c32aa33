import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'slider',
  label: 'Slider',
  summary: 'Slides of any content, dragged, stepped or playing',
  group: 'Pictures',
  words: ['slides', 'carousel', 'quotations', 'strip', 'swipe', 'plays', 'cards'],
  category: 'block',
  icon: 'M4 3h8v8H4zM1.5 5v4M14.5 5v4M6 13.5h.01M8 13.5h.01M10 13.5h.01',
  insertable: true
};
