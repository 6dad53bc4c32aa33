import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'text',
  label: 'Rich text',
  summary: 'Paragraphs, lists, links, bold, italic and inline code',
  group: 'Words',
  words: ['paragraph', 'copy', 'list', 'prose'],
  category: 'block',
  icon: 'M2 4h12M2 8h12M2 12h7',
  insertable: true
};
