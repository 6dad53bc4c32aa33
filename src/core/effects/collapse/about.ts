import type { EffectAbout } from '../../kinds/contract';

export const about: EffectAbout = {
  effect: 'collapse',
  label: 'Collapses',
  sign: 'collapses',
  summary: 'Stands closed under a header of its own until that is pressed',
  words: ['collapsible', 'foldable', 'disclosure', 'expand', 'question', 'show more', 'read more'],
  icon: 'M2 3h12v3H2zM5 10l3 3 3-3'
};
