import { readFileSync } from 'node:fs';
import { unzipSync, strFromU8 } from 'fflate';
import { apply } from '../src/core/commands/apply';
import type { Command } from '../src/core/commands/commands';
import { registry } from '../src/core/whole';
import { bytes, demo } from './support/demo';
import { Counted } from './support/counted';
import { previewFrame } from './support/frames';
import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { Bench } from './support/workbench';

const TEAM = [
  'name,role,picture,on site',
  ...[
    'Orla Venn,Picker,with-ladder.svg,yes',
    'Tam Holloway,Kettle,with-kettle.svg,yes',
    'Bram Setter,Mill,with-mill.svg,no',
    'Isolde Marsh,Bees,bees-at-work.svg,yes',
    'Wyn Calder,Cellar,the-cellar.svg,yes',
    'Jory Pell,Press,press-day.svg,no',
    'Merrin Ask,Shop,baskets-full.svg,yes',
    'Dov Larkin,Rows,rows-in-june.svg,yes',
    'Hester Quill,Lanterns,wassail-lanterns.svg,no',
    'Anselm Roe,Grafting,first-blossom.svg,yes',
    'Petra Vane,Windfalls,windfalls.svg,yes',
    'Cole Thrale,Shade,noon-shade.svg,n/a'
  ]
].join('\n');

const csv = (text: string, name = 'team.csv') => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
const panel = (page: Page) => page.getByRole('dialog', { name: 'Data' });
const fileField = (page: Page) =>
  panel(page).getByRole('group', { name: 'Add a source' }).locator('input[type=file]');
const source = (page: Page, name: string) => panel(page).getByRole('region', { name, exact: true });

async function openDemoPage(page: Page): Promise<Bench> {
  const bench = new Bench(page);
  // Without the lists it has, and their sources.
  const ids = Object.values(demo.sources).map((each) => each.id);
  const commands: Command[] = [
    { type: 'remove-page', id: 'shop' },
    { type: 'remove', ids: ['counter-people'] },
    ...ids.map((id): Command => ({ type: 'remove-source', id }))
  ];
  const bare = apply(registry, demo, { type: 'batch', label: '', commands });
  if (!bare.ok) throw new Error(bare.refusal.sentence);
  await bench.importProject(bare.project, bytes);
  await page.getByRole('combobox', { name: 'Page', exact: true }).selectOption({ label: 'Questions' });
  await bench.pick('Questions heading');
  return bench;
}

/** A list over the team on a page of its own. */
async function placeTeam(page: Page): Promise<void> {
  const bench = await Bench.openNew(page);
  await bench.pick('First section');
  await page.keyboard.press('Shift+D');
  await fileField(page).setInputFiles(csv(TEAM));
  await panel(page).getByRole('button', { name: 'Place as a list' }).click();
}

test('a team list from a CSV of twelve, with pictures, only those on site, in six actions', async ({
  page
}) => {
  const bench = await openDemoPage(page);
  const hand = new Counted();
  await hand.act('opens the data', () => page.keyboard.press('Shift+D'));
  await hand.act('adds the file', () => fileField(page).setInputFiles(csv(TEAM)));
  await expect(panel(page).getByText('12 rows, 4 columns')).toBeVisible();
  await hand.act('places it', () => panel(page).getByRole('button', { name: 'Place as a list' }).click());
  await hand.act('adds a condition', () => page.getByRole('button', { name: 'Add a condition' }).click());
  await hand.act('about those on site', () =>
    page.getByRole('combobox', { name: 'Column of condition 1' }).selectOption('on site')
  );
  expect(hand.done.length).toBeLessThanOrEqual(6);

  const frame = await previewFrame(page);
  const rows = frame.locator('ul.k-list > li');
  await expect(rows).toHaveCount(8);
  // Below the page's own heading, so no level is left out.
  await expect(rows.first().locator('h2')).toHaveText('Orla Venn');
  await expect(rows.nth(2).locator('h2')).toHaveText('Isolde Marsh');
  for (const picture of await rows.locator('img').all())
    await expect
      .poll(() => picture.evaluate((each) => (each as HTMLImageElement).naturalWidth))
      .toBeGreaterThan(0);
  await expect(page.getByText('8 of 8 · 2 lines')).toBeVisible();
  // The longest is brought into sight at a press.
  const longest = page
    .getByRole('region', { name: /^Rows of team/ })
    .getByRole('button', { name: 'Petra Vane' });
  await longest.click();
  await expect(rows.nth(7)).toBeInViewport();
  // One row is edited, all follow; a press on any of them picks the template.
  await rows
    .nth(5)
    .locator('h2')
    .evaluate((each) => (each as HTMLElement).click());
  await expect(page.getByRole('treeitem', { selected: true })).toContainText('name');
  await bench.saved();
  await bench.reopen();
  await page.getByRole('combobox', { name: 'Page', exact: true }).selectOption({ label: 'Questions' });
  await expect((await previewFrame(page)).locator('ul.k-list > li')).toHaveCount(8);
});

test('a table too large to be handed over at once is whole and in its order', thorough, async ({ page }) => {
  const bench = await Bench.openNew(page);
  await bench.pick('First section');
  await page.keyboard.press('Shift+D');
  const lines = Array.from({ length: 12_000 }, (_, n) => `Tree ${n + 1},${n % 60}`);
  await fileField(page).setInputFiles(csv(['name,row', ...lines].join('\n'), 'trees.csv'));
  await expect(panel(page).getByText('12,000 rows, 2 columns')).toBeVisible();
  await panel(page).getByRole('button', { name: 'Place as a list' }).click();
  for (const [name, value] of [
    ['after the first', '11999'],
    ['at most', '2']
  ] as const) {
    await page.getByRole('textbox', { name }).fill(value);
    await page.getByRole('textbox', { name }).press('Enter');
  }
  await expect((await previewFrame(page)).locator('ul.k-list > li')).toHaveText([/Tree 12000/]);
});

