import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'heading',
  label: 'Heading',
  summary: 'A heading of level 1 to 6, sized on its own',
  group: 'Words',
  words: ['title', 'headline', 'h1', 'h2'],
  category: 'block',
  icon: 'M4 3v10M12 3v10M4 8h8',
  insertable: true
};
