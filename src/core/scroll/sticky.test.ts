import { describe, expect, it } from 'vitest';
import type { Box } from '../facts/box';
import { BOX } from '../testing/boxes';
import { inViewAt } from './in-view';
import { maybeStuck, shiftAt } from './sticky';

/** 200 px high, it sticks 90 px from the top in an area of 800 px. */
const box = (values: Partial<Box>): Box => ({
  ...BOX,
  bottom: 700,
  insetTop: 90,
  within: null,
  areaTop: 500,
  areaBottom: 1300,
  ...values
});

describe('what sticks', () => {
  // Common practice, no source: travel = container − item − margins; an 80 px bar overlapped by 40 px sticks after 40.
  it('has as much way to go as its place leaves below it', () => {
    expect(maybeStuck(box({}))).toEqual({ start: 410, end: 1010, travel: 600 });
    expect(maybeStuck(box({ marginBottom: 50 }))!.travel).toBe(550);
    expect(maybeStuck(box({ withinBottom: 700 }))!.travel).toBe(0);
    expect(maybeStuck(box({ top: 40, bottom: 120, insetTop: 0, withinBottom: 5000 }))!.start).toBe(40);
  });

  it('is carried along between its start and its end, and nowhere else', () => {
    const shifts = [0, 410, 500, 1010, 2000].map((at) => shiftAt(box({}), at));
    expect(shifts).toEqual([0, 0, 90, 600, 600]);
  });

  it('sticks to the bottom until it reaches its place', () => {
    const low = box({ insetTop: null, insetBottom: 20, top: 1000, bottom: 1100, withinTop: 400 });
    expect(maybeStuck(low)).toEqual({ start: -280, end: 320, travel: 600 });
    expect([-280, 0, 320].map((at) => shiftAt(low, at))).toEqual([-600, -320, -0]);
  });

  it('sticks nowhere without an inset', () => {
    expect(maybeStuck(box({ insetTop: null }))).toBeNull();
    expect(shiftAt(box({ insetTop: null }), 900)).toBe(0);
  });
});

describe('what comes into view', () => {
  it('does so when the share of its height has come up from below', () => {
    expect(inViewAt(box({ top: 1000, bottom: 1400 }), 0.25)).toBe(300);
    // Of what is higher than the window, the share of the window.
    expect(inViewAt(box({ top: 1000, bottom: 5000 }), 0.5)).toBe(600);
    expect(inViewAt(box({ top: 10, bottom: 200 }), 0.25)).toBe(0);
  });
});
