import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { inTurn, tagsLeftOut, thorough } from '../tests/support/thorough';
import { TURNS, turnOf } from './turn.mjs';

const hash = (text: string): string => createHash('sha1').update(text).digest('hex');

test('commits that follow one another come to every turn, the same commit always to the same', () => {
  const turns = Array.from({ length: 400 }, (_, n) => turnOf(undefined, hash(`commit ${n}`)));
  const counts = Array.from({ length: TURNS }, (_, n) => turns.filter((turn) => turn === n + 1).length);
  expect(counts.reduce((sum, count) => sum + count)).toBe(400);
  // 50 each, were it even; so far off, one in a million runs would be.
  for (const count of counts) expect(count).toBeGreaterThan(18);
  expect(turnOf(undefined, hash('commit 7'))).toBe(turns[7]);
});

test('the turn that is asked for is run, whatever the commit; without a commit it is the first', () => {
  expect(turnOf('3', hash('any'))).toBe(3);
  expect(turnOf('', null)).toBe(1);
  expect(turnOf(undefined, null)).toBe(1);
});

test.each(['0', '9', '2.5', 'all'])('TURN=%s is refused with the turns there are', (asked) => {
  expect(() => turnOf(asked, null)).toThrow(`TURN is “${asked}”, but the tests have turns 1 to ${TURNS}`);
});

test('a run has the tests of every run and those of its turn; where none is asked for, of all turns', () => {
  const tags = ['', thorough.tag, ...Array.from({ length: 2 * TURNS }, (_, n) => inTurn(n).tag)];
  const had = (turn: number | null) => tags.filter((tag) => !tagsLeftOut(turn).test(`a title ${tag}`));
  expect(had(3)).toEqual(['', '@turn-3', '@turn-3']);
  expect(had(null)).toEqual(tags.filter((tag) => tag !== thorough.tag));
});

test('no turn has many more tests than another', () => {
  const files = readdirSync('tests').filter((name) => name.endsWith('.spec.ts'));
  const marks = files.flatMap((name) => [
    ...readFileSync(`tests/${name}`, 'utf8').matchAll(/\binTurn\((\d+)\)/g)
  ]);
  const counts = Array.from(
    { length: TURNS },
    (_, n) => marks.filter(([, turn]) => Number(turn) === n + 1).length
  );
  expect(Math.max(...counts) - Math.min(...counts), `tests of turns 1 to ${TURNS}: ${counts}`).toBeLessThan(
    12
  );
});
