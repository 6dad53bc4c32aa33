import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'button',
  label: 'Button',
  summary: 'A link or button with a label',
  group: 'Words',
  words: ['link', 'call to action', 'press', 'cta'],
  category: 'block',
  icon: 'M2 5h12v6H2zM5 8h6',
  insertable: true
};
