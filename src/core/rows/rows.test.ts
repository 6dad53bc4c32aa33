import { describe, expect, it } from 'vitest';
import { printPage } from '../compile/page';
import { createPreviewSession } from '../compile/preview';
import type { Command } from '../commands/commands';
import { readDocument } from '../formats/document';
import { makeWith } from '../kinds/make';
import { createProject } from '../project/create';
import { diffOf } from '../project/diff';
import { remember } from '../project/lineage';
import type { Node, PageId, Project, Row } from '../project/types';
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
