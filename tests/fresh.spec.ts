import { gzipSync } from 'node:zlib';
import { makeWith } from '../src/core/kinds/make';
import type { Command } from '../src/core/commands/commands';
import { createProject } from '../src/core/project/create';
import type {
  AssetId,
  Comparison,
  NodeId,
  PageId,
  Project,
  Query,
  Source,
  SourceId
} from '../src/core/project/types';
import { readJson } from '../src/core/tables/json';
import { COMPARISONS_OF, emptyQuery } from '../src/core/tables/query';
import { after } from '../src/core/testing/project';
import { pageScript } from '../src/server/bundle';
import { exported } from './support/exported';
import { random } from './support/random';
import { expect, test, type Page } from './support/test';
import { inTurn, sample } from './support/thorough';
import { Bench } from './support/workbench';

/** What is asked for stands nowhere: each test says what the address answers. */
const ADDRESS = 'https://feeds.quillmere.example/shop.json';
const ANSWERED = { 'access-control-allow-origin': '*' };

const RECORDS = [
  {
    name: 'Quince paste',
    price: 4.2,
    reduced: null,
    link: 'https://quillmere.example/q',
    added: '2026-11-01'
  },
  { name: 'Perry', price: 1011, reduced: 9.9, link: 'perry.html', added: '2026-10-24T08:30:00Z' },
  { name: 'Zest', price: null, reduced: '', link: '', added: '2026-11-02' }
];

/** What is set in the template stands where a row has nothing, with all signs that markup knows. */
const FALLBACK = `One of "many", isn't it? <i> & so`;

const id = (text: string) => text as NodeId;
const LIST = id('shop');

function sourceOf(records: unknown, more: Partial<Source> = {}): Source {
  const read = readJson(JSON.stringify(records));
  if (!read.ok) throw new Error(read.sentence);
  const { columns, rows } = read.table;
  const own = { id: 'shop' as SourceId, name: 'Shop', origin: 'address', place: ADDRESS, taken: '' } as const;
  return { ...own, columns, rows, ...more };
}

/** A page with a list whose row has a heading, a price, a link and a badge that only some rows have. */
function shop(source: Source, query: Partial<Query> = {}): Project {
  const make = makeWith({ exactIds: true });
  const row = make(
    'stack',
    'Row',
    {},
    {
      content: [
        make('heading', 'Name', { text: FALLBACK, level: '2' }),
        make('text', 'Price', { html: '<p>ask <em>us</em>, or Tam &amp; Orla</p>' }),
        make('text', 'Day', { html: '<p>at any time</p>' }),
        make('button', 'Buy', { label: 'Buy', href: '#none' }),
        make('text', 'Badge', { html: '<p>Reduced!</p>' })
      ]
    }
  );
  const list = make('list', 'Shop', { nothing: 'Sold out.' }, { content: [row] });
  const page = make('page', 'Page', {}, { sections: [make('section', 'Section', {}, { content: [list] })] });
  const bind = (node: string, key: string, binding: object) =>
    ({ type: 'set-binding', id: id(node), key, binding }) as Command;
  return after(
    createProject('Shop', page, { page: 'page' as PageId }),
    { type: 'set-source', source },
    { type: 'set-query', id: LIST, query: { ...emptyQuery(source.id), ...query } },
    bind('name', 'text', { column: 'name' }),
    bind('price', 'html', { column: 'price', format: { as: 'money', currency: 'EUR' } }),
    bind('day', 'html', { column: 'added', format: { as: 'date', style: 'long' } }),
    bind('buy', 'href', { column: 'link' }),
    bind('badge', 'shown', { column: 'reduced' })
  );
}

/** Opens an export whose address answers, and waits until its list has been drawn anew, or will not be. */
async function opened(page: Page, project: Project, body: string, more: object = {}) {
  const { url, problems } = await exported(project);
  await page.route(ADDRESS, (route) =>
    route.fulfill({ body, contentType: 'application/json', headers: ANSWERED, ...more })
  );
  const answer = page.waitForEvent('requestfinished', (request) => request.url() === ADDRESS);
  await page.goto(url);
  await answer;
  await page.unroute(ADDRESS);
  return problems;
}

const said = (page: Page) => page.locator('ul > li');
const wordsIn = (page: Page) =>
  said(page).evaluateAll((items) => items.map((item) => item.textContent!.trim()));

/** What the same page says where it leaves with these rows, and asks for none. */
async function printedWith(page: Page, project: Project): Promise<readonly string[]> {
  const { url } = await exported(project);
  await page.goto(url);
  return (await wordsIn(page)).map((words) => words.replace(/\s+/g, ' '));
}

