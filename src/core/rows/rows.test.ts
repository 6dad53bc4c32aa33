import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { printPage } from '../compile/page';
import { createPreviewSession } from '../compile/preview';
import { apply } from '../commands/apply';
import type { Command } from '../commands/commands';
import { readDocument } from '../formats/document';
import { makeWith } from '../kinds/make';
import { createProject } from '../project/create';
import { diffOf } from '../project/diff';
import { remember } from '../project/lineage';
import { emptyQuery } from '../tables/query';
import type { Node, NodeId, PageId, Project, Row, Source, SourceId } from '../project/types';
import { after, id } from '../testing/project';
import { registry } from '../whole';
import { expanded } from './rows';

const make = makeWith({ exactIds: true });
const PAGE = 'first' as PageId;
const ROWS: readonly Row[] = [
  { fruit: 'Pippin', price: 2.4, about: 'Crisp.' },
  { fruit: 'Russet', price: 3, about: null },
  { fruit: '', price: 1, about: 'Early.' }
];

/** A stack that repeats a stack of a heading and a text. */
function shop(rows: readonly Row[] | null = ROWS): Project {
  const card = make(
    'stack',
    'Card',
    {},
    {
      content: [
        make('heading', 'Fruit', { text: 'A fruit', level: '2' }),
        make('text', 'About', { html: '<p>Soon.</p>' })
      ]
    }
  );
  const section = make('section', 'Shop', {}, { content: [make('stack', 'List', {}, { content: [card] })] });
  const project = createProject('Shop', make('page', 'Page', {}, { sections: [section] }), { page: PAGE });
  return rows ? withRows(project, rows) : project;
}

/** Binds the texts of the card, and gives the list its rows. */
function withRows(project: Project, rows: readonly Row[]): Project {
  const change = (piece: string, more: Partial<Node>) => ({
    [piece]: { ...project.nodes[id(piece)]!, ...more }
  });
  const nodes = {
    ...project.nodes,
    ...change('list', { rows }),
    ...change('fruit', { binds: { text: { column: 'fruit', otherwise: 'No name' } } }),
    ...change('about', { binds: { html: { column: 'about' } } })
  };
  return { ...project, nodes };
}

/** The same pieces with other rows. */
const withOtherRows = (project: Project, rows: readonly Row[]): Project => ({
  ...project,
  nodes: { ...project.nodes, [id('list')]: { ...project.nodes[id('list')]!, rows } }
});

const printed = (project: Project) => printPage(registry, project, PAGE, { addressOf: () => '' });
const words = (project: Project) =>
  [...printed(project).body.matchAll(/>([^<>]+)</g)].map(([, each]) => each);

/** A list within the panels of tabs, which are repeated too, and a text beside them. */
function nested(): Project {
  // The first row has nothing about it: what is bound to that may be shown in later ones alone.
  const project = shop([ROWS[1]!, ROWS[0]!, ROWS[2]!]);
  const question = make('panel', 'Question', {}, { content: [make('heading', 'Ask', { text: 'Why?' })] });
  const inner = make('accordion', 'Inner', {}, { panels: [question] });
  // A query that matches nothing, so that a panel may be left out with it.
  const empty = make('stack', 'Empty', {}, { content: [make('text', 'Nothing')] });
  const bare = make('panel', 'Bare', {}, { content: [empty] });
  const plain = make('tabs', 'Plain', {}, { panels: [make('panel', 'Full', {}, { content: [] }), bare] });
  const season = make('panel', 'Season', {}, { content: [inner] });
  const tabs = make('tabs', 'Seasons', { level: '2' }, { panels: [season] });
  const inserted = [tabs, plain, make('text', 'Beside')].reduce(
    (now, fragment) =>
      after(now, { type: 'insert', fragment, at: { parent: 'shop', slot: 'content', index: 0 } }),
    project
  );
  const rowsIn = (piece: string, rows: readonly Row[]) => ({
    [piece]: { ...inserted.nodes[id(piece)]!, rows }
  });
  const listed = {
    ...inserted,
    nodes: {
      ...inserted.nodes,
      ...rowsIn('seasons', [{ season: 'Spring' }, { season: 'Autumn' }]),
      ...rowsIn('inner', [{ ask: 'When?' }, { ask: 'Where?' }])
    }
  };
  const none = 'none' as SourceId;
  const source: Source = {
    id: none,
    name: 'None',
    origin: 'file',
    place: '',
    taken: '',
    columns: [],
    rows: []
  };
  return after(
    listed,
    { type: 'set-source', source },
    { type: 'set-query', id: 'empty', query: emptyQuery(none) },
    { type: 'set-binding', id: 'season', key: 'name', binding: { column: 'season' } },
    { type: 'set-binding', id: 'ask', key: 'text', binding: { column: 'ask' } }
  );
}

const look =
  (piece: string) =>
  (n: number): Command => ({
    type: 'set-style',
    id: piece,
    part: 'root',
    state: 'rest',
    condition: 'always',
    property: 'opacity',
    value: `${n / 20}`
  });

