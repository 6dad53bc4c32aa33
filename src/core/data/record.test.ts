import { describe, expect, it } from 'vitest';
import { emptyRecord, inWords, isDeeperThan, ownOf } from './record';

describe('maps keyed by foreign text', () => {
  it('take any key as a key, and change no other object', () => {
    const map = emptyRecord<unknown>();
    map['__proto__'] = { polluted: true };
    map['constructor'] = 1 as never;
    expect(Object.keys(map)).toEqual(['__proto__', 'constructor']);
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
    expect(Object.keys({ ...map })).toEqual(['__proto__', 'constructor']);
  });

  it('are asked for their own entries only', () => {
    expect(ownOf<unknown>({}, 'toString')).toBeUndefined();
    expect(ownOf({ toString: 1 } as Record<string, number>, 'toString')).toBe(1);
  });
});

it('foreign values become words whatever they are', () => {
  expect([inWords('a'), inWords(2), inWords(null), inWords([1]), inWords({ toString: 1 })]).toEqual([
    'a',
    '2',
    'null',
    'a list',
    'a value of the sort “object”'
  ]);
});

it('depth is told without running out of stack', () => {
  let deep: unknown = 1;
  for (let n = 0; n < 100_000; n += 1) deep = n % 2 ? [deep] : { deep };
  expect(isDeeperThan(deep, 1000)).toBe(true);
  expect(isDeeperThan({ a: [{ b: 1 }] }, 2)).toBe(false);
  expect(isDeeperThan({ a: [{ b: 1 }] }, 1)).toBe(true);
});
