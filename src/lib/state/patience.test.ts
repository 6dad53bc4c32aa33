import { describe, expect, it } from 'vitest';
import { Patience } from './patience';

/** A page that never stands and answers each time after so many ms: how often it is asked, and until when, ms. */
function waitedFor(answersAfter: number): { asks: number; ms: number } {
  let now = 0;
  let asks = 0;
  let due: (() => void) | null = null;
  const patience = new Patience({
    now: () => now,
    nextFrame: (then) => {
      now += 16;
      due = then;
    },
    later: (then, ms) => {
      now += ms;
      due = then;
    }
  });
  patience.renew();
  const asked = () => {
    asks += 1;
    now += answersAfter;
  };
  while (patience.again(asked)) due!();
  return { asks, ms: now };
}

describe('a page that never stands as it was asked for', () => {
  it('is left after some 10 s, and not asked with every frame for so long', () => {
    const { asks, ms } = waitedFor(1);
    expect(ms).toBeGreaterThanOrEqual(10_000);
    expect(ms).toBeLessThan(11_000);
    expect(asks).toBeLessThan(150);
  });

  it('has time for 30 answers where each takes a second', () => {
    const { asks, ms } = waitedFor(1000);
    expect(asks).toBeGreaterThanOrEqual(29);
    expect(ms).toBeLessThan(40_000);
  });
});

it('begins to count anew for something else', () => {
  let now = 0;
  const patience = new Patience({ now: () => now, nextFrame: () => {}, later: () => {} });
  patience.renew();
  for (let i = 0; i < 29; i++) expect(patience.again(() => {})).toBe(true);
  now = 20_000;
  expect(patience.again(() => {})).toBe(false);
  patience.renew();
  expect(patience.again(() => {})).toBe(true);
});
