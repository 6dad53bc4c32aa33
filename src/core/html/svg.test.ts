import { describe, expect, it } from 'vitest';
import { readSvg } from './svg';

const why = (text: string) => {
  const read = readSvg(text);
  return read.ok ? 'taken' : read.why;
};

/** Each group draws the one before it twice. */
const doublings = (count: number, twice: (id: string) => string) => {
  const groups = Array.from({ length: count }, (_, n) => `<g id="g${n + 1}">${twice(`g${n}`)}</g>`);
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><defs><g id="g0"><path d="M0 0h9"/></g>${groups.join('')}</defs><use href="#g${count}"/></svg>`;
};

describe('a drawing', () => {
  it('may repeat its parts', () => {
    expect(why(doublings(8, (id) => `<use href="#${id}"/><use href="#${id}"/>`))).toBe('taken');
  });

  it.each([
    [
      'doublings of use',
      doublings(30, (id) => `<use href="#${id}"/><use href="#${id}"/>`),
      /comes to more than 50000 shapes/
    ],
    [
      'doublings of paint',
      doublings(30, (id) => `<path fill="url(#${id})"/><path stroke="url('#${id}')"/>`),
      /comes to more than 50000 shapes/
    ],
    [
      'a part within itself',
      '<svg><g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g></svg>',
      /without end/
    ],
    ['200 KB of open groups', `<svg>${'<g>'.repeat(66_000)}`, /more than 64 deep/],
    [
      'a hundred thousand shapes',
      `<svg>${'<path d="M0 0"/>'.repeat(100_000)}</svg>`,
      /more than 50000 shapes/
    ],
    ['no drawing', '<p>svg</p>', /cannot be read/]
  ])('is refused for %s, with what to do', (_what, text, reason) => {
    expect(why(text)).toMatch(reason);
    expect(why(text)).toMatch(/\. (?:Export|Ungroup|Simplify|Use|Mend)|Use it as|Mend it/);
  });
});
