import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { demo } from './support/demo';
import { expect, test } from './support/test';
import type { SourceId } from '../src/core/project/types';
import { axeViolations } from './support/axe';
import { Counted } from './support/counted';
import { exportedDemo } from './support/exported';
import { inTurn } from './support/thorough';
import { Bench } from './support/workbench';

test(
  'the demo’s shop has four tabs by four queries, readable with and without script',
  inTurn(6),
  async ({ blank: page, browser }) => {
    const { rows } = demo.sources['catalogue' as SourceId]!;
    const { folder, problems } = await exportedDemo();
    expect(problems).toEqual([]);
    const address = pathToFileURL(join(folder, 'shop.html')).href;
    await page.goto(address);
    const names = () => page.locator('[role=tabpanel]:not([hidden]) h3').allTextContents();
    const expected = (of: readonly (typeof rows)[number][], most: number) =>
      of.slice(0, most).map(({ name }) => name);
    const by = (column: string, sign: 1 | -1) =>
      rows.toSorted((a, b) => sign * (a[column]! < b[column]! ? -1 : Number(a[column]! > b[column]!)));
    await expect(page.getByRole('tab')).toHaveText(['New', 'Most wanted', 'Reduced', 'In season']);
    expect(await names()).toEqual(expected(by('added', -1), 8));
    await page.getByRole('tab', { name: 'Most wanted' }).click();
    expect(await names()).toEqual(expected(by('sold', -1), 8));
    await page.getByRole('tab', { name: 'Reduced' }).click();
    expect(await names()).toEqual(
      expected(
        by('reduced', 1).filter(({ reduced }) => reduced !== null),
        4
      )
    );
    // What is not reduced has no second price.
    const prices = await page.locator('[role=tabpanel]:not([hidden]) p').allTextContents();
    expect(prices).toHaveLength(8);
    expect(prices.every((price) => /^£\d+\.\d\d$/.test(price))).toBe(true);
    expect(await axeViolations(page)).toEqual([]);

    const plain = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
    await plain.goto(address);
    await expect(plain.getByRole('heading', { name: 'Winter Gold, 3 kg' }).first()).toBeVisible();
    await plain.context().close();
  }
);

test('the demo’s questions page ends with a list from a CSV file, of those who are there', async ({
  blank: page
}) => {
  const { folder } = await exportedDemo();
  await page.goto(pathToFileURL(join(folder, 'questions.html')).href);
  const people = page.locator('section').filter({ hasText: 'Who is at the counter' });
  await expect(people.getByRole('heading', { level: 3 })).toHaveText([
    'Ida Fenn',
    'Tobias Marrow',
    'Lena Oakhurst',
    'Maud Hollis'
  ]);
  await expect(people.getByRole('img')).toHaveCount(0);
  await expect(people.locator('img')).toHaveCount(4);
  expect(await axeViolations(page)).toEqual([]);
});

test(
  'a project opens on one page though lists stand on others, whose code comes along',
  inTurn(5),
  async ({ page }) => {
    await Bench.openDemo(page);
    // By its own address: only what the first page is made of is fetched before it is on show.
    await page.goto(page.url());
    const preview = page.frameLocator('iframe[title^="Preview of"]');
    await expect(preview.locator('h1')).toHaveText('An orchard that has kept its old names');
    await page.getByRole('combobox', { name: 'Page', exact: true }).selectOption('Shop');
    await expect(preview.getByRole('heading', { name: 'Winter Gold, 3 kg' }).first()).toBeVisible();
  }
);

test(
  'four tabs by four queries, eight in four columns each, in sixteen actions from an empty page',
  inTurn(8),
  async ({ page }) => {
    const bench = await Bench.openNew(page);
    const hand = new Counted();
    const button = (name: string) => () => page.getByRole('button', { name }).click();
    const pick = (name: RegExp) => () => page.getByRole('checkbox', { name }).click();
    await bench.pick('First section');
    await hand.act('opens the data', () => page.keyboard.press('Shift+D'));
    await hand.act('takes the catalogue', button('Orchard catalogue'));
    await hand.act('places it', button('Place as a list'));
    await hand.act('a tab for each', button('A tab for each…'));
    await hand.act('newest', pick(/^Newest/));
    await hand.act('most sold', pick(/^Most sold/));
    await hand.act('in season', pick(/^In season/));
    await hand.act('makes them', button('Make 3 tabs'));
    await hand.act('one more', button('One more tab for…'));
    await hand.act('with the larder', pick(/^Larder/));
    await hand.act('makes it', button('Make 1 tab'));
    await hand.act('the tabs', () => bench.pick('Catalogue tabs'));
    const names = ['Just in', 'Most wanted', 'Now', 'To keep'];
    for (const [n, name] of names.entries())
      await hand.act(name, () => page.getByRole('textbox', { name: `Label ${n + 1}` }).fill(name));
    expect(hand.done.length).toBeLessThanOrEqual(16);

    const lists = bench.preview.locator('ul.k-list');
    await expect(lists).toHaveCount(4);
    await expect(bench.preview.getByRole('tab')).toHaveText(names);
    // Each row has its words, also those whose pieces changed while the list moved into its tab.
    const rowsOf = (n: number) => lists.nth(n).locator('> li');
    const most = await page.request.get('/api/catalogue').then((answer) => answer.json());
    const sold = (most as { sold: number; name: string }[]).toSorted((a, b) => b.sold - a.sold);
    await expect(rowsOf(1).locator('h1, h2, h3')).toHaveText(sold.slice(0, 8).map(({ name }) => name));
    for (const n of [0, 1]) await expect(rowsOf(n)).toHaveCount(8);
    for (const row of await rowsOf(0).all()) expect(await row.locator('p').count()).toBeGreaterThan(1);
    await expect(lists.first()).toHaveCSS('grid-template-columns', /^(\S+ ){3}\S+$/);

    // Six at most, in all of them at once; and back in one step.
    await bench.row('Catalogue').first().click();
    await page.getByRole('textbox', { name: 'at most' }).fill('6');
    await page.getByRole('textbox', { name: 'at most' }).press('Enter');
    for (const n of [0, 1]) await expect(rowsOf(n)).toHaveCount(6);
    await bench.row('Catalogue').first().click();
    await page.keyboard.press('Control+z');
    for (const n of [0, 1]) await expect(rowsOf(n)).toHaveCount(8);
    // How high the rows come out stands beside the query.
    await expect(page.getByText(/Shortest row.*\d+ px high · Longest row.*\d+ px high/)).toBeVisible();
  }
);
