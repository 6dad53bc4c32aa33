import { describe, expect, it } from 'vitest';
import { saidIn, slotsIn } from './said';

const MARKUP =
  '<div class="tabs" aria-label="Seasons"><p>Blossom <b>in May</b></p><k-slot data-for="text-1"></k-slot></div>';

describe('what markup says', () => {
  it('is read in its order, apart from the tags it stands between', () => {
    expect(saidIn(MARKUP)).toMatchObject({ texts: ['Blossom ', 'in May'], names: ['Seasons'] });
    expect(slotsIn(saidIn(MARKUP))).toEqual(['text-1']);
  });

  it('may be otherwise in the same frame', () => {
    const other = MARKUP.replace('Seasons', '').replace('Blossom ', 'Frost ');
    expect(saidIn(other)).toEqual({ ...saidIn(MARKUP), texts: ['Frost ', 'in May'], names: [''] });
  });

  it.each([
    ['a class', MARKUP.replace('tabs', 'cards')],
    ['a piece in it', MARKUP.replace('text-1', 'text-2')],
    ['a text in another place', MARKUP.replace('<b>in May</b>', '<b></b>in May')],
    ['a text less', MARKUP.replace('in May', '')],
    ['a name less', MARKUP.replace(' aria-label="Seasons"', '')]
  ])('stands in another frame with %s', (_what, other) => {
    expect(saidIn(other).frame).not.toBe(saidIn(MARKUP).frame);
  });

  it('ends where its tag ends, whatever is written in an attribute', () => {
    const picture = (asset: string) => `<p>One<img alt="Rain > <sun>" data-k-asset="${asset}">two</p>`;
    expect(saidIn(picture('press'))).toMatchObject({ texts: ['One', 'two'], names: [] });
    expect(saidIn(picture('press')).frame).not.toBe(saidIn(picture('harvest')).frame);
  });
});
