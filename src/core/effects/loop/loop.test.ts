import { beforeAll, describe, expect, it } from 'vitest';
import { apply } from '../../commands/apply';
import type { Command } from '../../commands/commands';
import { loadRules, runFindings } from '../../findings/run';
import { STILL_TRACK, trackOf } from '../../motion/track';
import { createPreviewSession } from '../../compile/preview';
import { printPage } from '../../compile/page';
import type { PageId } from '../../project/types';
import { after, refusedWith, sampleProject } from '../../testing/project';
import { registry } from '../../whole';
import { lengthOf, loopOf, ownValues } from './timing';
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
    const [{ or }] = found(looping) as [ReturnType<typeof found>[number]];
    const stopped = after(looping, ...(or!.commands as Command[]));
    expect(found(stopped)).toEqual([]);
    expect(Object.values(stopped.nodes).filter(({ kind }) => kind === 'still')).toHaveLength(1);
    expect(found(after(looping, set('count', 2)))).toMatchObject([{ number: '6 s' }]);
  });

  it('moves as it is written, a property by itself, spread evenly over the time', () => {
    const track = trackOf({ form: 'own', ms: 900, easing: 'linear' });
    const written = { ...own, track, translate: '0 0 → 0 -12px → 0 0', opacity: '1 -> 0.5' };
    expect(loopOf(written)).toBe(
      'k-own-translate-3 900ms linear infinite normal, k-own-opacity-2 900ms linear infinite normal'
    );
    expect(ownValues(written)).toEqual({
      '--k-own-translate-0': '0 0',
      '--k-own-translate-1': '0 -12px',
      '--k-own-translate-2': '0 0',
      '--k-own-opacity-0': '1',
      '--k-own-opacity-1': '0.5'
    });
    expect(ownValues(own)).toEqual({});
    expect(lengthOf({ ...written, count: 3 })).toBe(2.7);
  });

  // CSS Animations 1, 4.1: keyframes stand at percents of the way; CSS Images 4, 3.5.3 for those that say none.
  it('reaches values at moments that are said, the others spread evenly between those', () => {
    const track = trackOf({ form: 'own', ms: 900, easing: 'linear' });
    const written = { ...own, track, scale: '1 → 1.2 at 10% → 1.1 → 1.05 → 1' };
    expect(loopOf(written)).toBe('k-own-scale-5-at-10-40-70 900ms linear infinite normal');
    expect(ownValues(written)['--k-own-scale-1']).toBe('1.2');
    const made = after(
      looping,
      set('track', { form: 'own', ms: 900, delay: 0, easing: 'linear', step: 0, from: 'first' }),
      set('scale', '1 → 1.2 at 10% → 1')
    );
    const { css } = printPage(registry, made, 'first' as PageId, { addressOf: ({ file }) => file });
    expect(css).toMatch(
      /@keyframes own-scale-3-at-10 \{\s+0% \{[^}]+\}\s+10% \{\s+scale: var\(--k-own-scale-1\);/
    );
    // The preview has them with the piece that plays them.
    const sheets = createPreviewSession(registry).patchFor(made, 'first' as PageId)!.sheets;
    expect(sheets.filter(({ css: own }) => own.includes('@keyframes k-own-scale-3-at-10 {'))).toHaveLength(1);
  });

  it.each([
    ['scale', '1 → 1.2 at 30% → 1.1 at 60% → 1', true],
    ['scale', '1 → 1.2 at 60% → 1.1 at 30% → 1', false],
    ['scale', '1 → 1.2 at 100% → 1', false],
    ['scale', '1 at 10% → 1.2 → 1', false],
    ['opacity', '1 → 50% at 30% → 1', true],
    ['translate', '0 0 → 0 -12px → 0 0', true],
    ['rotate', '-2deg → 2deg', true],
    ['scale', '1 → 1.1 → 1 → 1.1 → 1', true],
    ['opacity', '', true],
    ['translate', '0 0', false],
    ['translate', 'up → down', false],
    ['rotate', '2 → 4', false],
    ['scale', '1 → 2 → 3 → 4 → 5 → 6', false],
    ['translate', 'width: 3px → 0', false]
  ])('of %s, “%s” is taken: %s', (key, value, isTaken) => {
    expect(apply(registry, looping, set(key, value)).ok).toBe(isTaken);
  });

  it('with nothing written is told, and its fix lets it move', () => {
    const track = { form: 'own', ms: 900, delay: 0, easing: 'linear', step: 0, from: 'first' };
    const empty = after(looping, set('track', track), set('count', 1));
    const found = (project: typeof looping) =>
      runFindings(registry, project).filter(({ rule }) => rule === 'loop-unwritten');
    expect(found(empty)).toMatchObject([{ fix: { label: 'Let it float' } }]);
    expect(found(after(empty, ...(found(empty)[0]!.fix!.commands as Command[])))).toEqual([]);
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
