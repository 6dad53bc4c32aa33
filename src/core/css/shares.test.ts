import { describe, expect, it } from 'vitest';
import {
  columnWidths,
  equalShares,
  movedBorder,
  readShares,
  sharesFor,
  sharesText,
  type Shares
} from './shares';

const read = (text: string): Shares => {
  const shares = readShares(text);
  if (typeof shares === 'string') throw new Error(shares);
  return shares;
};

describe('shares of columns', () => {
  // Common practice, no source: 3/4 + 1/4, 2/5 + 3/5 and 4 × 1/4; spans and offsets sum to 12.
  it.each([
    '3/4 1/4',
    '2/5 3/5',
    '1/4 1/4 1/4 1/4',
    '1/3 1/3 1/3',
    '1/7 2/7 4/7',
    '+1/4 1/2 1/4',
    '4 8',
    '+2 4 +1 5',
    '1'
  ])('reads %s and writes it again', (text) => {
    expect(sharesText(read(text))).toBe(text);
  });

  it.each([
    ['1/2 1/3', 'sum to 5/6'],
    ['4 9', 'sum to 13'],
    ['1/2 half', '“half” is no share'],
    ['0/2 1', 'greater than 0'],
    ['+1/2 +1/2', 'for a column'],
    ['', 'Widths are shares']
  ])('refuses %j and says why', (text, why) => {
    expect(readShares(text)).toContain(why);
  });

  it('are equal where there are more or fewer columns than shares', () => {
    expect(sharesFor('1/3 2/3', 3)).toEqual(equalShares(3));
    expect(sharesText(sharesFor('+1/4 1/2 1/4', 2))).toBe('+1/4 1/2 1/4');
  });

  it.each([
    ['1/2 1/2', 0, 0.1, '3/5 2/5'],
    ['1/3 1/3 1/3', 1, 0.07, '1/3 2/5 4/15'],
    ['6 6', 0, -0.17, '4 8'],
    ['1/2 1/2', 0, 0.9, '19/20 1/20'],
    ['6 6', 0, 0.9, '11 1']
  ])('the border of %s moved keeps the sum', (text, border, by, after) => {
    const moved = movedBorder(read(text), border, by);
    expect(sharesText(moved)).toBe(after);
    expect(typeof readShares(sharesText(moved))).not.toBe('string');
  });

  it('take the gaps off before sharing', () => {
    expect(columnWidths(read('3/4 1/4'), 1000, 40)).toEqual([720, 240]);
    // Twelfths: a unit of (1000 − 11 × 40) / 12, and the gaps inside a span belong to it.
    const [four, eight] = columnWidths(read('4 8'), 1000, 40) as [number, number];
    expect(four + eight + 40).toBeCloseTo(1000, 9);
    expect(four).toBeCloseTo(4 * (560 / 12) + 3 * 40, 9);
  });
});