/** Edits of pieces in lists, around them and beside them; `n` makes each another one. */
const EDITS: readonly ((n: number) => Command)[] = [
  ...['fruit', 'about', 'card', 'list', 'ask', 'inner', 'season', 'beside', 'shop'].map(look),
  (n) => ({ type: 'rename', id: 'question', name: `Question ${n}` }),
  (n) => ({ type: 'set-setting', id: 'fruit', key: 'text', value: `Fruit ${n}`, condition: 'always' }),
  (n) => ({ type: 'set-setting', id: 'bare', key: 'leftOut', value: n % 2 === 0, condition: 'always' }),
  (n) => ({ type: 'set-binding', id: 'fruit', key: 'text', binding: n % 2 ? { column: 'price' } : null }),
  (n) => ({ type: 'set-binding', id: 'about', key: 'shown', binding: n % 2 ? { column: 'about' } : null }),
  (n) => ({ type: 'duplicate', ids: [n % 2 ? 'fruit' : 'beside'] }),
  (n) => ({
    type: 'insert',
    fragment: make('text', `New ${n}`),
    at: { parent: 'card', slot: 'content', index: 0 }
  }),
  (n) => ({ type: 'move', ids: ['about'], at: { parent: 'card', slot: 'content', index: n % 2 } }),
  () => ({ type: 'remove', ids: ['about'] }),
  (n) => ({ type: 'rename-project', name: `Shop ${n}` })
];

/** A command that is refused leaves the project as it was. */
function applied(project: Project, command: Command): Project {
  const outcome = apply(registry, project, command);
  return outcome.ok ? outcome.project : project;
}