test('an exported list shows the rows of today, as the app would print them', async ({ page }) => {
  const problems = await opened(
    page,
    shop(sourceOf([{ ...RECORDS[0], name: 'Of old' }]), { fresh: true }),
    JSON.stringify({ records: RECORDS })
  );
  expect(problems).toEqual([]);
  await expect(said(page)).toHaveCount(3);
  const words = (await wordsIn(page)).map((each) => each.replace(/\s+/g, ' '));
  const links = await said(page)
    .locator('a')
    .evaluateAll((all) => all.map((each) => each.getAttribute('href')));
  const printed = await printedWith(page, shop(sourceOf(RECORDS)));
  // A template's words come back as words, without what they were marked with.
  expect(words).toEqual(printed);
  expect(words.join()).toContain('€1,011.00');
  expect(words.join()).toContain('24 October 2026');
  expect(words.join()).toContain('ask us, or Tam & Orla');
  expect(words.filter((each) => each.includes('Reduced!'))).toHaveLength(1);
  expect(links).toEqual(
    await said(page)
      .locator('a')
      .evaluateAll((all) => all.map((each) => each.getAttribute('href')))
  );
});

/** Records as a feed has them: names in any case, numbers that are missing, texts that begin with digits. */
function recordsOf(seed: number): readonly object[] {
  const pick = random(seed);
  const oneOf = <T>(list: readonly T[]): T => list[pick(list.length)]!;
  return Array.from({ length: 3 + pick(20) }, (_each, n) => ({
    name: `${oneOf(['Quince', 'quince', 'Ålborg', 'Medlar 2', 'Medlar 10', 'perry'])} ${pick(4) ? n : ''}`,
    price: oneOf([null, 0, 4.2, 4.2, 12, -3, 1011]),
    reduced: oneOf([null, '', 9.9]),
    link: oneOf(['', 'perry.html']),
    added: oneOf(['2026-11-01', '2026-10-24', '2025-02-03', null]),
    inStock: oneOf([true, false, null]),
    weight: { net: oneOf([1, 2, 30]) }
  }));
}

function queryOf(seed: number, { columns }: Source): Partial<Query> {
  const pick = random(seed + 1000);
  const oneOf = <T>(list: readonly T[]): T => list[pick(list.length)]!;
  const values = { text: ['quince', 'MEDLAR', '2'], number: ['4.2', '0', 'many'], date: ['2026-10-24', ''] };
  const where = Array.from({ length: pick(3) }, () => {
    const { name, type } = oneOf(columns);
    const is: Comparison = oneOf(COMPARISONS_OF[type]);
    const value = oneOf(type === 'yes-no' ? ['yes', 'no'] : values[type]);
    return { column: name, is, value };
  });
  const by = oneOf(['', ...columns.map(({ name }) => name)]);
  return { where, any: pick(2) === 1, by, down: pick(2) === 1, most: pick(6), skip: pick(3) };
}

/** How many random queries over random records are tried. */
const TRIES = sample(12, 30);

test('whatever is asked for, the page draws the rows that the app draws', async ({ page }) => {
  let drawn = 0;
  for (let seed = 1; seed <= TRIES; seed += 1) {
    const records = recordsOf(seed);
    const source = sourceOf(records);
    const query = queryOf(seed, source);
    const printed = await printedWith(page, shop(source, query));
    await opened(page, shop({ ...source, rows: [] }, { ...query, fresh: true }), JSON.stringify(records));
    const words = (await wordsIn(page)).map((each) => each.replace(/\s+/g, ' '));
    expect(words, JSON.stringify({ seed, query })).toEqual(printed);
    drawn += printed.filter((each) => each !== 'Sold out.').length;
  }
  expect(drawn).toBeGreaterThan(2 * TRIES);
});

test('what a feed says is text, whatever it is, and no link of it runs anything', async ({ page }) => {
  let ran = false;
  await page.exposeFunction('ran', () => (ran = true));
  const hostile = [
    { ...RECORDS[0], name: '<img src=x onerror="ran()"> & {{price}}', link: 'javascript:ran()' },
    { ...RECORDS[0], name: '"><script>ran()</script>', link: ' JaVaScRiPt:ran()' },
    { ...RECORDS[0], name: '', link: '' },
    { ...RECORDS[0], name: '{{name}}', link: 'data:text/html,<script>ran()</script>' }
  ];
  await opened(page, shop(sourceOf(RECORDS), { fresh: true }), JSON.stringify(hostile));
  await expect(said(page).first()).toContainText('<img src=x onerror="ran()"> & {{price}}');
  await expect(said(page).nth(2).locator('h2')).toHaveText(FALLBACK);
  await expect(page.locator('ul img, ul script, ul i')).toHaveCount(0);
  // Only the row without a link has one: what is set in the template.
  await expect(page.locator('ul > li a[href]')).toHaveCount(1);
  for (const link of await said(page).locator('a').all()) await link.dispatchEvent('click');
  expect(ran).toBe(false);
});

