import bezierEasing from 'bezier-easing';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  curveFigures,
  easingOf,
  KEYWORD_CURVES,
  linearText,
  readEasing,
  SAMPLE_ERROR,
  STILL
} from './easing';
import { groupedTransitions, maybeTransitions, transitionText } from '../css/transition';
import { barsOf, endOf, mostAtOnce, staggers, track, trackOf } from './track';

const sentence = (text: string) => {
  const read = readEasing(text);
  return read.ok ? null : read.sentence;
};

describe('cubic-bezier', () => {
  it('agrees with the bezier-easing package on random curves', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    const up = fc.double({ min: -2, max: 3, noNaN: true });
    fc.assert(
      fc.property(share, up, share, up, share, (x1, y1, x2, y2, time) => {
        const ours = easingOf(
          `cubic-bezier(${x1.toFixed(4)}, ${y1.toFixed(4)}, ${x2.toFixed(4)}, ${y2.toFixed(4)})`
        ).progress(time);
        const theirs = bezierEasing(+x1.toFixed(4), +y1.toFixed(4), +x2.toFixed(4), +y2.toFixed(4))(time);
        expect(Math.abs(ours - theirs))
          // The package works from a table of eleven points, which is coarse where a curve is steep.
          .toBeLessThan(2e-2);
      }),
      { numRuns: 600 }
    );
  });

  it('lies on the curve as it is defined: B(t) of four points, CSS Easing Functions 2, 2.2', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(share, share, share, share, share, (x1, y1, x2, y2, t) => {
        const at = (a: number, b: number) => 3 * (1 - t) ** 2 * t * a + 3 * (1 - t) * t ** 2 * b + t ** 3;
        const { progress } = easingOf(
          `cubic-bezier(${x1.toFixed(5)}, ${y1.toFixed(5)}, ${x2.toFixed(5)}, ${y2.toFixed(5)})`
        );
        const [x, y] = [at(+x1.toFixed(5), +x2.toFixed(5)), at(+y1.toFixed(5), +y2.toFixed(5))];
        // Where the curve stands upright, many heights answer to one time.
        const slope = Math.abs((progress(Math.min(1, x + 1e-6)) - progress(Math.max(0, x - 1e-6))) / 2e-6);
        expect(Math.abs(progress(x) - y)).toBeLessThan(1e-5 + slope * 1e-7);
      }),
      { numRuns: 500 }
    );
  });

  it('gives the keywords their published control points', () => {
    for (const [keyword, points] of Object.entries(KEYWORD_CURVES)) {
      for (const time of [0, 0.1, 0.35, 0.5, 0.9, 1])
        expect(easingOf(keyword).progress(time)).toBeCloseTo(bezierEasing(...points)(time), 4);
    }
  });

  it('refuses handles outside 0 to 1 across, with the number', () => {
    expect(sentence('cubic-bezier(1.2, 0, 0, 1)')).toContain('1.2 would run backwards');
    expect(sentence('cubic-bezier(0, 1, 2)')).toContain('four numbers');
    expect(sentence('cubic-bezier(0.3, 40, 0, 1)')).toContain('−10 and 10');
    expect(sentence('wobble')).toContain('Easing is');
  });
});

describe('steps and linear', () => {
  // CSS Easing Functions 2, section 2.3: worked out from the definition of each jump.
  it.each([
    ['steps(4, jump-end)', [0, 0.25, 0.5, 0.75, 1], [0, 0.25, 0.5, 0.75, 1]],
    ['steps(4, jump-start)', [0, 0.1, 0.5, 0.99], [0.25, 0.25, 0.75, 1]],
    ['steps(2, jump-none)', [0, 0.49, 0.5, 1], [0, 0, 1, 1]],
    ['steps(1, jump-both)', [0, 0.9, 1], [0.5, 0.5, 1]],
    ['step-end', [0, 0.99, 1], [0, 0, 1]]
  ])('%s', (text, times, values) => {
    expect(times.map(easingOf(text).progress)).toEqual(values);
  });

  it('spreads points without a place evenly and goes no place back', () => {
    const { progress } = easingOf('linear(0, 0.5, 1)');
    expect([0, 0.25, 0.5, 1].map(progress)).toEqual([0, 0.25, 0.5, 1]);
    expect(easingOf('linear(0, 0.8 60%, 0.9 30%, 1)').progress(0.6)).toBeCloseTo(0.9);
    expect(easingOf('linear(0, 0.5 25% 75%, 1)').progress(0.6)).toBe(0.5);
  });

  it('refuses what is none', () => {
    expect(sentence('steps(0)')).toContain('1 to 100');
    expect(sentence('steps(1, jump-none)')).toContain('2 to 100');
    expect(sentence('linear(1)')).toContain('two or more');
    expect(sentence('linear(0 10% 20% 30%, 1)')).toContain('two or more');
  });
});

