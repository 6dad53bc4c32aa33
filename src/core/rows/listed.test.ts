import { beforeAll, describe, expect, it } from 'vitest';
import type { Command } from '../commands/commands';
import { apply, refusalOf } from '../commands/apply';
import { showersOf } from '../commands/project';
import { printPage } from '../compile/page';
import { renditionPlan } from '../compile/rendition-plan';
import { placeholdersOf } from '../findings/placeholders';
import { createFindingsRunner, loadRules } from '../findings/run';
import { NO_FACTS } from '../kinds/finding';
import { makeWith } from '../kinds/make';
import { createProject } from '../project/create';
import { readDocument } from '../formats/document';
import type { AssetId, NodeId, PageId, Project, Query, Source, SourceId } from '../project/types';
import { readCsv } from '../tables/csv';
import { changesBetween, changesInWords } from '../tables/changes';
import { emptyQuery } from '../tables/query';
import { suggestedFor, type Suggestion } from '../tables/suggested';
import { listOf } from '../templates/listed';
import { moreTabsFor, tabsFor } from '../templates/queried';
import { childIds, subtreeIds } from '../project/tree';
import { runAround } from './runs';
import { after } from '../testing/project';
import { registry } from '../whole';

beforeAll(() => loadRules(registry));

const CSV = [
  'name,price,reduced,link,added',
  'Quince <b>paste</b>,4.2,,https://example.org/quince,2026-11-01',
  'Perry,1011,9.9,javascript:alert(1),2026-10-24',
  'Zest,,,,2026-11-02'
].join('\n');

function sourceOf(csv = CSV): Source {
  const read = readCsv(csv);
  if (!read.ok) throw new Error(read.sentence);
  const { columns, rows } = read.table;
  return {
    id: 'shop' as SourceId,
    name: 'Shop',
    origin: 'file',
    place: 'shop.csv',
    taken: '',
    columns,
    rows
  };
}

const id = (text: string) => text as NodeId;

/** A page with a list over the shop, and what else is done to it. */
function listed(...commands: Command[]): Project {
  const make = makeWith({ exactIds: true });
  const project = createProject(
    'Shop',
    make('page', 'Page', {}, { sections: [make('section', 'Section', {}, { content: [] })] }),
    { page: 'page' as PageId }
  );
  const source = sourceOf();
  const list = listOf(make, source, project);
  return after(
    project,
    { type: 'set-source', source },
    { type: 'insert', fragment: list, at: { parent: id('section'), slot: 'content', index: 0 } },
    ...commands
  );
}

const printed = (project: Project): string =>
  printPage(registry, project, 'page' as PageId, { addressOf: ({ file }) => file }).body.replaceAll(
    '&nbsp;',
    '\u00a0'
  );
const query = (more: Partial<Query>): Query => ({ ...emptyQuery('shop' as SourceId), ...more });
const found = (project: Project) =>
  createFindingsRunner(registry)
    .run(project, NO_FACTS)
    .filter(({ rule }) => rule.startsWith('list-'));