for (const [what, body, more] of [
  ['an error', '{"records":[]}', { status: 500 }],
  ['a page instead of rows', '<!doctype html><p>Moved', {}],
  ['JSON without a list', '{"say":"hello"}', {}],
  ['a list of what is no record', '[null]', {}]
] as const)
  test(`where the address gives ${what}, the rows that left with the page stay`, async ({ page }) => {
    const faults: string[] = [];
    page.on('pageerror', ({ message }) => faults.push(message));
    await opened(page, shop(sourceOf(RECORDS), { fresh: true }), body, more);
    // Whatever the script does with an answer, it has done before the next frame is drawn.
    await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn))));
    await expect(said(page)).toHaveCount(3);
    expect(faults).toEqual([]);
  });

test('where no row is left, the list says so', async ({ page }) => {
  await opened(page, shop(sourceOf(RECORDS), { fresh: true }), '[]');
  await expect(said(page)).toHaveText(['Sold out.']);
});

test('a picture is the one that the cell names, of those that left with the page', async ({
  blank: page
}) => {
  const pictures = ['quince.svg', 'perry.svg'];
  const make = makeWith({ exactIds: true });
  const records = pictures.map((picture, n) => ({ ...RECORDS[n], picture }));
  const bytes = new Map(
    pictures.map((file) => [
      file.split('.')[0] as AssetId,
      Buffer.from(
        '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="30"><path d="M0 0h40v30H0z"/></svg>'
      )
    ])
  );
  const project = after(
    // Only the first of them is shown when the page leaves.
    shop(sourceOf(records), { fresh: true, most: 1 }),
    ...pictures.map((file): Command => ({
      type: 'add-asset',
      asset: {
        id: file.split('.')[0] as AssetId,
        file,
        type: 'image/svg+xml',
        width: 40,
        height: 30,
        bytes: 99
      }
    })),
    {
      type: 'insert',
      fragment: make('image', 'Picture'),
      at: { parent: id('row'), slot: 'content', index: 0 }
    },
    { type: 'set-binding', id: id('picture'), key: 'asset', binding: { column: 'picture' } },
    { type: 'set-binding', id: id('picture'), key: 'alt', binding: { column: 'name' } }
  );
  const { url, problems } = await exported(project, bytes);
  expect(problems).toEqual([]);
  const given = [records[1], records[0]];
  await page.route(ADDRESS, (route) => route.fulfill({ body: JSON.stringify(given), headers: ANSWERED }));
  await page.goto(url);
  await expect(said(page).locator('h2')).toHaveText(['Perry']);
  const image = said(page).locator('img');
  await expect(image).toHaveAttribute('src', 'assets/perry.svg');
  await expect(image).toHaveAttribute('alt', 'Perry');
  expect(await image.evaluate((each: HTMLImageElement) => each.decode().then(() => each.naturalWidth))).toBe(
    40
  );
});

test('the script that does it is 0.8 kB', async () => {
  const script = await pageScript(['fresh'], true);
  expect(gzipSync(script!).length).toBeLessThanOrEqual(0.8 * 1024);
});

test(
  'it is chosen in the sentence of the query, and what stands in the way is said and taken off',
  inTurn(4),
  async ({ page }) => {
    const bench = new Bench(page);
    const make = makeWith({ exactIds: true });
    const withNumber = after(shop(sourceOf(RECORDS)), {
      type: 'insert',
      fragment: make('number', 'Counted'),
      at: { parent: id('row'), slot: 'content', index: 0 }
    });
    await bench.importProject(withNumber);
    await bench.pick('Shop');
    await bench.view('Fill');
    await page.getByRole('checkbox', { name: 'fetched anew when the page is opened' }).check();
    await page.getByRole('button', { name: /\d findings?/ }).click();
    const finding = page.getByText('Shop leaves with the rows it has now');
    await expect(finding).toBeVisible();
    await expect(page.getByText(/Counted needs the script of the page/)).toBeVisible();
    await page.getByRole('button', { name: 'Leave with these rows' }).click();
    await expect(finding).toHaveCount(0);
    await expect(
      page.getByRole('checkbox', { name: 'fetched anew when the page is opened' })
    ).not.toBeChecked();
  }
);
