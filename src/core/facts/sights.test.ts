import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isFact } from './index';
import { SIGHTS_MOST, WHATS, type Sight } from './sights';

const sight: Sight = { what: 'cut', node: 'lede', part: 'root', value: 7 };

const sights = fc.array(
  fc.record({
    what: fc.constantFrom(...WHATS),
    node: fc.string({ minLength: 1, maxLength: 80 }),
    part: fc.string({ minLength: 1, maxLength: 80 }),
    value: fc.double({ min: 0, noNaN: true, noDefaultInfinity: true })
  }),
  { maxLength: 20 }
);

describe('what a frame says it has seen', () => {
  it('is taken whole where each of it fits', () => {
    fc.assert(fc.property(sights, (value) => isFact('sights', value)));
    expect(isFact('sightsIn', Array(SIGHTS_MOST).fill(sight))).toBe(true);
  });

  it.each([
    null,
    {},
    'cut',
    [null],
    ['cut'],
    [{ ...sight, what: 'toString' }],
    [{ ...sight, node: '' }],
    [{ ...sight, node: 'x'.repeat(81) }],
    [{ ...sight, part: 7 }],
    [{ ...sight, value: '7' }],
    [{ ...sight, value: -1 }],
    [{ ...sight, value: Number.NaN }],
    [{ ...sight, more: 1 }],
    [{ what: 'cut', node: 'lede', part: 'root' }],
    Array(SIGHTS_MOST + 1).fill(sight)
  ])('is dropped where something of it does not: %o', (value) => {
    expect(isFact('sights', value)).toBe(false);
  });
});
