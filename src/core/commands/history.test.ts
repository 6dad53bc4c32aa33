import { describe, expect, it } from 'vitest';
import { registry } from '../whole';
import { id, sampleProject } from '../testing/project';
import { apply } from './apply';
import { NO_HISTORY, recorded, redone, undone, type History } from './history';

function typed(words: readonly [text: string, mergeKey: string | null][]) {
  let project = sampleProject();
  let history: History = NO_HISTORY;
  for (const [text, mergeKey] of words) {
    const outcome = apply(registry, project, {
      type: 'set-setting',
      id: 'heading',
      key: 'text',
      value: text
    });
    if (!outcome.ok || !outcome.diff) throw new Error('expected a change');
    project = outcome.project;
    history = recorded(history, { diff: outcome.diff, label: outcome.label, mergeKey });
  }
  return { project, history };
}

const textOf = (turned: { project: ReturnType<typeof sampleProject> } | null) =>
  turned?.project.nodes[id('heading')]!.settings.text;

describe('history', () => {
  it('takes back one step at a time, and gives each again', () => {
    const { project, history } = typed([
      ['a', null],
      ['b', null]
    ]);
    const once = undone(project, history)!;
    const twice = undone(once.project, once.history)!;
    expect([textOf(once), textOf(twice)]).toEqual(['a', 'Hello']);
    expect(undone(twice.project, twice.history)).toBeNull();
    const again = redone(twice.project, twice.history)!;
    expect(textOf(again)).toBe('a');
    expect(textOf(redone(again.project, again.history))).toBe('b');
  });

  it('takes one movement of the hand back whole, and no neighbouring one with it', () => {
    const { project, history } = typed([
      ['a', 'drag 1'],
      ['b', 'drag 1'],
      ['c', 'drag 2'],
      ['d', 'drag 2']
    ]);
    const back = undone(project, history)!;
    expect(textOf(back)).toBe('b');
    expect(back.diffs).toHaveLength(2);
    expect(textOf(undone(back.project, back.history))).toBe('Hello');
    expect(textOf(redone(back.project, back.history))).toBe('d');
  });

  it('drops what was undone when something new is done', () => {
    const { project, history } = typed([['a', null]]);
    const back = undone(project, history)!;
    const outcome = apply(registry, back.project, { type: 'rename', id: 'heading', name: 'Other' });
    if (!outcome.ok || !outcome.diff) throw new Error('expected a change');
    expect(
      redone(outcome.project, recorded(back.history, { diff: outcome.diff, label: '', mergeKey: null }))
    ).toBeNull();
  });
});
