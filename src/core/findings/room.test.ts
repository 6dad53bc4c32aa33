import type { ConditionName } from '../project/types';
import { describe, expect, it } from 'vitest';
import { apply } from '../commands/apply';
import type { Command } from '../commands/commands';
import { makeWith } from '../kinds/make';
import type { Project } from '../project/types';
import { registry } from '../whole';
import { after, sampleProject } from '../testing/project';
import { runFindings } from './run';

const make = makeWith({ exactIds: true });
const set = (id: string, key: string, value: unknown): Command => ({ type: 'set-setting', id, key, value });
const style = (
  id: string,
  property: string,
  value: string,
  condition: ConditionName = 'always'
): Command => ({
  type: 'set-style',
  id,
  part: 'root',
  state: 'rest',
  condition,
  property,
  value
});
const of = (rule: string, project: Project) =>
  runFindings(registry, project).filter((each) => each.rule === rule);
const mended = (project: Project, rule: string) => {
  const outcome = apply(registry, project, {
    type: 'batch',
    label: '',
    commands: of(rule, project)[0]!.fix!.commands as Command[]
  });
  return outcome.ok ? of(rule, outcome.project) : null;
};

describe('room', () => {
  // Common practice, no source: an 80 px bar with 75 px of padding above and below.
  it('is short where the padding is higher than the piece', () => {
    const project = after(
      sampleProject(),
      set('section', 'height', '80px'),
      style('section', 'padding', '75px 24px')
    );
    expect(of('padding-over-height', project)).toMatchObject([{ number: '150 of 80 px' }]);
    expect(mended(project, 'padding-over-height')).toEqual([]);
    expect(of('padding-over-height', after(project, set('section', 'height', '150px')))).toEqual([]);
    expect(of('padding-over-height', after(project, set('section', 'height', '80svh')))).toEqual([]);
  });

  it('is kept twice where nothing is seen between two paddings', () => {
    const stack = make('stack', 'Inside', {}, { content: [make('text', 'Words', { html: '<p>Words</p>' })] });
    const section = make('section', 'Outside', {}, { content: [stack] });
    const project = after(
      sampleProject(),
      { type: 'insert', fragment: section, at: { parent: 'page', slot: 'sections', index: 1 } },
      style('inside', 'padding', '40px')
    );
    expect(of('padding-twice', project)).toMatchObject([{ node: 'outside', number: '56 + 40 px' }]);
    expect(mended(project, 'padding-twice')).toEqual([]);
    expect(of('padding-twice', after(project, style('inside', 'background-color', '#eeeeee')))).toEqual([]);
  });

  it('is gone through in the order that is seen', () => {
    const go = (name: string): Command => ({
      type: 'insert',
      fragment: make('button', name, { href: '#top' }),
      at: { parent: 'left', slot: 'content', index: 9 }
    });
    const project = after(sampleProject(), go('First'), go('Second'));
    expect(of('seen-order', project)).toEqual([]);
    expect(of('seen-order', after(project, style('first', 'order', '2')))).toMatchObject([
      { node: 'left', sentence: expect.stringContaining('Second is seen before First') }
    ]);
    expect(of('seen-order', after(project, style('first', 'order', '2', 'narrow')))).toMatchObject([
      { sentence: expect.stringContaining('(narrow)') }
    ]);
    // What cannot be pressed may stand where it looks best.
    expect(of('seen-order', after(sampleProject(), style('heading', 'order', '3')))).toEqual([]);
  });
});
