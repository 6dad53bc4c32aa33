import chroma from 'chroma-js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contrast, luminance, maybeColour, over } from './contrast';

const colour = (text: string) => maybeColour(text)!;

describe('contrast', () => {
  // WCAG 2.2, definitions of "contrast ratio" and "relative luminance": the ends of the scale, and each
  // channel's weight.
  it('follows the definition in WCAG 2.2', () => {
    expect(contrast(colour('#000'), colour('#fff'))).toBeCloseTo(21, 10);
    expect(contrast(colour('#456'), colour('#456'))).toBe(1);
    expect(luminance(colour('#f00'))).toBeCloseTo(0.2126, 10);
    expect(luminance(colour('#0f0'))).toBeCloseTo(0.7152, 10);
    expect(luminance(colour('#00f'))).toBeCloseTo(0.0722, 10);
    // sRGB 119 is 0.4667; ((0.4667 + 0.055) / 1.055) ^ 2.4 by hand is 0.18447.
    expect(luminance(colour('#777'))).toBeCloseTo(0.18447, 4);
  });

  it('agrees with an independent library (chroma-js) on any pair', () => {
    const hex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
    fc.assert(
      fc.property(
        hex,
        hex,
        (a, b) => Math.abs(contrast(colour(a), colour(b)) - chroma.contrast(a, b)) < 0.005
      )
    );
  });

  it('paints a half-transparent colour over an opaque one', () => {
    expect(over(colour('rgb(0 0 0 / 70%)'), colour('#fff'))).toEqual({
      r: expect.closeTo(0.3),
      g: expect.closeTo(0.3),
      b: expect.closeTo(0.3),
      alpha: 1
    });
  });

  it('knows what is no colour by itself', () => {
    expect(['currentcolor', 'inherit', '12px', ''].map(maybeColour)).toEqual([null, null, null, null]);
    expect(colour('transparent').alpha).toBe(0);
  });
});
