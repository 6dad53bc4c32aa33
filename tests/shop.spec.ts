import { pathToFileURL } from 'node:url';
import { join } from 'node:path';
import { expect, test } from './support/test';
import { makeDemo } from '../demo/make';
import type { SourceId } from '../src/core/project/types';
import { axeViolations } from './support/axe';
import { exportedDemo } from './support/exported';
import { Bench } from './support/workbench';

test('the demo’s shop has four tabs by four queries and a list from a CSV file, readable with and without script', async ({
  page,
  browser
}) => {
  const { rows } = makeDemo().project.sources['catalogue' as SourceId]!;
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
  await expect(page.getByRole('heading', { name: 'Silvan Crewe' })).toHaveCount(0);
  await expect(page.getByRole('heading', { name: 'Maud Hollis' })).toBeVisible();

  const plain = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await plain.goto(address);
  await expect(plain.getByRole('heading', { name: 'Winter Gold, 3 kg' }).first()).toBeVisible();
  await plain.context().close();
});

test('a project opens on one page though lists stand on others, whose code comes along', async ({ page }) => {
  await Bench.openDemo(page);
  // By its own address: only what the first page is made of is fetched before it is on show.
  await page.goto(page.url());
  const preview = page.frameLocator('iframe[title^="Preview of"]');
  await expect(preview.locator('h1')).toHaveText('An orchard that has kept its old names');
  await page.getByRole('combobox', { name: 'Page', exact: true }).selectOption('Shop');
  await expect(preview.getByRole('heading', { name: 'Winter Gold, 3 kg' }).first()).toBeVisible();
});
