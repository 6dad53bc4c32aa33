import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'accordion',
  label: 'Accordion',
  summary: 'Headers that open their panels, without script',
  group: 'Opens',
  words: ['questions', 'faq', 'details', 'disclosure', 'folds', 'toggle'],
  category: 'block',
  icon: 'M2 3h12v3H2zM2 8h12v5H2zM11 4l1 1 1-1',
  insertable: true
};
