import { describe, expect, it } from 'vitest';
import { bestShape, covering, shapeOf, SHAPES } from './shapes';

describe('a picture that covers a box of another shape', () => {
  it('loses what its shape goes beyond that of the box, and is drawn as much wider', () => {
    expect(covering(2, 1)).toEqual({ cut: 0.5, enlarged: 2 });
    expect(covering(1, 2)).toEqual({ cut: 0.5, enlarged: 1 });
    expect(covering(4 / 3, 4 / 3)).toEqual({ cut: 0, enlarged: 1 });
    expect(covering(3, null)).toEqual({ cut: 0, enlarged: 1 });
  });

  it('has a shape as CSS writes it, or none of its own accord', () => {
    expect(Object.keys(SHAPES).map(shapeOf)).toEqual([16 / 9, 4 / 3, 1, 3 / 4]);
    expect(['own', '', null, '4 / 0'].map(shapeOf)).toEqual([null, null, null, null]);
  });

  it('goes with others into the shape that leaves most of each', () => {
    expect(bestShape([1.9])).toBe('16 / 9');
    expect(bestShape([0.5])).toBe('3 / 4');
    // 16 : 9 cuts 58 % off the narrow one and 3 : 4 cuts 62 % off the wide one; 4 : 3 no more than 44 % off either.
    expect(bestShape([2, 0.75])).toBe('4 / 3');
  });
});
