import { differenceCiede2000, modeLab65, useMode } from 'culori/fn';
import type { Colour } from './contrast';

useMode(modeLab65);
const ciede2000 = differenceCiede2000();

/** CIE L*a*b*: lightness 0 to 100, and the two colour axes. */
export interface Lab {
  readonly l: number;
  readonly a: number;
  readonly b: number;
}

/**
 * Colour difference ΔE00 of two CIELAB colours: CIE 142 (CIEDE2000), by culori. 0 is the same; about 1 is
 * just seen side by side.
 */
export const labDifference = (one: Lab, other: Lab): number =>
  ciede2000({ mode: 'lab65', ...one }, { mode: 'lab65', ...other });

/** ΔE00 of two opaque sRGB colours; alpha is ignored. */
export const colourDifference = (one: Colour, other: Colour): number => ciede2000(inRgb(one), inRgb(other));

const inRgb = ({ r, g, b }: Colour) => ({ mode: 'rgb', r, g, b }) as const;

/** Below this a change of a part between two states is easily missed: common practice, no source. */
export const FAINT = 5;
