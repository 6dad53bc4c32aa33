import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'separator',
  label: 'Separator',
  summary: 'A line between two things',
  group: 'Page',
  words: ['line', 'rule', 'divider', 'hr'],
  category: 'block',
  icon: 'M2 8h12',
  insertable: true
};