describe('a list over a source', () => {
  it('draws its template once for each row, its texts as text whatever is in them', () => {
    const body = printed(listed());
    expect(body.match(/<li/g)).toHaveLength(3);
    expect(body).toContain('Quince &lt;b&gt;paste&lt;/b&gt;');
    expect(body).not.toContain('<b>');
  });

  it('reads as its names, not as the codes its records are told apart by', () => {
    const make = makeWith({ exactIds: true });
    const list = listOf(
      make,
      sourceOf('id,name,kind\nold-quince,Old Quince,fruit\nb41,Perry,cider'),
      listed()
    );
    const bound = Object.values(list.nodes).flatMap(({ kind, binds }) =>
      binds?.text ? [[kind, binds.text.column]] : []
    );
    expect(bound).toEqual([['heading', 'name']]);
    expect(JSON.stringify(list)).not.toContain('"column":"id"');
  });

  it('writes numbers, money and days by the language of the page', () => {
    const money = {
      type: 'set-binding',
      id: id('price'),
      key: 'html',
      binding: { column: 'price', otherwise: 'ask us', format: { as: 'money', currency: 'EUR' } }
    } as const;
    const always = { type: 'set-binding', id: id('price'), key: 'shown', binding: null } as const;
    const body = printed(listed(money, always));
    const expected = new Intl.NumberFormat('en-GB', { style: 'currency', currency: 'EUR' });
    expect(body).toContain(expected.format(1011));
    expect(body).toContain('ask us');
    const german = after(listed(money), {
      type: 'set-page',
      id: 'page' as PageId,
      key: 'language',
      value: 'de'
    });
    expect(printed(german)).toContain(
      new Intl.NumberFormat('de', { style: 'currency', currency: 'EUR' }).format(1011)
    );
  });

  it('takes no link that would run a script', () => {
    const make = makeWith({ exactIds: true });
    const button = make('button', 'Buy', { label: 'Buy', href: '#none' });
    const project = listed(
      { type: 'insert', fragment: button, at: { parent: id('row'), slot: 'content', index: 9 } },
      { type: 'set-binding', id: id('buy'), key: 'href', binding: { column: 'link' } }
    );
    expect(printed(project)).toContain('href="https://example.org/quince"');
    expect(printed(project)).not.toContain('href="javascript:');
  });

  it('draws a piece only for rows that have something in a column', () => {
    const make = makeWith({ exactIds: true });
    const badge = make('text', 'Badge', { html: '<p>Reduced!</p>' });
    const project = listed(
      { type: 'insert', fragment: badge, at: { parent: id('row'), slot: 'content', index: 9 } },
      { type: 'set-binding', id: id('badge'), key: 'shown', binding: { column: 'reduced' } }
    );
    expect(printed(project).match(/Reduced!/g)).toHaveLength(1);
  });

  it('says its words where no row comes, and has the rows that are asked for', () => {
    const none = query({ where: [{ column: 'price', is: 'more', value: '9999' }] });
    const project = listed(
      { type: 'set-query', id: id('shop'), query: none },
      { type: 'set-setting', id: id('shop'), key: 'nothing', value: 'Sold out.' }
    );
    expect(printed(project)).toContain('Sold out.');
    expect(printed(project).match(/<li/g)).toHaveLength(1);
    const two = printed(
      after(project, { type: 'set-query', id: id('shop'), query: query({ most: 1, skip: 1 }) })
    );
    expect(two.match(/<li/g)).toHaveLength(1);
    expect(two).toContain('Perry');
  });

  it('is the same after it has been written to a file and read again', () => {
    const project = listed();
    const read = readDocument(registry, JSON.parse(JSON.stringify(project)));
    expect(read.ok && read.project).toEqual(project);
    expect(read.ok && read.faults).toEqual([]);
  });

  it('keeps the project where its source is damaged, and says so', () => {
    const raw = JSON.parse(JSON.stringify(listed())) as { sources: { shop: { rows: unknown } } };
    raw.sources.shop.rows = [{ name: { deep: true } }];
    const read = readDocument(registry, raw);
    expect(read.ok && read.faults.map(({ sentence }) => sentence)).toEqual([
      'A source of rows was left out: it is damaged.'
    ]);
  });
});

describe('pictures that rows bring', () => {
  const PICTURE = {
    id: 'quince' as AssetId,
    file: 'quince.png',
    type: 'image/png',
    width: 2000,
    height: 1500,
    bytes: 9
  } as const;

  /** The list with a picture in its template that comes from a column. */
  const pictured = (): Project =>
    listed(
      { type: 'add-asset', asset: PICTURE },
      { type: 'set-source', source: sourceOf('name,picture\nQuince,quince.png\nPerry,') },
      {
        type: 'insert',
        fragment: makeWith({ exactIds: true })('image', 'Shown'),
        at: { parent: id('row'), slot: 'content', index: 9 }
      },
      { type: 'set-binding', id: id('shown'), key: 'asset', binding: { column: 'picture' } },
      { type: 'set-binding', id: id('shown'), key: 'shown', binding: { column: 'picture' } }
    );

  it('are made in the sizes they need, are not deleted while a row shows them, and are none still to come', () => {
    const project = pictured();
    expect([...renditionPlan(registry, project).keys()].map(({ file }) => file)).toEqual(['quince.png']);
    expect(showersOf(registry, project, PICTURE.id)).toEqual(['Shown']);
    expect(placeholdersOf(registry, project).filter(({ what }) => what === 'picture')).toEqual([]);
    const other = after(project, { type: 'set-source', source: sourceOf('name,picture\nPerry,gone.png') });
    expect(placeholdersOf(registry, other)).toContainEqual({ node: 'shown', what: 'picture', text: '' });
  });
});

