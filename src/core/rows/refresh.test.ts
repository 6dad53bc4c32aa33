import { beforeAll, describe, expect, it } from 'vitest';
import type { Command } from '../commands/commands';
import { printPage } from '../compile/page';
import { createFindingsRunner, loadRules } from '../findings/run';
import { readDocument } from '../formats/document';
import { NO_FACTS } from '../kinds/finding';
import { makeWith } from '../kinds/make';
import { createProject } from '../project/create';
import type { NodeId, PageId, Project, Source, SourceId } from '../project/types';
import { readJson } from '../tables/json';
import { emptyQuery } from '../tables/query';
import { after } from '../testing/project';
import { registry } from '../whole';
import type { Refresh } from './refresh';

beforeAll(() => loadRules(registry));

const id = (text: string) => text as NodeId;
const make = makeWith({ exactIds: true });

function sourceOf(more: Partial<Source> = {}): Source {
  const read = readJson('[{"name":"Quince","price":4.2,"sold":3},{"name":"Perry","price":9,"sold":null}]');
  if (!read.ok) throw new Error(read.sentence);
  const { columns, rows } = read.table;
  const place = 'https://quillmere.example/rows.json';
  return {
    id: 'shop' as SourceId,
    name: 'Shop',
    origin: 'address',
    place,
    taken: '',
    columns,
    rows,
    ...more
  };
}

/** A page with a list whose row has a heading from a column, and what else is done to it. */
function listed(source: Source, ...commands: Command[]): Project {
  const row = make('stack', 'Row', {}, { content: [make('heading', 'Name', { text: 'One', level: '1' })] });
  const list = make('list', 'Shop', { nothing: 'Sold out.' }, { content: [row] });
  const page = make('page', 'Page', {}, { sections: [make('section', 'Section', {}, { content: [list] })] });
  return after(
    createProject('Shop', page, { page: 'page' as PageId }),
    { type: 'set-source', source },
    { type: 'set-query', id: id('shop'), query: { ...emptyQuery(source.id), fresh: true } },
    { type: 'set-binding', id: id('name'), key: 'text', binding: { column: 'name' } },
    ...commands
  );
}

const inRow = (kind: string, name: string): Command => ({
  type: 'insert',
  fragment: make(kind, name),
  at: { parent: id('row'), slot: 'content', index: 1 }
});

const printed = (project: Project) =>
  printPage(registry, project, 'page' as PageId, { addressOf: ({ file }) => file, readable: true });

const obstacles = (project: Project): readonly string[] =>
  createFindingsRunner(registry)
    .run(project, NO_FACTS)
    .filter(({ rule }) => rule === 'list-not-fresh')
    .map(({ cause }) => cause);

/** What the page's script is told. */
const toldIn = (body: string): Refresh => JSON.parse(/data-k-fresh='([^']*)'/.exec(body)![1]!) as Refresh;

describe('a list that its page draws anew', () => {
  it('leaves with the rows of today, a row that stands for all, and what the script is told', () => {
    const { body, behaviours } = printed(listed(sourceOf()));
    expect(behaviours).toEqual(['fresh']);
    const [shown, template] = body.split('<template>');
    expect(shown!.match(/<li>/g)).toHaveLength(2);
    expect(template).toContain('{{name}}');
    expect(template).toContain('Sold out.');
    expect(toldIn(body)).toMatchObject({
      address: 'https://quillmere.example/rows.json',
      types: { name: 'text' },
      marks: { '{{name}}': { column: 'name', otherwise: 'One' } }
    });
  });

  it('has a mark of its own for each way in which a column is written', () => {
    const money = { column: 'price', format: { as: 'money', currency: 'EUR' } } as const;
    const { body } = printed(
      listed(
        sourceOf(),
        inRow('text', 'Price'),
        inRow('text', 'Plain'),
        { type: 'set-binding', id: id('price'), key: 'html', binding: money },
        { type: 'set-binding', id: id('plain'), key: 'html', binding: { column: 'price', otherwise: 'ask' } }
      )
    );
    const marks = Object.entries(toldIn(body).marks).filter(([, { column }]) => column === 'price');
    expect(marks.map(([mark]) => mark).sort()).toEqual(['{{price 2}}', '{{price}}']);
    for (const [mark] of marks) expect(body.split('<template>')[1]).toContain(mark);
  });

  it('is nothing but its rows where nobody asked for it, and in the preview', () => {
    const query = emptyQuery('shop' as SourceId);
    const { body, behaviours } = printed(listed(sourceOf(), { type: 'set-query', id: id('shop'), query }));
    expect(body).not.toContain('template');
    expect(behaviours).toEqual([]);
  });

  it('is kept in a file', () => {
    const project = listed(sourceOf());
    const read = readDocument(registry, JSON.parse(JSON.stringify(project)));
    expect(read.ok && read.project).toEqual(project);
  });

  it.each([
    ['a file', listed(sourceOf({ origin: 'file' })), /came as a file/],
    ['CSV', listed(sourceOf({ place: 'https://quillmere.example/rows.csv?of=today' })), /JSON only/],
    ['a piece with a script', listed(sourceOf(), inRow('number', 'Counted')), /Counted needs the script/],
    [
      'a list in it',
      listed(sourceOf(), inRow('list', 'Inner'), {
        type: 'set-query',
        id: id('inner'),
        query: emptyQuery('shop' as SourceId)
      }),
      /Inner is a list in the list/
    ],
    [
      'a number that goes into the style sheet',
      listed(sourceOf(), inRow('progress', 'Bar'), {
        type: 'set-binding',
        id: id('bar'),
        key: 'height',
        binding: { column: 'sold' }
      }),
      /Bar has more from a column/
    ]
  ])('stays as it left where it has %s, and a finding says so', (_what, project, cause) => {
    expect(obstacles(project).join(' ')).toMatch(cause);
    expect(printed(project).body).not.toContain('data-k-fresh');
  });

  it('has no finding where nothing is in the way', () => expect(obstacles(listed(sourceOf()))).toEqual([]));
});