describe('rows', () => {
  it('print the piece once for each, as pieces made by hand would be', () => {
    expect(words(shop())).toEqual(['Pippin', 'Crisp.', 'Russet', 'Soon.', 'No name', 'Early.']);
    const list = ROWS.map((_, n) =>
      make(
        'stack',
        `Card ${n}`,
        {},
        {
          content: [
            make('heading', `Fruit ${n}`, { text: ['Pippin', 'Russet', 'No name'][n]!, level: '2' }),
            make('text', `About ${n}`, { html: ['<p>Crisp.</p>', '<p>Soon.</p>', '<p>Early.</p>'][n]! })
          ]
        }
      )
    );
    const section = make('section', 'Shop', {}, { content: [make('stack', 'List', {}, { content: list })] });
    const byHand = createProject('Shop', make('page', 'Page', {}, { sections: [section] }), { page: PAGE });
    expect(printed(shop())).toEqual(printed(byHand));
  });

  it('change nothing where there are none, and leave nothing where they are empty', () => {
    const plain = shop(null);
    expect(expanded(registry, plain).project).toBe(plain);
    expect(words(shop([]))).toEqual([]);
  });

  it('have ids of their own, which lead back to the piece they are copies of', () => {
    const { project, templateOf } = expanded(registry, shop());
    const cards = project.nodes[id('list')]!.slots.content!;
    expect(cards).toEqual(['card', 'card-row-2', 'card-row-3']);
    expect(cards.map(templateOf)).toEqual(['card', 'card', 'card']);
    expect(project.nodes[id('card-row-3')]!.slots.content).toEqual(['fruit-row-3', 'about-row-3']);
    const taken = after(shop(), {
      type: 'insert',
      fragment: make('text', 'Card row 2'),
      at: { parent: 'shop', slot: 'content', index: 0 }
    } as Command);
    const beside = expanded(registry, taken).project.nodes[id('list')]!.slots.content!;
    expect(new Set(beside).size).toBe(3);
    expect(beside).not.toContain('card-row-2');
  });

  it('stay the same objects while their template and their row do', () => {
    const project = shop();
    const before = expanded(registry, project).project;
    const next = withOtherRows(project, [ROWS[0]!, { ...ROWS[1]!, fruit: 'Costard' }, ROWS[2]!]);
    const now = expanded(registry, next).project;
    expect(now.nodes[id('fruit-row-3')]).toBe(before.nodes[id('fruit-row-3')]);
    expect(now.nodes[id('fruit-row-2')]).not.toBe(before.nodes[id('fruit-row-2')]);
  });

  it('are sent to the frame one by one: what an edit does not touch is not sent again', () => {
    const session = createPreviewSession(registry);
    const project = shop();
    expect(session.patchFor(project, PAGE)!.nodes.map((each) => each.id)).toContain('about-row-3');
    const renamed = withOtherRows(project, [ROWS[0]!, { ...ROWS[1]!, fruit: 'Costard' }, ROWS[2]!]);
    expect(session.patchFor(renamed, PAGE)!.nodes.map((each) => each.id)).toEqual(['fruit-row-2']);
    const fewer = session.patchFor(withOtherRows(project, ROWS.slice(0, 1)), PAGE)!;
    expect([...fewer.removed].sort()).toEqual([
      'about-row-2',
      'about-row-3',
      'card-row-2',
      'card-row-3',
      'fruit-row-2',
      'fruit-row-3'
    ]);
  });

  it('share the look of their template: tuned once, it is printed once', () => {
    const tuned = after(shop(), {
      type: 'set-style',
      id: 'fruit',
      part: 'root',
      state: 'rest',
      condition: 'always',
      property: 'color',
      value: '#123456'
    });
    expect(printed(tuned).css.match(/#123456/g)).toHaveLength(1);
    const { sheets, values } = createPreviewSession(registry).patchFor(tuned, PAGE)!;
    expect(sheets.filter((each) => each.id === 'fruit look')).toHaveLength(1);
    expect(values.filter(({ stem }) => stem === 'fruit').map((each) => each.id)).toEqual([
      'fruit',
      'fruit-row-2',
      'fruit-row-3'
    ]);
  });

  it('repeat panels of tabs with their labels, and lists within lists', () => {
    const inner = make(
      'accordion',
      'Inner',
      {},
      { panels: [make('panel', 'Question', {}, { content: [] })] }
    );
    const tabs = make(
      'tabs',
      'Seasons',
      { level: '2' },
      { panels: [make('panel', 'Season', {}, { content: [inner] })] }
    );
    const section = make('section', 'All', {}, { content: [tabs] });
    const made = createProject('Nested', make('page', 'Page', {}, { sections: [section] }), { page: PAGE });
    const set = (piece: string, more: Partial<Node>) => ({ [piece]: { ...made.nodes[id(piece)]!, ...more } });
    const nodes = {
      ...made.nodes,
      ...set('seasons', { rows: [{ season: 'Spring' }, { season: 'Autumn' }] }),
      ...set('season', { binds: { name: { column: 'season' } } }),
      ...set('inner', { rows: [{ ask: 'When?' }, { ask: 'Where?' }] }),
      ...set('question', { binds: { name: { column: 'ask' } } })
    };
    const { body } = printed({ ...made, nodes });
    expect(body.match(/When\?|Where\?/g)).toEqual(['When?', 'Where?', 'When?', 'Where?']);
    expect(body).toContain('Spring');
    const ids = [...body.matchAll(/ id="([^"]+)"/g)].map(([, each]) => each);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('stay what they are where the first row does not show a piece that is edited', () => {
    const shown: Command = { type: 'set-binding', id: 'about', key: 'shown', binding: { column: 'about' } };
    const before = after(nested(), shown);
    expanded(registry, before);
    const edited = after(before, look('about')(1));
    const { nodes } = expanded(registry, edited).project;
    expect(nodes[id('card')]!.slots.content).toEqual(['fruit']);
    expect(nodes[id('about')]).toEqual(edited.nodes[id('about')]);
    expect(nodes[id('about-row-2')]!.styles).toEqual(edited.nodes[id('about')]!.styles);
  });

  it('are after any edits what they are of the project as it is read from a file', () => {
    const edits = fc.array(fc.constantFrom(...EDITS), { minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(edits, fc.nat(2), (commands, every) => {
        let project = nested();
        expanded(registry, project);
        commands.forEach((command, n) => {
          const edited = applied(project, command(n));
          // Some are looked at together: the hand was faster.
          if (n % (every + 1) === 0) expanded(registry, edited);
          project = edited;
        });
        const made = expanded(registry, project);
        const anew = expanded(registry, structuredClone(project));
        expect(made.project).toEqual(anew.project);
        const ids = Object.keys(anew.project.nodes) as NodeId[];
        expect(ids.map(made.templateOf)).toEqual(ids.map(anew.templateOf));
      })
    );
  });

  it('are read from a file; what is damaged of them is left out and told', () => {
    const project = shop();
    const read = readDocument(registry, JSON.parse(JSON.stringify(project)));
    if (!read.ok) throw new Error(read.sentence);
    expect(read.faults).toEqual([]);
    expect(read.project).toEqual(project);
    const damaged = JSON.parse(JSON.stringify(shop()));
    damaged.nodes.list.rows.push({ fruit: { deep: 1 } }, 7);
    damaged.nodes.about.binds = { colour: { column: 'x' }, html: 'about' };
    const again = readDocument(registry, damaged);
    if (!again.ok) throw new Error(again.sentence);
    expect(again.faults.map(({ code }) => code).sort()).toEqual(['binding', 'rows']);
    expect(again.project.nodes[id('list')]!.rows).toEqual(ROWS);
    expect(again.project.nodes[id('about')]!.binds).toBeUndefined();
  });
});

describe('a project that repeats nothing', () => {
  it('stays the same object, and begins to repeat with the edit that brings rows', () => {
    const plain = shop(null);
    expect(expanded(registry, plain).project).toBe(plain);
    const edited = after(plain, { type: 'rename', id: 'fruit', name: 'Pear' } as Command);
    expect(expanded(registry, edited).project).toBe(edited);
    const listed = withRows(edited, ROWS);
    remember(listed, edited, diffOf(edited, listed)!);
    const { project } = expanded(registry, listed);
    expect(project.nodes[id('list')]!.slots.content).toHaveLength(ROWS.length);
  });
});
