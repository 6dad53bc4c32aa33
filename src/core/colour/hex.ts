import { clamp } from '../data/clamp';

/** @returns a share of 0 to 1 as two hexadecimal digits; what lies beyond is its nearer end. */
export const hexByte = (share: number): string =>
  Math.round(clamp(share, 0, 1) * 255)
    .toString(16)
    .padStart(2, '0');

/** @returns a colour as `#rrggbb`, by its channels of 0 to 1; as `#rrggbbaa` where its opacity is the fourth. */
export const hexOf = (channels: readonly number[]): string => `#${channels.map(hexByte).join('')}`;
