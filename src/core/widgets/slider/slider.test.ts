import { beforeAll, describe, expect, it } from 'vitest';
import { apply } from '../../commands/apply';
import type { Command } from '../../commands/commands';
import { loadRules, runFindings } from '../../findings/run';
import { makeWith, panelWith } from '../../kinds/make';
import { restToRead, roundLength, roundOf } from '../../kinds/round';
import type { Schedule } from '../../kinds/schedule';
import type { Node, NodeId, Project } from '../../project/types';
import { after, refusedWith, sampleProject } from '../../testing/project';
import { registry } from '../../whole';
import { slideWidth } from './style';

const make = makeWith({ exactIds: true });
const words = (count: number) => Array.from({ length: count }, (_, i) => `word${i}`).join(' ');

/** A slider whose slides have so many words each. */
function withSlider(settings: Node['settings'], counts: readonly number[] = [10, 40, 5]): Project {
  const panels = counts.map((count, i) => panelWith(make, `Slide ${i + 1}`, words(count)));
  return after(sampleProject(), {
    type: 'insert',
    fragment: make('slider', 'Cards', settings, { panels }),
    at: { parent: 'section', slot: 'content', index: 0 }
  } as Command);
}

const set = (key: string, value: unknown): Command =>
  ({ type: 'set-setting', id: 'cards', key, value }) as Command;
const found = (project: Project) =>
  runFindings(registry, project).filter(({ rule }) => rule.startsWith('slider-'));
const mended = (project: Project): Project =>
  after(project, ...(found(project).flatMap(({ fix }) => fix?.commands ?? []) as Command[]));

beforeAll(() => loadRules(registry));

describe('a slide', () => {
  // CSS Box Alignment 3, section 8: gaps stand between boxes only.
  it('is as wide as the window less the gaps, by how many are in sight', () => {
    expect(slideWidth({ visible: 1, gap: 20 })).toBe('100%');
    expect(slideWidth({ visible: 3, gap: 20 })).toBe('calc((100% - 40px) / 3)');
    expect(slideWidth({ visible: 2.5, gap: 20 })).toBe('calc((100% - 40px) / 2.5)');
    expect(slideWidth({ visible: 4, gap: 0 })).toBe('calc(100% / 4)');
  });
});

describe('one round', () => {
  const stepsOf = (project: Project, isBackwards = false, more: Partial<Schedule> = {}) =>
    roundOf(
      project,
      project.nodes['cards' as NodeId]!,
      { slot: 'panels', rest: 5, move: 0.5, isBackwards, visible: 1, step: 1, isRound: true, ...more },
      registry.of
    );

  it('takes as long as all rests and moves: three times 5.5 s', () => {
    const steps = stepsOf(withSlider({}));
    expect(steps.map(({ start }) => start)).toEqual([0, 5.5, 11]);
    expect(roundLength(steps)).toBe(16.5);
    expect(roundLength([])).toBe(0);
  });

  it('rests only where it comes to rest: of several in sight the last never stand first', () => {
    const six = withSlider({}, [1, 2, 3, 4, 5, 6]);
    const names = (more: Partial<Schedule>) =>
      stepsOf(six, false, more).map(({ name }) => Number(name.slice(-1)));
    expect(names({ visible: 3, isRound: false })).toEqual([1, 2, 3, 4]);
    expect(names({ visible: 3, step: 3, isRound: false })).toEqual([1, 4]);
    expect(names({ visible: 3, step: 2, isRound: false })).toEqual([1, 3, 4]);
    expect(names({ visible: 3 })).toEqual([1, 2, 3, 4, 5, 6]);
    expect(names({ visible: 9, isRound: false })).toEqual([1]);
    // By four of six it comes round by every second one.
    expect(names({ step: 4 })).toEqual([1, 5, 3]);
    expect(stepsOf(withSlider({}, [])).length).toBe(0);
  });

  it('gives a slide the time of every rest it is in sight', () => {
    const [first] = stepsOf(withSlider({}, [238, 1, 1]), false, { visible: 3 });
    expect(first).toMatchObject({ rests: 3, inSight: 16, reading: 60 });
    // 60 s, less two moves of 0.5 s, in three rests: 19.67 s.
    expect(restToRead(first!)).toBe(20);
  });

  it('says how long each slide takes to read, and lets each rest for a time of its own', () => {
    const project = withSlider({}, [238, 119]);
    expect(stepsOf(project).map(({ reading }) => reading)).toEqual([60, 30]);
    expect(stepsOf(project).map(restToRead)).toEqual([60, 30]);
    const own = after(project, { type: 'set-setting', id: 'slide-1', key: 'rest', value: 12 });
    expect(stepsOf(own).map(({ rest }) => rest)).toEqual([12, 5]);
    expect(stepsOf(own, true).map(({ name }) => name)).toEqual(['Slide 2', 'Slide 1']);
  });
});

