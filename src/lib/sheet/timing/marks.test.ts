import { expect, test } from 'vitest';
import { marksOf } from './marks';

const STEPS = [10, 20, 50, 100, 200, 500];
const places = (width: number, length = 700) => marksOf(length, width, STEPS, 40).all.map(({ at }) => at);

test('marks stand as close as their words let them', () => {
  expect(places(420)).toEqual([0, 100, 200, 300, 400, 500, 600, 700]);
  expect(places(150)).toEqual([0, 200, 400, 600]);
  expect(places(6000, 60)).toEqual([0, 10, 20, 30, 40, 50, 60]);
});

test('words after the last marks that would be cut are told', () => {
  const { all } = marksOf(680, 408, STEPS, 40);
  expect(all.filter(({ hasRoom }) => !hasRoom).map(({ at }) => at)).toEqual([]);
  expect(marksOf(620, 372, STEPS, 40).all.at(-1)).toEqual({ at: 600, hasRoom: false });
});

test('where none is far enough apart, they stand as far apart as any', () => {
  expect(marksOf(10_000, 100, STEPS, 40).each).toBe(500);
});
