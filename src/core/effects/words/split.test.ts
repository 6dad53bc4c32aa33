import { describe, expect, it } from 'vitest';
import { element, text } from '../../html/build';
import { printHtml } from '../../html/print';
import { splitInWords, STEPS } from './split';

const plainText = (html: string): string => html.replace(/<[^>]*>/g, '');
const steps = (html: string): number[] =>
  [...html.matchAll(/data-k-word="(\d+)"/g)].map((match) => Number(match[1]));

describe('words by themselves', () => {
  it('say what they said before, with the same spaces, and keep the elements they stand in', () => {
    const given = element('p', {}, [
      text('Nine  weeks of '),
      element('em', {}, [text('work,')]),
      text(' and rest.')
    ]);
    const html = printHtml(splitInWords(given));
    expect(plainText(html)).toBe('Nine  weeks of work, and rest.');
    expect(html).toContain('<em><span data-k-word="6">work,</span></em>');
    expect(steps(html)).toEqual([0, 2, 4, 6, 8, 10]);
  });

  it('come out in a fixed number of steps where there are more of them, in their order', () => {
    const many = element('p', {}, [text(Array.from({ length: 100 }, (_each, n) => `w${n}`).join(' '))]);
    const found = steps(printHtml(splitInWords(many)));
    expect(found).toHaveLength(100);
    expect(found).toEqual([...found].sort((a, b) => a - b));
    expect([found[0], found.at(-1)]).toEqual([0, STEPS - 1]);
  });

  it('leave alone what has none', () => {
    const empty = element('p', {}, [element('br')]);
    expect(printHtml(splitInWords(empty))).toBe(printHtml(empty));
  });
});
