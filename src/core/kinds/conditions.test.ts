import fc from 'fast-check';
import { expect, test } from 'vitest';
import { bandAt, widthUnder } from './conditions';

const bands = fc
  .tuple(fc.integer({ min: 300, max: 900 }), fc.integer({ min: 1, max: 900 }))
  .map(([narrow, more]) => ({ narrow, medium: narrow + more }));

test('a condition is looked at in its own band, and at the width of the window where that is in it', () => {
  fc.assert(
    fc.property(bands, fc.integer({ min: 280, max: 1920 }), (given, window) => {
      for (const band of ['always', 'medium', 'narrow'] as const) {
        const width = widthUnder(band, given, window);
        expect(bandAt(given, width)).toBe(band);
        if (bandAt(given, window) === band) expect(width).toBe(window);
      }
      expect(widthUnder('touch', given, window)).toBe(widthUnder('always', given, window));
    })
  );
});
