import type { TypeMember } from '../../css/type-style';
import type { TokenType } from '../../project/types';

/** What both reading and writing know of the Design Tokens Format. */

/**
 * Where a value goes that the format has no type for; read back by Kymation, ignored by others as the format
 * asks.
 */
export const OWN = 'kymation';

export const TYPES: Readonly<Record<TokenType, string>> = {
  colour: 'color',
  length: 'dimension',
  duration: 'duration',
  easing: 'cubicBezier',
  shadow: 'shadow',
  typeface: 'fontFamily',
  weight: 'fontWeight',
  number: 'number',
  'type-style': 'typography'
};
export const OURS = new Map(Object.entries(TYPES).map(([ours, theirs]) => [theirs, ours as TokenType]));

/** What the format calls the values of a type style, and which type each of them has (section 9.7). */
export const MEMBERS: Readonly<
  Record<TypeMember, readonly [name: string, type: Exclude<TokenType, 'type-style'>]>
> = {
  'font-family': ['fontFamily', 'typeface'],
  'font-size': ['fontSize', 'length'],
  'font-weight': ['fontWeight', 'weight'],
  'line-height': ['lineHeight', 'number'],
  'letter-spacing': ['letterSpacing', 'length']
};

/** Named weights of the format and of OpenType (format, section 8.4). */
export const WEIGHTS: Readonly<Record<string, number>> = {
  thin: 100,
  hairline: 100,
  'extra-light': 200,
  'ultra-light': 200,
  light: 300,
  normal: 400,
  regular: 400,
  book: 400,
  medium: 500,
  'semi-bold': 600,
  'demi-bold': 600,
  bold: 700,
  'extra-bold': 800,
  'ultra-bold': 800,
  black: 900,
  heavy: 900,
  'extra-black': 950,
  'ultra-black': 950
};

/** What the format calls the token that stands for a group as a whole (section 6.2, root tokens). */
export const ROOT = '$root';
