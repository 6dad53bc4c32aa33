import { describe, expect, it } from 'vitest';
import { after, id, sampleProject, styled } from '../testing/project';
import { isRecoloured } from './recoloured';

const before = sampleProject();
const coloured = after(before, styled('tabs', 'tab', 'rest', 'background-color', '#123456'));

describe('whether only colours were changed', () => {
  it('is so where colours were set, of any part in any state, and set again', () => {
    expect(isRecoloured(before, before)).toBe(true);
    expect(isRecoloured(before, coloured)).toBe(true);
    const more = after(
      coloured,
      styled('tabs', 'tab', 'hover', 'color', '#ffffff'),
      styled('heading', 'root', 'rest', 'border-color', '#ff0000'),
      styled('tabs', 'tab', 'rest', 'background-color', '#654321')
    );
    expect(isRecoloured(before, more)).toBe(true);
  });

  it('is not where anything else was set beside them', () => {
    for (const [property, value] of [
      ['padding', '40px'],
      ['opacity', '0'],
      ['border-width', '9px']
    ] as const)
      expect(isRecoloured(before, after(coloured, styled('tabs', 'tab', 'rest', property, value)))).toBe(
        false
      );
  });

  it('is not where the page has other pieces or other words', () => {
    const words = { type: 'set-setting', id: 'heading', key: 'text', value: 'Longer words' } as const;
    expect(isRecoloured(before, after(coloured, words))).toBe(false);
    expect(isRecoloured(before, after(coloured, { type: 'remove', ids: [id('heading')] }))).toBe(false);
  });

  it('is not where it is not known how the one came from the other', () => {
    expect(isRecoloured(before, sampleProject())).toBe(false);
  });
});
