import { familyOf } from './cells';

/**
 * Families of properties as one reads a box: where it stands, how it lays out, its size, its type, its paint,
 * how it moves.
 */
const ORDER = [
  'content',
  'position',
  'inset',
  'z-index',
  'isolation',
  'display',
  'flex-flow',
  'grid-template',
  'grid-area',
  'flex',
  'gap',
  'justify-content',
  'align-items',
  'align-self',
  'width',
  'min-width',
  'max-width',
  'height',
  'min-height',
  'max-height',
  'padding',
  'margin',
  'overflow',
  'font',
  'letter-spacing',
  'text-align',
  'text-decoration',
  'text-transform',
  'overflow-wrap',
  'white-space',
  'list-style',
  'color',
  'background',
  'border',
  'border-radius',
  'outline',
  'outline-offset',
  'box-shadow',
  'opacity',
  'visibility',
  'cursor',
  'pointer-events',
  'translate',
  'scale',
  'rotate',
  'transform',
  'transition',
  'animation'
];

const rankOf = (property: string): number => {
  const rank = ORDER.indexOf(familyOf(property));
  return rank < 0 ? ORDER.length : rank;
};

/**
 * @returns properties in the order one reads them; those of one family keep theirs, since one may win over
 * another.
 */
export const inReadingOrder = (properties: readonly string[]): string[] =>
  [...properties].sort((a, b) => rankOf(a) - rankOf(b));
