import { describe, expect, it } from 'vitest';
import { makeWith } from '../kinds/make';
import type { PageId, Project } from '../project/types';
import type { Command } from '../commands/commands';
import { after, sampleProject } from '../testing/project';
import { registry } from '../whole';
import { differencesBetween } from './comparison';

const make = makeWith({ exactIds: true });
const page = 'first' as PageId;
const before = (): Project =>
  after(
    sampleProject(),
    { type: 'set-token', token: { id: 'cream', name: 'Cream', type: 'colour', value: '#f6efe0' } },
    { type: 'set-token', token: { id: 'deep', name: 'Cream, deep', type: 'colour', value: '#f0e4cb' } }
  );

/** Differences as one reads them. */
function told(...commands: Command[]): string[] {
  const start = before();
  return differencesBetween(registry, start, after(start, ...commands)).map(
    ({ where, what, before: was, after: is }) => `${where}: ${what}: ${was} → ${is}`
  );
}

const style = (value: string, condition = 'always'): Command =>
  ({
    type: 'set-style',
    id: 'tabs',
    part: 'tab',
    state: 'hover',
    condition,
    property: 'background-color',
    value
  }) as Command;

describe('what differs between two versions', () => {
  it('is nothing for one and the same, also where it was read from elsewhere', () => {
    const project = before();
    expect(differencesBetween(registry, project, JSON.parse(JSON.stringify(project)) as Project)).toEqual([]);
  });

  it('names part, state, condition and token', () => {
    const start = after(before(), style('{cream}'));
    const [difference] = differencesBetween(registry, start, after(start, style('{deep}')));
    expect(difference).toEqual({
      page,
      node: 'tabs',
      where: 'Tabs, tab, hover',
      what: 'Background',
      before: 'Cream',
      after: 'Cream, deep'
    });
    expect(told(style('#ffffff', 'narrow'))[0]).toMatch(/^Tabs, tab, hover, the narrow band: Background: /);
  });

  it('says settings by their labels, and what stood there before anyone chose', () => {
    expect(told({ type: 'set-setting', id: 'tabs', key: 'foldUnder', value: 500 })).toEqual([
      'Tabs: Fold under: 640 px → 500 px'
    ]);
    expect(
      told({ type: 'set-setting', id: 'text-one', key: 'html', value: '<p>Not the <b>first</b></p>' })
    ).toEqual(['Text one: Text: First → Not the first']);
  });

  it('tells a piece that came or went once, with where it stands', () => {
    const columns = make(
      'columns',
      'New columns',
      {},
      { columns: [make('column', 'Only', {}, { content: [] })] }
    );
    expect(
      told({ type: 'insert', fragment: columns, at: { parent: 'section', slot: 'content', index: 1 } })
    ).toEqual(['New columns: Added: null → columns, after Heading']);
    expect(told({ type: 'remove', ids: ['tabs'] })).toEqual(['Tabs: Taken away: tabs, after Heading → null']);
  });

  it('tells what was moved, and not what was only pushed', () => {
    expect(
      told({ type: 'move', ids: ['heading'], at: { parent: 'left', slot: 'content', index: 0 } })
    ).toEqual(['Heading: Place: first in Section → first in Left']);
    // The last of three comes first: the others were only pushed.
    expect(
      told({ type: 'move', ids: ['columns'], at: { parent: 'section', slot: 'content', index: 0 } })
    ).toEqual(['Columns: Place: after Tabs → first in Section']);
  });

  it('tells names, effects, pages, tokens and bands', () => {
    const said = told(
      { type: 'rename', id: 'tabs', name: 'Seasons' },
      { type: 'add-effect', id: 'section', effect: 'enter' },
      { type: 'set-page', id: 'first', key: 'title', value: 'Another title' },
      { type: 'set-token', token: { id: 'cream', name: 'Cream', type: 'colour', value: '#ffffff' } },
      { type: 'set-bands', medium: 900, narrow: 600 }
    );
    expect(said).toEqual(
      expect.arrayContaining([
        'Project: Width bands: 640 and 960 px → 600 and 900 px',
        'Token: Cream: #f6efe0 → #ffffff',
        'First page: Title: Sample → Another title',
        'Seasons: Name: Tabs → Seasons',
        'Section: Enters: null → does it'
      ])
    );
  });

  it('tells a page that came as a page, not with all that is on it', () => {
    const fragment = make(
      'page',
      'Other',
      {},
      { sections: [make('section', 'Its section', {}, { content: [] })] }
    );
    const about = { name: 'Second', title: 'Second', description: '', language: 'en-GB' };
    const added: Command = {
      type: 'add-page',
      page: { id: 'second', ...about, root: fragment.root },
      fragment
    };
    expect(told(added)).toEqual(['Second: Page added: null → Second']);
  });

  it('has nothing in common with a project that it never was', () => {
    const other = make('page', 'Other', {}, { sections: [] });
    const strange: Project = {
      ...before(),
      pages: {},
      nodes: other.nodes,
      info: { ...before().info, pageOrder: [] }
    };
    const all = differencesBetween(registry, before(), strange);
    expect(all.map(({ what }) => what)).toContain('Page deleted');
    // What stood on it went with it.
    expect(all.map(({ what }) => what)).not.toContain('Taken away');
  });
});