describe('what can be wrong with a slider', () => {
  it.each([
    ['slider-too-few', { ends: 'loop', visible: 3 }, /cannot go round: 3 slides, 3 in sight/],
    ['slider-even-centre', { align: 'center', visible: 2 }, /2 slides in sight have none in the middle/],
    ['slider-no-hold', { plays: true, rest: 60, button: false }, /Nobody can hold Cards/],
    ['slider-unread', { plays: true, rest: 5 }, /Slide 2 of Cards is gone before it is read/],
    [
      'slider-move-too-long',
      {
        plays: true,
        rest: 60,
        move: { form: 'glide', ms: 10_000, delay: 0, easing: 'ease', step: 0, from: 'first' }
      },
      null
    ]
  ] as const)('%s: is told, and its fix mends it', (rule, settings, sentence) => {
    const project = withSlider(settings as Node['settings']);
    const mine = found(project);
    if (!sentence) return expect(mine).toEqual([]);
    expect(mine).toMatchObject([{ rule, sentence: expect.stringMatching(sentence) }]);
    expect(found(mended(project))).toEqual([]);
  });

  it('that moves for longer than it rests is told', () => {
    const move = { form: 'glide', ms: 3000, delay: 0, easing: 'ease', step: 0, from: 'first' };
    const project = withSlider({ plays: true, rest: 2, move }, [1, 1]);
    expect(found(project)).toMatchObject([{ rule: 'slider-move-too-long', number: '3000 ms of 2 s' }]);
    expect(found(mended(project))).toEqual([]);
  });

  it('with pictures of different shapes is told, and its fix cuts them to one shape', () => {
    const picture = (name: string, width: number): Command =>
      ({
        type: 'add-asset',
        asset: { id: name, file: `${name}.png`, type: 'image/png', width, height: 400, bytes: 1000 }
      }) as Command;
    const panel = (name: string) =>
      make(
        'panel',
        `${name} slide`,
        {},
        { content: [make('image', `${name} shown`, { asset: name, alt: name })] }
      );
    const of = (...names: string[]) =>
      after(sampleProject(), picture('wide', 800), picture('tall', 300), picture('same', 801), {
        type: 'insert',
        fragment: make('slider', 'Cards', {}, { panels: names.map(panel) }),
        at: { parent: 'section', slot: 'content', index: 0 }
      } as Command);
    const project = of('wide', 'tall');
    expect(found(project)).toMatchObject([{ rule: 'slider-other-shapes', number: '0.75 : 1 to 2 : 1' }]);
    expect(found(mended(project))).toEqual([]);
    expect(found(of('wide', 'same'))).toEqual([]);
  });

  it('with dots that can hardly be seen is told, in every state, and its fix makes them seen', () => {
    const faint = (state: string): Command =>
      ({
        type: 'set-style',
        id: 'cards',
        part: 'dot',
        state,
        condition: 'always',
        property: 'background-color',
        value: '#f4f2ee'
      }) as Command;
    const marks = (of: Project) => runFindings(registry, of).filter(({ rule }) => rule === 'mark-contrast');
    expect(marks(withSlider({}))).toEqual([]);
    const project = after(withSlider({}), faint('rest'), faint('hover'), faint('selected'));
    expect(marks(project).map(({ sentence }) => sentence.replace(/: .*/, ''))).toEqual([
      'The dot of Cards can hardly be seen',
      'The dot of Cards can hardly be seen on hover',
      'The dot of Cards can hardly be seen on selected'
    ]);
    expect(
      marks(after(project, ...(marks(project).flatMap(({ fix }) => fix!.commands) as Command[])))
    ).toEqual([]);
  });

  it('is nothing while it stands still, or has one slide', () => {
    expect(found(withSlider({}))).toEqual([]);
    expect(found(withSlider({ ends: 'rewind', plays: true, rest: 20 }, [1]))).toEqual([]);
  });
});

describe('bad input', () => {
  it.each([
    ['rest', 0],
    ['rest', 4000],
    ['visible', 0],
    ['visible', 13],
    ['gap', -1],
    ['step', 0],
    ['step', 1.5],
    ['form', 'spin'],
    ['ends', 'nowhere']
  ])('%s %s is refused', (key, value) => {
    expect(refusedWith(apply(registry, withSlider({}), set(key, value)))).toBe('bad-setting');
  });

  it('the last slide stays', () => {
    const remove: Command = { type: 'remove', ids: ['slide-1'] } as Command;
    expect(refusedWith(apply(registry, withSlider({}, [1]), remove))).toBe('too-few');
  });
});