describe('springs', () => {
  it('swing over by the share that is asked for, and are still when their time is up', () => {
    for (const bounce of [0.05, 0.15, 0.3, 0.6, 0.8]) {
      const easing = easingOf(`spring(${bounce})`);
      expect(curveFigures(easing).peak!.over).toBeCloseTo(bounce, 3);
      for (let i = 0; i <= 50; i += 1)
        expect(Math.abs(easing.progress(0.999 + i / 50_000) - 1)).toBeLessThanOrEqual(STILL * 1.05);
    }
  });

  it('follow the closed solution of the damped oscillator', () => {
    // For an overshoot of exp(−π) the damping ratio is √½, so envelope and swing have the same pace: x = 1 −
    // e^(−s)(cos s + sin s).
    const { progress } = easingOf(`spring(${Math.exp(-Math.PI)})`);
    const peakAt = curveFigures(easingOf(`spring(${Math.exp(-Math.PI)})`)).peak!.time;
    for (let time = 0.02; time < 1; time += 0.07) {
      const s = (Math.PI * time) / peakAt;
      expect(progress(time)).toBeCloseTo(1 - Math.exp(-s) * (Math.cos(s) + Math.sin(s)), 1.8);
    }
  });

  it('without a swing never pass their end', () => {
    expect(curveFigures(easingOf('spring(0)')).peak).toBeNull();
  });

  it('that never settle are refused with the reason', () => {
    expect(sentence('spring(1)')).toContain('never settles');
    expect(sentence('spring(0.97)')).toContain('too long');
    expect(sentence('spring(-0.1)')).toContain('0 or more');
  });

  it('leave as linear() within the stated error', () => {
    for (const bounce of [0, 0.02, 0.1, 0.25, 0.5]) {
      const easing = easingOf(`spring(${bounce})`);
      const printed = easingOf(easing.css);
      for (let i = 0; i <= 2000; i += 1)
        expect(Math.abs(printed.progress(i / 2000) - easing.progress(i / 2000))).toBeLessThanOrEqual(
          SAMPLE_ERROR
        );
    }
  });

  it('leave with as few points as serve', () => {
    expect(linearText((time) => time)).toBe('linear(0, 1)');
    expect(linearText((time) => Math.min(1, time * 2)).split(',')).toHaveLength(3);
    // A dozen is what one takes by hand for a spring that swings over once.
    expect(easingOf('spring(0.06)').css.split(',').length).toBeLessThanOrEqual(12);
  });
});

describe('tracks', () => {
  it('stagger from the first, the last and the centre', () => {
    expect(staggers({ step: 60, from: 'first' }, 3)).toEqual([0, 60, 120]);
    expect(staggers({ step: 60, from: 'last' }, 3)).toEqual([120, 60, 0]);
    expect(staggers({ step: 60, from: 'centre' }, 5)).toEqual([120, 60, 0, 60, 120]);
    expect(staggers({ step: 60, from: 'centre' }, 4)).toEqual([60, 0, 0, 60]);
  });

  it('give bars in ms from the event', () => {
    expect(barsOf(trackOf({ ms: 240, delay: 120 }))).toEqual([{ start: 120, end: 360 }]);
    expect(endOf(barsOf(trackOf({ ms: 180, delay: 144, step: 60 }), 3))).toBe(444);
    expect(barsOf(trackOf({ ms: 240, form: 'none' }))).toEqual([]);
    expect(endOf([])).toBe(0);
  });

  it('count what moves at once; bars that touch do not overlap', () => {
    expect(
      mostAtOnce([
        { start: 0, end: 100 },
        { start: 100, end: 200 }
      ])
    ).toBe(1);
    expect(
      mostAtOnce([
        { start: 0, end: 150 },
        { start: 100, end: 200 },
        { start: 120, end: 130 }
      ])
    ).toBe(3);
  });

  it('refuse forty seconds, at the field, with the reason', () => {
    expect(() => track.validateSync(trackOf({ ms: 40_000 }), { strict: true })).toThrow('0 to 10000 ms');
    expect(() => track.validateSync(trackOf({ easing: 'spring(2)' }), { strict: true })).toThrow(
      'never settles'
    );
    expect(track.validateSync(trackOf({ ms: 240, easing: 'spring(0.1)' }), { strict: true }).ms).toBe(240);
  });
});

describe('transitions', () => {
  it('are read entry by entry and written back', () => {
    const text = 'color 150ms ease, translate 80ms cubic-bezier(0.2, 0, 0, 1) 20ms';
    expect(maybeTransitions(text)).toEqual([
      { property: 'color', ms: 150, delay: 0, easing: 'ease' },
      { property: 'translate', ms: 80, delay: 20, easing: 'cubic-bezier(0.2, 0, 0, 1)' }
    ]);
    expect(transitionText(maybeTransitions(text)!)).toBe(text);
    expect(maybeTransitions('0.3s')).toEqual([{ property: 'all', ms: 300, delay: 0, easing: 'ease' }]);
    expect(maybeTransitions('none')).toEqual([]);
    expect(maybeTransitions('color 1s 2s 3s')).toBeNull();
  });

  it('that move alike are one bar', () => {
    expect(groupedTransitions(maybeTransitions('color 150ms, opacity 150ms, scale 90ms')!)).toEqual([
      { properties: ['color', 'opacity'], timing: { ms: 150, delay: 0, easing: 'ease' } },
      { properties: ['scale'], timing: { ms: 90, delay: 0, easing: 'ease' } }
    ]);
  });
});
