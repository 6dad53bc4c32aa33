import { beforeAll, describe, expect, it } from 'vitest';
import { apply } from '../../commands/apply';
import type { Command } from '../../commands/commands';
import { loadRules, runFindings } from '../../findings/run';
import { STILL_TRACK, trackOf } from '../../motion/track';
import { after, refusedWith, sampleProject } from '../../testing/project';
import { registry } from '../../whole';
import { lengthOf, loopOf } from './timing';
import { settings } from './settings';

const own = settings.getDefault();
const looping = after(sampleProject(), { type: 'add-effect', id: 'heading', effect: 'loop' } as Command);
const set = (key: string, value: unknown): Command =>
  ({ type: 'set-setting', id: 'heading', key: `loop-${key}`, value }) as Command;

beforeAll(() => loadRules(registry));

describe('a loop', () => {
  // CSS Animations 1, 3.4 and 3.5: there and back is two iterations that alternate.
  it('goes there and back, or round, as often as it is told', () => {
    expect(loopOf(own)).toBe('k-float 1500ms ease-in-out infinite alternate');
    expect(loopOf({ ...own, count: 2 }, 250)).toBe('k-float 1500ms ease-in-out 250ms 4 alternate');
    const spin = { ...own, count: 3, track: trackOf({ form: 'spin', ms: 800, easing: 'linear' }) };
    expect(loopOf(spin)).toBe('k-spin 800ms linear 3 normal');
    expect([lengthOf(own), lengthOf({ ...own, count: 2 }), lengthOf(spin)]).toEqual([null, 6, 2.4]);
    expect(loopOf({ ...own, track: STILL_TRACK })).toBe('none');
  });

  it('without end, or longer than 5 s, is told, and its fix ends it in time', () => {
    const found = (project: typeof looping) =>
      runFindings(registry, project).filter(({ rule }) => rule === 'loop-goes-on');
    expect(found(looping)).toMatchObject([{ number: 'without end' }]);
    const [{ fix }] = found(looping) as [ReturnType<typeof found>[number]];
    expect(found(after(looping, ...(fix!.commands as Command[])))).toEqual([]);
    expect(found(after(looping, set('count', 1)))).toEqual([]);
    expect(found(after(looping, set('count', 2)))).toMatchObject([{ number: '6 s' }]);
  });

  it('is refused where something else moves the same piece, and out of its range', () => {
    const entering = after(sampleProject(), {
      type: 'add-effect',
      id: 'heading',
      effect: 'enter'
    } as Command);
    expect(
      refusedWith(apply(registry, entering, { type: 'add-effect', id: 'heading', effect: 'loop' } as Command))
    ).toBe('unfit');
    expect(refusedWith(apply(registry, looping, set('far', 0)))).toBe('bad-setting');
    expect(refusedWith(apply(registry, looping, set('count', -1)))).toBe('bad-setting');
  });
});
