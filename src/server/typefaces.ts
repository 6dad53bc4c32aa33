import * as fontkit from 'fontkit';
import subsetFont from 'subset-font';
import { COMMON } from '$core/faces/letters';
import type { Subset } from '$core/faces/shipping';
import { faceType } from '$core/formats/picture';
import type { Face } from '$core/project/types';
import { clamp } from '$core/data/clamp';

/** Greatest size of a typeface, bytes: one with all letters of Chinese has some 10 MB. */
export const FACE_MOST = 30e6;

export type ReadFace =
  { readonly ok: true; readonly face: Face } | { readonly ok: false; readonly sentence: string };

/**
 * How often each letter stands in English text, in percent (common practice; from memory): the average width of a
 * line is what decides where lines break.
 */
const FREQUENCIES: Readonly<Record<string, number>> = {
  ' ': 18.3,
  e: 10.3,
  t: 7.5,
  a: 6.5,
  o: 6.2,
  n: 5.7,
  i: 5.7,
  s: 5.3,
  r: 5,
  h: 5,
  l: 3.3,
  d: 3.3,
  u: 2.3,
  c: 2.2,
  m: 2,
  f: 2,
  w: 1.7,
  g: 1.6,
  p: 1.5,
  y: 1.4,
  b: 1.3,
  v: 0.8,
  k: 0.6,
  x: 0.1,
  j: 0.1,
  q: 0.1,
  z: 0.1
};

/** Average width of English text, em; letters that are not there count as half an em. */
function averageWidth(font: fontkit.Font): number {
  const widths = Object.entries(FREQUENCIES).map(([letter, weight]) => {
    const code = letter.codePointAt(0)!;
    const width = font.hasGlyphForCodePoint(code)
      ? font.glyphForCodePoint(code).advanceWidth
      : font.unitsPerEm / 2;
    return [width * weight, weight] as const;
  });
  const sum = (at: 0 | 1) => widths.reduce((all, each) => all + each[at], 0);
  return sum(0) / sum(1) / font.unitsPerEm;
}

/** The part of `OS/2` (OpenType specification) that says what a licence allows, how bold it is and how it stands. */
interface Os2 {
  readonly usWeightClass?: number;
  readonly fsType?: { readonly noEmbedding: boolean; readonly noSubsetting: boolean };
  readonly fsSelection?: { readonly italic: boolean };
}

const os2Of = (font: fontkit.Font): Os2 => (font as unknown as { 'OS/2'?: Os2 })['OS/2'] ?? {};

function allowedBy({ fsType }: Os2): Face['allows'] {
  if (fsType?.noEmbedding) return 'none';
  return fsType?.noSubsetting ? 'whole' : 'all';
}

/** A variable typeface can have every weight of its axis. */
function weightOf(font: fontkit.Font, { usWeightClass = 400 }: Os2): Face['weight'] {
  const { wght } = font.variationAxes as Record<string, { min: number; max: number } | undefined>;
  const [least, most] = wght ? [wght.min, wght.max] : [usWeightClass, usWeightClass];
  return [clamp(least, 1, 1000), clamp(most, 1, 1000)];
}

/** Nothing of a file may end the string its name stands in. */
const safeName = (name: string): string =>
  name
    .replace(/["\\\n\r{};<>]/g, '')
    .trim()
    .slice(0, 100);

/** What fontkit has and its types leave out. */
interface Named {
  getName(key: string): string | null;
}

/** The family that all weights have in common has a name of its own where the old limit of four styles hid it. */
function familyOf(font: fontkit.Font): string {
  const own = (font as unknown as Named).getName('preferredFamily');
  return safeName(own ?? font.familyName ?? '');
}

const em = (value: number, font: fontkit.Font): number => clamp(Math.abs(value) / font.unitsPerEm, 0, 10);

function faceOf(font: fontkit.Font): Face {
  const os2 = os2Of(font);
  const isItalic = os2.fsSelection?.italic ?? font.italicAngle !== 0;
  return {
    family: familyOf(font) || 'Typeface',
    style: isItalic ? 'italic' : 'normal',
    weight: weightOf(font, os2),
    ascent: em(font.ascent, font),
    descent: em(font.descent, font),
    lineGap: em(font.lineGap, font),
    width: averageWidth(font),
    allows: allowedBy(os2)
  };
}

const BROKEN = 'is damaged or no typeface. Choose a WOFF2, TTF or OTF file';

/** A collection has several typefaces in one file, which no page can name. */
function maybeFont(bytes: Uint8Array): fontkit.Font | null {
  try {
    const read = fontkit.create(Buffer.from(bytes));
    return read.type === 'TTC' || read.type === 'DFont' ? null : (read as fontkit.Font);
  } catch {
    return null;
  }
}

/** @returns what a file of a typeface says of itself, or why it cannot be used. */
export function readFace(bytes: Uint8Array): ReadFace {
  if (bytes.length > FACE_MOST)
    return { ok: false, sentence: `is larger than ${FACE_MOST / 1e6} MB. Choose one with fewer letters` };
  const font = faceType(bytes) ? maybeFont(bytes) : null;
  if (!font) return { ok: false, sentence: BROKEN };
  try {
    return { ok: true, face: faceOf(font) };
  } catch {
    return { ok: false, sentence: BROKEN };
  }
}

/**
 * @param letters those a page uses; a few that may be needed later are kept beside them.
 * @returns the typeface with these letters alone, as WOFF2.
 */
export async function subsetFace(bytes: Uint8Array, letters: string): Promise<Subset> {
  const font = faceType(bytes) ? maybeFont(bytes) : null;
  if (!font) return { ok: false, sentence: 'it is damaged' };
  const missing = [...letters].filter((letter) => !font.hasGlyphForCodePoint(letter.codePointAt(0)!));
  try {
    const made = await subsetFont(Buffer.from(bytes), letters + COMMON, { targetFormat: 'woff2' });
    return { ok: true, bytes: new Uint8Array(made), missing: missing.join('') };
  } catch {
    return { ok: false, sentence: 'its letters cannot be taken apart' };
  }
}
