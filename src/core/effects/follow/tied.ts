import { momentsFor } from '../../kinds/moments';

/** What can change without anything around it being laid out anew. */
export const CHEAP = [
  'translate',
  'scale',
  'rotate',
  'opacity',
  'background-color',
  'color',
  'border-radius',
  'filter',
  'clip-path'
] as const;
/** What makes the browser lay the page out anew at each step. */
export const COSTLY = ['width', 'height', 'letter-spacing', 'font-size'] as const;

export const TIED_PROPERTIES = [...CHEAP, ...COSTLY] as const;
export type TiedProperty = (typeof TIED_PROPERTIES)[number];

/** Changes that a piece says itself, one for each property. */
export const TIED = momentsFor('tied', TIED_PROPERTIES);
