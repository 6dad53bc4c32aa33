import { describe, expect, it } from 'vitest';
import type { NodeId } from '../project/types';
import { conflictsIn } from './conflicts';
import { driftAtEdge, driftOfPicture, driftOfPiece, growth } from './drift';
import { progressAt } from './progress';
import type { Range } from './ranges';
import { passage, windowsToGo } from './sideways';
import { nearestRest, restsOf } from './snap';

// Common practice, no source: N panels need a height of N × 100vw, and go (N − 1) × 100vw; at 4 panels 400vw and
// −300vw. What a pixel of the scroll moves follows from the shape of the window.
describe('a sideways section', () => {
  const panels = (count: number, width: number, height: number) =>
    passage({
      top: 0,
      height: count * width,
      windowWidth: width,
      windowHeight: height,
      stripWidth: count * width,
      inset: 0,
      before: 0,
      after: 0
    });

  it('goes three windows for four panels, faster on a tall window than on a wide one', () => {
    expect(windowsToGo(4, 1)).toBe(3);
    const wide = panels(4, 1920, 1080);
    expect([wide.travel, wide.end - wide.start, Number(wide.speed.toFixed(2))]).toEqual([5760, 6600, 0.87]);
    const tall = panels(4, 390, 844);
    expect([tall.travel, tall.end - tall.start, Number(tall.speed.toFixed(2))]).toEqual([1170, 716, 1.63]);
  });

  it('starts when its window is full, under what sticks above it, and rests at both ends', () => {
    const strip = { top: 736, height: 5000, windowWidth: 1120, windowHeight: 720, stripWidth: 4480 };
    const held = passage({ ...strip, inset: 80, before: 0, after: 160 });
    expect(held).toEqual({ start: 656, end: 4776, travel: 3360, speed: 3360 / 4120 });
    expect(passage({ ...strip, inset: 80, before: 100, after: 160 }).start).toBe(756);
  });

  it('goes nowhere where all of it is in the window, and at no speed where it is not held', () => {
    expect(windowsToGo(1, 1)).toBe(0);
    expect(panels(1, 1000, 600)).toEqual({ start: 0, end: 400, travel: 0, speed: 0 });
    expect(panels(2, 300, 800)).toMatchObject({ start: 0, end: 0, speed: 0 });
  });
});

describe('progress', () => {
  it('is 0 before, 1 after, and even between; where nothing lies between it jumps', () => {
    const span = { start: 100, end: 300 };
    expect([0, 100, 150, 300, 999].map((at) => progressAt(span, at))).toEqual([0, 0, 0.25, 1, 1]);
    expect([99, 100].map((at) => progressAt({ start: 100, end: 100 }, at))).toEqual([0, 1]);
    expect([50, 200].map((at) => progressAt({ start: 100, end: 40 }, at))).toEqual([0, 1]);
  });
});

/** The value of a length that is calculated of percentages and the window's height, px. */
function lengthOf(css: string, percent: number, windowHeight: number): number {
  const plain = css
    .replace(/(\d*\.?\d+)lvh/g, (_whole, n: string) => `(${(Number(n) * windowHeight) / 100})`)
    .replace(/(\d*\.?\d+)%/g, (_whole, n: string) => `(${(Number(n) * percent) / 100})`)
    .replace(/px/g, '')
    .replace(/calc/g, '')
    .replace(/\b(min|max)\(/g, 'Math.$1(');
  return Number(new Function(`return ${plain}`)());
}

describe('what drifts', () => {
  it('is written as it is worked out, for any height of piece and window', () => {
    for (const height of [40, 500, 900, 2400])
      for (const window of [500, 900, 1400])
        for (const s of [-0.9, -0.3, 0, 0.2, 0.5, 0.9]) {
          const edge = driftAtEdge(s, height, window);
          expect(lengthOf(driftOfPiece(s), height, window)).toBeCloseTo(edge, 1);
          const grown = height + 2 * lengthOf(growth(s), height, window);
          expect(lengthOf(driftOfPicture(s), grown, window)).toBeCloseTo(edge, 0);
        }
  });

  it('has a picture that reaches over its box by as much as it is off, wherever both are in the window', () => {
    for (const height of [200, 700, 1500])
      for (const s of [-0.5, 0.3, 0.8]) {
        const more = lengthOf(growth(s), height, 800);
        for (let at = -height; at <= 800; at += 50) {
          // The box stands `at` px below the window's upper edge.
          const off = s * (400 - (at + height / 2));
          const [top, bottom] = [Math.max(0, at), Math.min(800, at + height)];
          expect(at + off - more).toBeLessThanOrEqual(top + 0.01);
          expect(at + height + off + more).toBeGreaterThanOrEqual(bottom - 0.01);
        }
      }
  });
});

describe('places at which a page rests', () => {
  const port = { height: 640, before: 0, after: 0, most: 1920 };
  const screens = [0, 640, 1280, 1920].map((top) => ({
    top,
    bottom: top + 640,
    align: 'start' as const,
    margin: 0
  }));

  // Common practice, no source: N screens are N × 100vh in all.
  it('are the tops of screens, and as far as there is to scroll', () => {
    expect(screens.map((area) => restsOf(area, port).start)).toEqual([0, 640, 1280, 1920]);
    expect(restsOf({ ...screens[3]!, margin: 80 }, port).start).toBe(1840);
  });

  // CSS Scroll Snap 1, section 4.1.1: what is higher than the window rests wherever nothing else is seen.
  it('are all within a screen that is higher than the window', () => {
    expect(restsOf({ top: 640, bottom: 1500, align: 'start', margin: 0 }, port)).toEqual({
      start: 640,
      end: 860
    });
    const rests = [
      { start: 0, end: 0 },
      { start: 640, end: 860 }
    ];
    expect([100, 400, 700, 2000].map((at) => nearestRest(rests, at))).toEqual([0, 640, 700, 860]);
    expect(nearestRest([], 77)).toBe(77);
  });
});

const range = (node: string, start: number, end: number, moves: readonly string[]): Range => ({
  sort: 'follows',
  words: node,
  start,
  end,
  travel: null,
  moves,
  node: node as NodeId,
  effect: 'follow',
  scroller: null
});

describe('conflicts', () => {
  it('are two movements of one piece that set the same property at once', () => {
    const found = conflictsIn([
      range('a', 0, 300, ['translate']),
      range('a', 200, 400, ['translate', 'opacity']),
      range('b', 200, 400, ['translate'])
    ]);
    expect(found).toEqual([{ what: 'same', node: 'a', property: 'translate', at: 200 }]);
    expect(conflictsIn([range('a', 0, 100, ['scale']), range('a', 100, 200, ['scale'])])).toEqual([]);
  });

  it('are more than three things that move at once, not what sticks or comes in one after the other', () => {
    const four = ['a', 'b', 'c', 'd'].map((name, n) => range(name, n * 10, 300, ['translate']));
    expect(conflictsIn(four)).toEqual([{ what: 'many', nodes: ['a', 'b', 'c', 'd'], at: 30 }]);
    expect(conflictsIn(four.slice(1))).toEqual([]);
    expect(conflictsIn(four.map((each) => ({ ...each, moves: [] })))).toEqual([]);
    expect(conflictsIn(four.map((each, n) => ({ ...each, start: n * 400, end: n * 400 + 300 })))).toEqual([]);
  });
});
