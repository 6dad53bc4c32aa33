import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'quote',
  label: 'Quotation',
  summary: 'Someone’s words with their name and where they are from',
  group: 'Words',
  words: ['testimonial', 'said', 'citation'],
  category: 'block',
  icon: 'M3 11V7l2-3M3 7h3v4H3zM9 11V7l2-3M9 7h3v4H9z',
  insertable: true
};