describe('what is wrong with a list', () => {
  it('is nothing as it is placed', () => expect(found(listed())).toEqual([]));

  it('is a source that is gone, and it is mended', () => {
    const project = listed({ type: 'remove-source', id: 'shop' as SourceId });
    const [finding] = found(project);
    expect(finding?.rule).toBe('list-without-source');
    expect(found(after(project, ...(finding!.fix!.commands as Command[])))).toEqual([]);
  });

  it('are columns that came no more with new rows, in the query and in the template', () => {
    const asks = query({ by: 'price', where: [{ column: 'reduced', is: 'filled', value: '' }] });
    const source = sourceOf('name,added,link\nQuince,2026-11-01,');
    const project = listed(
      { type: 'set-query', id: id('shop'), query: asks },
      { type: 'set-source', source }
    );
    const sentences = found(project).map(({ sentence }) => sentence);
    expect(sentences).toContain('Shop asks for reduced, price, which Shop no longer has');
    expect(sentences).toContain('price comes from the column price, which Shop no longer has');
    const commands = found(project).flatMap(({ fix }) => (fix ? (fix.commands as Command[]) : []));
    expect(found(after(project, ...commands)).filter(({ rule }) => rule === 'list-without-column')).toEqual(
      []
    );
  });

  it('is fewer rows than it asks for, with their number', () => {
    const project = listed({ type: 'set-query', id: id('shop'), query: query({ most: 8 }) });
    const [finding] = found(project);
    expect(finding).toMatchObject({ rule: 'list-short', number: '3 of 8' });
    expect(found(after(project, ...(finding!.fix!.commands as Command[])))).toEqual([]);
  });
});

describe('commands of lists', () => {
  it('refuse what repeats nothing, sources that are not there and settings nobody has', () => {
    const project = listed();
    const codeOf = (command: Command) => refusalOf(registry, project, command)?.code;
    expect(codeOf({ type: 'set-query', id: id('name'), query: query({}) })).toBe('repeats-nothing');
    expect(codeOf({ type: 'set-query', id: id('shop'), query: emptyQuery('none' as SourceId) })).toBe(
      'no-such-source'
    );
    expect(codeOf({ type: 'set-binding', id: id('name'), key: 'colour', binding: { column: 'name' } })).toBe(
      'no-such-setting'
    );
    expect(codeOf({ type: 'remove-source', id: 'none' as SourceId })).toBe('no-such-source');
    const wrong = { type: 'set-query', id: id('shop'), query: { ...query({}), most: -1 } } as Command;
    expect(apply(registry, project, wrong).ok).toBe(false);
  });
});

it('new rows are told apart from those there are by the first column that can', () => {
  const before = sourceOf('name,price,sold\nQuince,4,1\nPerry,9,2\nZest,1,3');
  const after = readCsv('name,price\nQuince,5\nPerry,9\nMedlar,2\nHoney,8');
  if (!after.ok) throw new Error(after.sentence);
  const changes = changesBetween(before, after.table);
  expect(changes).toEqual({ added: 2, changed: 2, gone: 1, columnsGone: ['sold'], columnsChanged: [] });
  expect(changesInWords(changes)).toBe('2 new, 2 changed, 1 gone, the column sold is gone');
});

