import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { maybeNext, momentsAmong, valueAt, withMoved, withValue } from './moment-sheet';
import { momentsFault, momentsWritten } from './moments';

const reached = (text: string) => momentsWritten(text).map(({ at, value }) => [Math.round(at), value]);

describe('a sheet of moments', () => {
  it('has a column for every moment that any row names, and both ends', () => {
    expect(momentsAmong({})).toEqual([0, 100]);
    expect(momentsAmong({ a: '1 → 2 at 30% → 1', b: '1 → 2 → 1' })).toEqual([0, 30, 50, 100]);
    expect(momentsAmong({ a: '1 → 2 → 3 → 4' })).toEqual([0, 33, 67, 100]);
    expect(valueAt('1 → 2 → 3 → 4', 67)).toBe('3');
    expect(valueAt('1 → 2', 50)).toBe('');
  });

  it.each([
    // property, before, moment, value, after
    ['translate', '', 30, '0 -12px', '0 0 → 0 -12px at 30% → 0 0'],
    ['translate', '', 50, '0 -12px', '0 0 → 0 -12px → 0 0'],
    ['scale', '', 100, '1.2', '1 → 1.2'],
    ['color', '', 0, '#777777', '#777777 → #777777'],
    ['scale', '1 → 1.2 → 1', 50, '1.3', '1 → 1.3 → 1'],
    ['scale', '1 → 1.2 → 1', 50, '', '1 → 1'],
    ['scale', '1 → 1.2 → 1', 0, '', ''],
    ['scale', '1 → 1.2 → 1', 25, '1.1', '1 → 1.1 at 25% → 1.2 at 50% → 1'],
    ['scale', '1 → 1.1 at 25% → 1.2 at 50% → 1', 25, ' ', '1 → 1.2 → 1']
  ])('%s “%s”, at %i %% “%s”: “%s”', (property, before, at, value, after) => {
    expect(withValue(property, before, at, value)).toBe(after);
  });

  it('moves a moment of the rows that name it, past others too', () => {
    expect(withMoved('1 → 1.2 → 1', 50, 30)).toBe('1 → 1.2 at 30% → 1');
    expect(withMoved('1 → 1.2 at 30% → 1', 30, 50)).toBe('1 → 1.2 → 1');
    expect(withMoved('1 → 2 at 20% → 3 at 40% → 1', 20, 60)).toBe('1 → 3 at 40% → 2 at 60% → 1');
    expect(withMoved('1 → 1.2', 50, 30)).toBe('1 → 1.2');
  });

  it('offers the middle of the widest gap, where there is one', () => {
    expect(maybeNext([0, 100])).toBe(50);
    expect(maybeNext([0, 30, 100])).toBe(65);
    expect(maybeNext(Array.from({ length: 101 }, (_each, at) => at))).toBeNull();
  });

  it('writes what can be read again, whatever is set where', () => {
    const cells = fc.uniqueArray(
      fc.record({ at: fc.integer({ min: 1, max: 99 }), value: fc.integer({ min: 1, max: 30 }) }),
      { selector: ({ at }) => at, minLength: 1, maxLength: 3 }
    );
    fc.assert(
      fc.property(cells, (set) => {
        const text = set.reduce((so, { at, value }) => withValue('scale', so, at, `${value}`), '');
        expect(momentsFault('scale', text)).toBeNull();
        const inOrder = [...set].sort((a, b) => a.at - b.at);
        const all = reached(text);
        expect([all[0], all.at(-1)]).toEqual([
          [0, '1'],
          [100, '1']
        ]);
        expect(all.slice(1, -1).map(([, value]) => value)).toEqual(inOrder.map(({ value }) => `${value}`));
        // Even within half a percent counts as even.
        all
          .slice(1, -1)
          .forEach(([at], i) => expect(Math.abs(Number(at) - inOrder[i]!.at)).toBeLessThanOrEqual(1));
      })
    );
  });
});
