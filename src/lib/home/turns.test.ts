import { expect, test } from 'vitest';
import { createTurns } from './turns';

const settled = () => new Promise((resolve) => setTimeout(resolve));

test('a turn comes when all before it have ended, in whatever order they end', async () => {
  const take = createTurns();
  const turns = [take(), take(), take()];
  const come: number[] = [];
  turns.forEach(({ comes }, i) => void comes.then(() => come.push(i)));
  await settled();
  expect(come).toEqual([0]);
  turns[1]!.end();
  await settled();
  expect(come).toEqual([0]);
  turns[0]!.end();
  await settled();
  expect(come).toEqual([0, 1, 2]);
});
