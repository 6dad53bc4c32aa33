import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Box } from '../facts/box';
import type { Effect } from '../kinds/contract';
import { BOX } from '../testing/boxes';
import { nodeOf } from '../project/tree';
import { id, sampleProject } from '../testing/project';
import { follow } from './follow/index';
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
