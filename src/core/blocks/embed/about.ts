import type { KindAbout } from '../../kinds/contract';

export const about: KindAbout = {
  kind: 'embed',
  label: 'Embed',
  summary: 'A map, a form or a player from elsewhere',
  group: 'Pictures',
  words: ['iframe', 'map', 'form', 'player', 'widget'],
  category: 'block',
  icon: 'M2 3h12v10H2zM6 6L4 8l2 2M10 6l2 2-2 2',
  insertable: true
};
