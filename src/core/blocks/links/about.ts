import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'links',
  label: 'Link list',
  summary: 'Links in a list, or a navigation with a menu button',
  group: 'Words',
  words: ['navigation', 'nav', 'menu', 'list', 'drop-down', 'hamburger', 'table of contents', 'toc'],
  category: 'block',
  icon: 'M2 4h2M6 4h8M2 8h2M6 8h8M2 12h2M6 12h8',
  insertable: true
};
