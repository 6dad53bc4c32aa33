import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Box } from '../facts/box';
import type { Effect } from '../kinds/contract';
import { BOX } from '../testing/boxes';
import { nodeOf } from '../project/tree';
import { settingsForEnd } from '../scroll/ranges';
import { id, sampleProject } from '../testing/project';
import { registry } from '../whole';
import { drift } from './drift/index';
import { follow } from './follow/index';
import { screen } from './screen/index';
import { words } from './words/index';

const node = nodeOf(sampleProject(), id('left'));
const EFFECTS: readonly (readonly [string, Effect])[] = [
  ['what follows the scroll', follow],
  ['words that appear', words]
];

describe.each(EFFECTS)('the range of %s', (_name, effect) => {
  it('comes to where its ends are set, to the percent that settings are kept in', () => {
    const numbers = fc.record({
      top: fc.integer({ min: 900, max: 3000 }),
      tall: fc.integer({ min: 20, max: 1500 }),
      share: fc.integer({ min: 5, max: 95 }),
      end: fc.constantFrom('start', 'end' as const)
    });
    fc.assert(
      fc.property(numbers, ({ top, tall, share, end }) => {
        const box: Box = { ...BOX, top, bottom: top + tall };
        const way = tall + box.height;
        const px = top - box.height + (way * share) / 100;
        const values = effect.settings.getDefault() as Readonly<Record<string, unknown>>;
        const set = { ...values, ...effect.rangeTo!(values, box, end, px) };
        const [range] = effect.ranges!(set, box, node);
        expect(Math.abs(range![end] - px)).toBeLessThanOrEqual(way / 200 + 1);
      })
    );
  });
});

it('whatever tells a range says how its ends are set', () => {
  const wide: Box = { ...BOX, runLength: 3000 };
  const labels = (own: readonly { readonly label: string }[]) => own.map(({ label }) => label);
  const valuesOf = ({ settings }: Pick<Effect, 'settings'>) =>
    settings.getDefault() as Readonly<Record<string, unknown>>;
  const effects = registry
    .everyEffect()
    .filter((effect) => effect.ranges && effect.ranges(valuesOf(effect), wide, node).length > 0);
  const kinds = registry
    .everyKind()
    .filter((kind) => kind.ranges && kind.ranges(valuesOf(kind), wide, node, 'always').length > 0);
  const tellers = [...effects, ...kinds];
  expect(labels(tellers)).toEqual(expect.arrayContaining(['Sticks', 'Drifts', 'Reading progress']));
  expect(labels(tellers.filter(({ rangeTo }) => !rangeTo))).toEqual([]);
});

describe('the range of what drifts', () => {
  const values = { ...drift.settings.getDefault(), speed: 30 };
  const way = BOX.bottom - BOX.top + BOX.height;
  const first = BOX.top - BOX.height;
  const movedTo = (end: 'start' | 'end', px: number) =>
    drift.ranges!({ ...values, ...drift.rangeTo!(values, BOX, end, px) }, BOX, node)[0]!;

  it('comes to where its ends are set, and leaves out less of the way than half at each side', () => {
    expect(movedTo('start', first + 0.25 * way).start).toBeCloseTo(first + 0.25 * way, 6);
    expect(movedTo('end', first + 0.8 * way).end).toBeCloseTo(first + 0.8 * way, 6);
    expect(movedTo('start', first + 0.9 * way).start).toBeCloseTo(first + 0.5 * way, 6);
    expect(movedTo('end', first).end).toBeCloseTo(first + 0.5 * way, 6);
  });

  it('travels by so much less as its range is shorter', () => {
    const whole = drift.ranges!(values, BOX, node)[0]!;
    expect(movedTo('start', first + 0.25 * way).travel).toBeCloseTo(0.75 * whole.travel!, 6);
  });
});

describe('the place where a full screen rests', () => {
  it('is moved by what the screen leaves free at its top, which is never less than nothing', () => {
    const values = screen.settings.getDefault() as Readonly<Record<string, unknown>>;
    const full: Box = { ...BOX, top: 1600, bottom: 2400 };
    const restAt = (px: number) => {
      const set = { ...values, ...screen.rangeTo!(values, full, 'start', px) };
      // Its height follows: it is as much lower as it leaves free.
      const lower: Box = { ...full, bottom: full.bottom - Number(set.less) };
      return screen.ranges!(set, lower, node)[0]!;
    };
    expect(restAt(1510)).toMatchObject({ start: 1510, end: 1510 });
    expect(restAt(1700)).toMatchObject({ start: 1600, end: 1600 });
  });
});

describe('the range of a pinned picture', () => {
  const kind = registry.kindOf('pinned');
  /** Four texts that are as high as they have to be at least, in a window of 800 px. */
  const boxOf = (block: number): Box => ({ ...BOX, top: 1000, bottom: 1000 + (4 * block * 800) / 100 });
  const settings = kind.settings.getDefault() as Readonly<Record<string, unknown>>;
  const movedTo = (end: 'start' | 'end', px: number) => {
    const box = boxOf(Number(settings.block));
    const set = { ...settings, ...settingsForEnd(kind, { effect: 'pinned' }, settings, box, { end, px }) };
    return kind.ranges!(set, boxOf(Number(set.block)), node, 'always')[0]!;
  };

  it('starts where it is set to, by its distance to the top', () => {
    expect(movedTo('start', 910).start).toBe(910);
  });

  it('ends where it is set to, by the height of its texts, to the percent that is kept in', () => {
    for (const px of [1400, 2000, 3333])
      expect(Math.abs(movedTo('end', px).end - px)).toBeLessThanOrEqual(16);
  });
});

describe('the range of a bar of reading progress', () => {
  const kind = registry.kindOf('progress');
  const settings = kind.settings.getDefault() as Readonly<Record<string, unknown>>;
  const rangeWith = (set: object) => kind.ranges!({ ...settings, ...set }, BOX, node, 'always')[0]!;
  const way = BOX.whole - BOX.height;

  it('is the whole way down the page, or what is set of it', () => {
    expect(rangeWith({})).toMatchObject({ start: 0, end: way });
    expect(rangeWith(kind.rangeTo!(settings, BOX, 'start', way / 4)!)).toMatchObject({
      start: way / 4,
      end: way
    });
    expect(rangeWith(kind.rangeTo!(settings, BOX, 'end', way / 2)!)).toMatchObject({
      start: 0,
      end: way / 2
    });
  });

  it('never ends before it begins', () => {
    expect(rangeWith({ from: 60, to: 20 })).toMatchObject({ start: 0.6 * way, end: 0.6 * way });
  });
});
