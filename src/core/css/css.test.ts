import { describe, expect, it } from 'vitest';
import { STYLE_PROPERTIES } from './properties';
import { evaluate } from './arithmetic';
import { checkValue } from './values';

describe('checkValue', () => {
  it.each([
    ['color', 'rebeccapurple'],
    ['color', 'oklch(60% 0.1 200 / 50%)'],
    ['padding', '4px 0 2rem'],
    ['padding', 'calc(1rem + 2px)'],
    ['outline', '2px solid #2b55a0'],
    ['translate', '0 1px'],
    ['font-family', '"Gill Sans", serif']
  ])('takes %s: %s', (property, value) => {
    expect(checkValue(property, value)).toEqual({ ok: true, value });
  });

  it.each([
    ['color', ''],
    ['color', '12px'],
    ['color', 'red; background: url(x)'],
    ['color', 'red } * { display: none'],
    ['color', 'red/**/'],
    ['color', '\\72 ed'],
    ['padding', '-4px'],
    ['padding', '4'],
    ['outline', 'url(https://example.org/x)'],
    ['cursor', 'url(x.cur), auto'],
    ['color', `#${'f'.repeat(600)}`]
  ])('refuses %s: %s, and says why', (property, value) => {
    const checked = checkValue(property, value);
    expect(checked.ok).toBe(false);
    expect(!checked.ok && checked.sentence).toContain(`is not a value of ${property}: `);
  });

  it('has an initial value for every property that the property itself takes', () => {
    for (const { property, initial } of STYLE_PROPERTIES.values())
      expect([property, checkValue(property, initial).ok]).toEqual([property, true]);
  });

  it('has no two properties that set the same thing', () => {
    const names = [...STYLE_PROPERTIES.keys()];
    const overlaps = names.flatMap((name) =>
      names.filter((other) => other !== name && other.startsWith(`${name}-`))
    );
    // `outline-offset` is no longhand of `outline` (CSS Basic User Interface 4, section 3.5).
    expect(overlaps).toEqual(['outline-offset']);
  });
});

describe('evaluate', () => {
  it.each([
    ['240 ms', 'ms', '240ms'],
    ['0.3 s', 'ms', '0.3s'],
    ['100 ms + 40', 'ms', '140ms'],
    ['80-40', 'px', '40px'],
    ['80 - 40', 'px', '40px'],
    ['2rem', 'px', '2rem'],
    ['12', 'px', '12px'],
    ['0', 'px', '0'],
    ['-4', 'px', '-4px'],
    ['100/3', 'px', '33.3333px'],
    ['8*3', 'px', '24px'],
    ['3 * 8px', 'px', '24px'],
    ['(3 + 1) * 8', 'px', '32px'],
    ['80px - 40', 'px', '40px'],
    ['1.5+0.25', '', '1.75'],
    ['50%', 'px', '50%']
  ])('%s with %s is %s', (text, unit, result) => {
    expect(evaluate(text, unit)).toBe(result);
  });

  it.each(['', 'wide', '80px - 1rem', '1/0', '2px*3px', 'alert(1)', '5 5'])('%s comes to nothing', (text) => {
    expect(evaluate(text, 'px')).toBeNull();
  });
});