describe('a run of lists', () => {
  const make = makeWith();
  const [kind, most] = [
    { label: 'Kept', says: '', query: { where: [{ column: 'reduced', is: 'filled', value: '' }] } },
    { label: 'Most', says: '', query: { by: 'price', down: true } }
  ] as const;
  const listIn = (project: Project) => Object.values(project.nodes).find(({ query: own }) => own)!;
  const tabbed = (...asked: readonly Suggestion[]) => {
    const project = listed({
      type: 'set-query',
      id: id('shop'),
      query: query({ where: [{ column: 'name', is: 'filled', value: '' }], most: 8 })
    } as Command);
    return after(project, tabsFor(make, registry, project, listIn(project), asked));
  };

  it('is made of one list in a step: a tab for each query, which narrow what it asked before', () => {
    const project = tabbed(kind, most);
    const run = runAround(project, id('shop'))!;
    expect(run.owner.kind).toBe('tabs');
    expect(run.lists.map(({ query: own }) => own)).toEqual([
      query({
        where: [
          { column: 'name', is: 'filled', value: '' },
          { column: 'reduced', is: 'filled', value: '' }
        ],
        most: 8
      }),
      query({ where: [{ column: 'name', is: 'filled', value: '' }], by: 'price', down: true, most: 8 })
    ]);
    expect(childIds(run.owner).map((panel) => project.nodes[panel]!.name)).toEqual(['Kept', 'Most']);
    expect(printed(project).match(/<li/g)).toHaveLength(1 + 3);
  });

  it('has rows that follow one another, their columns too, as soon as one is updated', () => {
    const project = tabbed(kind, most);
    const [row, other] = runAround(project, id('shop'))!.lists.map(({ slots }) => slots.content![0]!);
    const heading = (of: Project, at: NodeId) =>
      subtreeIds(of, at)
        .map((each) => of.nodes[each]!)
        .find((each) => each.kind === 'heading')!;
    const changed = after(
      project,
      {
        type: 'set-binding',
        id: heading(project, row!).id,
        key: 'text',
        binding: { column: 'added' }
      } as Command,
      { type: 'update-linked', id: row! } as Command
    );
    expect(heading(changed, other!).binds).toEqual({ text: { column: 'added' } });
  });

  it('gets one more tab, which asks what all of them ask, and its own', () => {
    const project = tabbed(kind, most);
    const panel = runAround(project, id('shop'))!.owner.slots.panels![0]!;
    const all = after(project, moreTabsFor(make, registry, project, listIn(project), panel, [most]));
    const run = runAround(all, id('shop'))!;
    expect(run.lists).toHaveLength(3);
    expect(run.lists[2]!.query).toEqual(run.lists[1]!.query);
    expect(run.lists[2]!.slots.content!.map((each) => all.nodes[each]!.linked)).toEqual(
      run.lists[0]!.slots.content!.map((each) => all.nodes[each]!.linked)
    );
  });

  it('leaves a tab out while its list is empty, where that is chosen, but never the last', () => {
    const none = {
      label: 'Gone',
      says: '',
      query: { where: [{ column: 'price', is: 'more', value: '9999' }] }
    } as const;
    const project = tabbed(none, most);
    const [first, second] = runAround(project, id('shop'))!.owner.slots.panels!;
    const [told] = found(project).filter(({ node }) => node === 'shop');
    expect(told!.fix!.commands).toMatchObject([{ type: 'set-setting', id: first, value: true }]);
    expect(printed(project)).toContain('Gone');
    const left = after(project, ...(told!.fix!.commands as Command[]));
    expect(printed(left)).not.toContain('Gone');
    expect(printed(left)).toContain('Most');
    expect(found(left).filter(({ node }) => node === 'shop')).toEqual([]);
    const alone = after(left, { type: 'remove', ids: [second!] } as Command);
    expect(printed(alone)).toContain('Gone');
    // It is there after all, and shows nothing.
    expect(found(alone).map(({ node }) => node)).toContain('shop');
  });
});

it('suggests what a source is likely to be asked for', () => {
  const read = readCsv(
    [
      'name,kind,price,reduced,added,fresh',
      'A,juice,2,,2026-01-02,yes',
      'B,juice,3,1,2026-01-03,no',
      'C,cider,4,,2026-01-01,no',
      'D,cider,5,,2026-01-05,no'
    ].join('\n')
  );
  if (!read.ok) throw new Error(read.sentence);
  const { columns, rows } = read.table;
  const labels = suggestedFor({ ...sourceOf(), columns, rows }).map(({ label }) => label);
  expect(labels).toEqual(['Juice', 'Cider', 'Most price', 'Reduced', 'Newest', 'Fresh']);
});
