import { parse, walk } from 'css-tree';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { maybeUnclosed } from './closed';
import { STYLE_PROPERTIES } from './properties';
import { checkValue } from './values';

describe('what is not closed', () => {
  it.each([
    ['rgb(200 30 30', /wants a “\)”/],
    ['calc(1px + (', /wants a “\)”/],
    ['"Gill Sans', /wants a " at its end/],
    ["'", /wants a ' at its end/],
    ['[a', /wants a “\]”/],
    ['a)', /closes nothing/],
    ['(a]', /closes nothing/],
    ['url(x', /wants a “\)”/],
    ['('.repeat(20) + ')'.repeat(20), /more than 16 deep/]
  ])('%s is said to be open', (value, fault) => expect(maybeUnclosed(value)).toMatch(fault));

  it.each([
    'rgb(200 30 30)',
    'calc((1px + 2px) * 3)',
    '"Gill (Sans", serif',
    "'a\"b'",
    'repeat(2, [full] 1fr)'
  ])('%s is closed', (value) => expect(maybeUnclosed(value)).toBeNull());

  it('is refused where it is written, with what to do', () => {
    expect(checkValue('background-color', 'rgb(200 30 30')).toEqual({
      ok: false,
      sentence: expect.stringContaining('a bracket is not closed; it wants a “)”')
    });
    expect(checkValue('padding', 'calc(1px + (')).toMatchObject({ ok: false });
    expect(checkValue('font-family', '"Gill Sans')).toMatchObject({ ok: false });
  });

  it('a value that is taken never reaches out of its declaration', () => {
    const piece = fc.constantFrom(
      '(',
      ')',
      '[',
      ']',
      '"',
      "'",
      'rgb(',
      'calc(',
      '1px',
      'red',
      ' ',
      ',',
      '+',
      '#123456',
      'var(--a',
      'url(',
      'a',
      '/',
      '!important',
      '0'
    );
    const property = fc.constantFrom(...STYLE_PROPERTIES.keys());
    fc.assert(
      fc.property(property, fc.array(piece, { minLength: 1, maxLength: 6 }), (name, pieces) => {
        const value = pieces.join('');
        if (!checkValue(name, value).ok) return;
        const selectors: string[] = [];
        const sheet = parse(`a { ${name}: ${value}; } b { color: red; }`);
        walk(sheet, (node) => {
          if (node.type === 'TypeSelector') selectors.push(node.name);
        });
        expect(selectors).toEqual(['a', 'b']);
      }),
      { numRuns: 3000 }
    );
  });
});
