import { describe, expect, it } from 'vitest';
import type { Command } from '../commands/commands';
import { runFindings } from '../findings/run';
import { after, id, sampleProject } from '../testing/project';
import { registry } from '../whole';
import { makeWith } from './make';
import { referencesInto } from './references';

const make = makeWith({ exactIds: true });
const set = (piece: string, key: string, value: string, condition?: string) =>
  ({ type: 'set-setting', id: piece, key, value, condition }) as Command;
const into = (project: Parameters<typeof referencesInto>[1], ...ids: string[]) =>
  referencesInto(registry, project, ids.map(id)).map(({ from, key, to }) => [from.id, key, to]);

describe('references', () => {
  const link = make('button', 'Go', { href: '#top' });
  const named = after(sampleProject(), set('tabs', 'first', 'two'), set('section', 'anchor', 'top'), {
    type: 'insert',
    fragment: link,
    at: { parent: id('left'), slot: 'content', index: 0 }
  });

  it('name a piece by its id and by its anchor, from outside of it only', () => {
    expect(into(named, 'two')).toEqual([['tabs', 'first', 'two']]);
    expect(into(named, 'one')).toEqual([]);
    expect(into(named, 'tabs')).toEqual([]);
    // The button stands in the section it leads to; with all of it gone nothing is left that could lead nowhere.
    expect(into(named, 'section')).toEqual([]);
    const below = after(named, {
      type: 'move',
      ids: [id('heading')],
      at: { parent: id('right'), slot: 'content', index: 0 }
    });
    expect(into(after(below, set('go', 'href', '#heading')), 'heading')).toEqual([
      ['go', 'href', '#heading']
    ]);
  });

  it('to what has been deleted are found, and mended', () => {
    const gone = after(named, { type: 'remove', ids: [id('two')] });
    const [finding, ...more] = runFindings(registry, gone).filter(({ rule }) => rule === 'dead-reference');
    expect(more).toEqual([]);
    expect(finding).toMatchObject({ node: 'tabs', view: 'Behaviour' });
    const mended = after(gone, ...(finding!.fix!.commands as Command[]));
    expect(runFindings(registry, mended).filter(({ rule }) => rule === 'dead-reference')).toEqual([]);
  });
});
