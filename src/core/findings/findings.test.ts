import { describe, expect, it } from 'vitest';
import { makeDemo } from '../../../demo/make';
import { makeWith } from '../kinds/make';
import { apply } from '../commands/apply';
import type { Command } from '../commands/define';
import { registry } from '../registry';
import { after, sampleProject } from '../testing/project';
import { runFindings } from './run';

const make = makeWith({ exactIds: true });
const put = (fragment: object, parent = 'left') => ({ type: 'insert', fragment, at: { parent, slot: 'content', index: 0 } });
const found = (...commands: Command[]) => runFindings(registry, after(sampleProject(), ...commands)).map(({ rule, node, severity }) => ({ rule, node, severity }));

describe('findings', () => {
  it('has nothing to say about the demo', () => {
    expect(runFindings(registry, makeDemo().project)).toEqual([]);
  });

  it('sees each fault, and stops seeing it when it is mended', () => {
    const grey = { type: 'set-style', id: 'heading', part: 'root', state: 'rest', condition: 'always', property: 'color', value: '#999999' };
    expect(found()).toEqual([]);
    expect(found(grey)).toEqual([{ rule: 'text-contrast', node: 'heading', severity: 'error' }]);
    expect(found(grey, { ...grey, value: '#757575' })).toEqual([]);
    expect(found({ type: 'remove', ids: ['text-two'] })).toEqual([{ rule: 'empty-panel', node: 'tabs', severity: 'warning' }]);
    expect(found(put(make('button', 'Go', { href: '#nowhere' })))).toEqual([{ rule: 'dead-link', node: 'go', severity: 'warning' }]);
    expect(found(put(make('button', 'Go', { href: '#top' })), { type: 'set-setting', id: 'section', key: 'anchor', value: 'top' })).toEqual([]);
    expect(found(put(make('text', 'Words', { html: '<p><a href="#">x</a></p>' })))).toEqual([{ rule: 'dead-link', node: 'words', severity: 'warning' }]);
  });

  it('does not judge a part that is not drawn', () => {
    const dark = { type: 'set-style', id: 'text-one', part: 'link', state: 'rest', condition: 'always', property: 'color', value: '#eeeeee' };
    expect(found(dark)).toEqual([]);
  });

  it('offers fixes that really mend', () => {
    for (const command of [
      { type: 'remove', ids: ['text-two'] },
      { type: 'batch', label: '', commands: ['one', 'two'].map((id) => ({ type: 'set-setting', id, key: 'disabled', value: true })) }
    ]) {
      const project = after(sampleProject(), command);
      const [finding] = runFindings(registry, project);
      const outcome = apply(registry, project, { type: 'batch', label: finding!.fix!.label, commands: finding!.fix!.commands });
      expect(outcome.ok && runFindings(registry, outcome.project).filter((each) => each.rule === finding!.rule)).toEqual([]);
    }
  });

  it('puts errors first', () => {
    const all = found({ type: 'remove', ids: ['text-two'] }, put(make('button', 'Go', { label: '' }), 'right'));
    expect(all.map((each) => each.severity)).toEqual(['error', 'warning']);
  });
});