test(
  'what is exported is plain markup with the rows of today, and asks for no script of its own',
  inTurn(5),
  async ({ page }) => {
    await placeTeam(page);
    await expect((await previewFrame(page)).locator('ul.k-list > li')).toHaveCount(8);
    await page.keyboard.press('Control+e');
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save zip' }).click();
    const files = unzipSync(readFileSync(await (await download).path()));
    const html = strFromU8(files['index.html']!);
    expect(html.match(/<li\b/g)).toHaveLength(8);
    expect(html).toContain('Merrin Ask');
    expect(html).not.toContain('<script');
  }
);

test(
  'flagged records come with a refresh, told before they are taken, and go with an undo',
  inTurn(7),
  async ({ page, context }) => {
    const bench = await openDemoPage(page);
    await page.keyboard.press('Shift+D');
    await panel(page).getByRole('button', { name: 'Orchard catalogue' }).click();
    await panel(page).getByRole('button', { name: 'Place as a list' }).click();
    await page.getByRole('button', { name: 'Add a condition' }).click();
    await page.getByRole('combobox', { name: 'Column of condition 1' }).selectOption('best seller');
    await page.getByLabel('at most').fill('');
    await page.getByLabel('at most').press('Enter');
    const rows = (await previewFrame(page)).locator('ul.k-list > li');
    await expect(rows.first()).toBeVisible();
    const before = await rows.count();

    const shop = await context.newPage();
    await shop.goto('/catalogue');
    const box = shop.getByRole('checkbox', { name: 'Medlar jelly: best seller' });
    const wasFlagged = await box.isChecked();
    await box.click();
    await expect(shop.getByRole('status')).toHaveText(/Medlar jelly is (no longer )?best seller/);
    await shop.close();

    await source(page, 'Catalogue').getByRole('button', { name: 'Refresh' }).click();
    await expect(panel(page).getByText('1 changed')).toBeVisible();
    await expect(rows).toHaveCount(before);
    await panel(page).getByRole('button', { name: 'Take them' }).click();
    await expect(rows).toHaveCount(wasFlagged ? before - 1 : before + 1);
    await bench.row('Questions heading').click();
    await page.keyboard.press('Control+z');
    await expect(rows).toHaveCount(before);
  }
);

test('what cannot be read is told with what to do, and nothing is lost', async ({ page }) => {
  const bench = await Bench.openNew(page);
  await bench.pick('First section');
  await page.keyboard.press('Shift+D');
  const told = panel(page).getByRole('alert');
  await fileField(page).setInputFiles(csv('[{"a":', 'broken.json'));
  await expect(told).toContainText('broken.json: This is no JSON');
  await fileField(page).setInputFiles(csv('<!doctype html><p>Hello</p>', 'page.csv'));
  await expect(told).toContainText('This is a web page and no table');
  await fileField(page).setInputFiles(csv('', 'empty.csv'));
  await expect(told).toContainText('This table is empty');
  await panel(page).getByRole('button', { name: 'Paste a table' }).click();
  await panel(page).getByRole('textbox').fill('name\tprice\nQuince\t4.20\nPerry\t11');
  await panel(page).getByRole('button', { name: 'Read it' }).click();
  await expect(panel(page).getByText('2 rows, 2 columns')).toBeVisible();
  await expect(told).toHaveCount(0);
  // In an older encoding, as spreadsheets still write it.
  await fileField(page).setInputFiles({
    name: 'old.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('name;price\nGew\xfcrz;3,80', 'latin1')
  });
  await expect(panel(page).getByRole('cell', { name: 'Gewürz' })).toBeVisible();
});

test(
  'a value that cannot be compared, and a number of rows that is none, are told and change nothing',
  thorough,
  async ({ page }) => {
    await placeTeam(page);
    const rows = (await previewFrame(page)).locator('ul.k-list > li');
    await expect(rows).toHaveCount(8);
    const most = page.getByLabel('at most');
    await most.fill('a few');
    await most.press('Enter');
    await expect(page.getByText('“a few” is no number of rows')).toBeVisible();
    await expect(most).toHaveValue('8');
    await most.fill('9999');
    await most.press('Enter');
    await expect(page.getByText('A list shows 2,000 rows at most.')).toBeVisible();
    await expect(most).toHaveValue('8');
    await expect(rows).toHaveCount(8);
    await page.getByRole('button', { name: 'Add a condition' }).click();
    await expect(page.getByText('Type what name is compared with.')).toBeVisible();
  }
);

test(
  'a column that comes no more is a finding, and the rows before stay until new ones are taken',
  thorough,
  async ({ page }) => {
    await placeTeam(page);
    await source(page, 'team')
      .locator('input[type=file]')
      .setInputFiles(csv('name\nOrla Venn\nSomebody New'));
    await expect(panel(page).getByText(/1 new, 1 changed, 11 gone, the column role is gone/)).toBeVisible();
    const rows = (await previewFrame(page)).locator('ul.k-list > li');
    await expect(rows).toHaveCount(8);
    await panel(page).getByRole('button', { name: 'Take them' }).click();
    await expect(rows).toHaveCount(2);
    await page.getByRole('button', { name: 'Close' }).click();
    await page.keyboard.press('f');
    const findings = page.getByRole('dialog', { name: 'Findings' });
    await expect(findings.getByText('team asks for 8 rows and gets 2')).toBeVisible();
    await findings.getByRole('button', { name: 'Mend all 3' }).click();
    await expect(findings.getByText(/its source no longer has/)).toHaveCount(0);
  }
);
