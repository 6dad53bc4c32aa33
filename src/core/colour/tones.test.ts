import { describe, expect, it } from 'vitest';
import { blended } from './blend';
import { maybeColour } from './contrast';
import { ANY_TONE, coloursOfTones, tonesOf } from './tones';

const colour = (text: string) => maybeColour(text)!;
const bytes = ({ r, g, b }: { r: number; g: number; b: number }) =>
  [r, g, b].map((channel) => Math.round(channel * 255));

describe('tones of a picture', () => {
  it('go from its darkest to its lightest, in even steps', () => {
    const greys = Array.from({ length: 101 }, (_, i) => [i * 2, i * 2, i * 2, 255]);
    const tones = tonesOf([...greys].reverse().flat());
    expect(tones).toHaveLength(11);
    expect([tones[0], tones[5], tones[10]]).toEqual(['#000000ff', '#646464ff', '#c8c8c8ff']);
  });

  it('are one where the picture is one colour, and anything where nothing is known', () => {
    expect(tonesOf([12, 34, 56, 255, 12, 34, 56, 255])).toEqual(['#0c2238ff']);
    expect(tonesOf([])).toEqual([]);
    expect(coloursOfTones(undefined)).toBe(ANY_TONE);
    expect(coloursOfTones(['no colour'])).toBe(ANY_TONE);
  });
});

describe('blending', () => {
  // Compositing and Blending Level 1, section 10: worked through by hand at values where each formula is short.
  it('follows the formulas of the standard', () => {
    expect(bytes(blended(colour('#808080'), colour('#ff8000'), 'multiply'))).toEqual([128, 64, 0]);
    expect(bytes(blended(colour('#ffffff'), colour('#336699'), 'screen'))).toEqual([255, 255, 255]);
    expect(bytes(blended(colour('#000000'), colour('#336699'), 'screen'))).toEqual([51, 102, 153]);
    // overlay is hard light the other way round: under a dark backdrop 2·b·s, over a light one 1 − 2(1−b)(1−s).
    expect(bytes(blended(colour('#ffffff'), colour('#333333'), 'overlay'))).toEqual([102, 102, 102]);
    expect(bytes(blended(colour('#000000'), colour('#cccccc'), 'overlay'))).toEqual([153, 153, 153]);
  });

  it('keeps the lightness of the backdrop under a colour, and gives it that of the source under luminosity', () => {
    const lum = ({ r, g, b }: { r: number; g: number; b: number }) => 0.3 * r + 0.59 * g + 0.11 * b;
    const [source, back] = [colour('#2b55a0'), colour('#c97b3a')];
    expect(lum(blended(source, back, 'color'))).toBeCloseTo(lum(back), 6);
    expect(lum(blended(source, back, 'luminosity'))).toBeCloseTo(lum(source), 6);
  });

  it('lets the backdrop through by as much as the source is transparent', () => {
    expect(bytes(blended({ ...colour('#000000'), alpha: 0.7 }, colour('#ffffff'), 'normal'))).toEqual([
      77, 77, 77
    ]);
  });
});
