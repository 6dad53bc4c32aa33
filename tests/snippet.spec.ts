import { createServer, type Server } from 'node:http';
import { expect, test } from './support/test';
import { printSnippet } from '../src/core/compile/snippet';
import type { NodeId } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { finishSnippet } from '../src/server/finish';
import { makeWith } from '../src/core/kinds/make';
import { axeViolations } from './support/axe';
import { bytes, changed, demo as project, put } from './support/visit';
import { Bench } from './support/workbench';

async function snippet(id: string, from = project): Promise<string> {
  const dataUri = (asset: { id: string; type: string }) =>
    `data:${asset.type};base64,${Buffer.from(bytes.get(asset.id as never)!).toString('base64')}`;
  const { assets: _assets, ...printed } = printSnippet(registry, from, id as NodeId, { addressOf: dataUri });
  const { files, problems, broken } = await finishSnippet({
    snippet: { ...printed, behaviours: [...printed.behaviours] },
    minified: false
  });
  expect([...broken, ...problems]).toEqual([]);
  return files[0]!.text;
}

/** A site that was there before, with its own rules, names and elements. */
const site = (
  content: string
) => `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Somebody's site</title>
<style>.tab { color: red } .k-tabs { display: none } button { border: 3px dashed red } #blossom-tab { color: lime } p { margin: 40px }</style></head>
<body><main><h1>Somebody's site</h1><p class="mine" style="box-sizing: content-box">Mine</p>${content}</main></body></html>`;

let server: Server;
let html = '';
test.beforeAll(async () => {
  server = createServer((_request, response) => response.setHeader('content-type', 'text/html').end(html));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
});
test.afterAll(() => server.close());
const address = () => `http://127.0.0.1:${(server.address() as { port: number }).port}/`;

test('two copies on one page work, each for itself, and touch nothing else', async ({ blank: page }) => {
  const text = await snippet('season-tabs');
  html = site(text + text);
  const before = site('');
  await page.setViewportSize({ width: 1200, height: 900 });
  await page.goto(address());
  const lists = page.getByRole('tablist');
  await expect(lists).toHaveCount(2);
  const tab = (copy: number, name: string) => lists.nth(copy).getByRole('tab', { name });
  await tab(1, 'Harvest').click();
  await expect(tab(1, 'Harvest')).toHaveAttribute('aria-selected', 'true');
  await expect(tab(0, 'Blossom')).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByText('Pick, sort and press').locator('visible=true')).toHaveCount(1);
  await tab(0, 'Blossom').press('ArrowRight');
  await expect(tab(0, 'Summer')).toHaveAttribute('aria-selected', 'true');
  await expect(tab(1, 'Harvest')).toHaveAttribute('aria-selected', 'true');
  const ids = await page.evaluate(() => [...document.querySelectorAll('[id]')].map(({ id }) => id));
  expect(new Set(ids).size).toBe(ids.length);
  for (const each of await page.getByRole('tab').all())
    await expect(page.locator(`#${await each.getAttribute('aria-controls')}`)).toHaveCount(1);
  // The site's own elements are as they are without it.
  const mine = () =>
    page
      .locator('.mine')
      .evaluate((element) => [
        getComputedStyle(element).boxSizing,
        getComputedStyle(element).margin,
        document.documentElement.style.length
      ]);
  const withSnippet = await mine();
  const globals = await page.evaluate(() => Object.keys(window).length);
  html = before;
  await page.goto(address());
  expect(await mine()).toEqual(withSnippet);
  expect(await page.evaluate(() => Object.keys(window).length)).toBe(globals);
});

test('two copies of a side panel, which open without script, each open theirs', async ({ blank: page }) => {
  const make = makeWith({ exactIds: true });
  const drawer = make(
    'drawer',
    'Tools',
    { label: 'Tools' },
    { content: [make('text', 'In the shed', { html: '<p>Two rakes and a ladder.</p>' })] }
  );
  const text = await snippet('tools', changed(put(drawer)));
  html = site(text + text);
  await page.goto(address());
  for (const copy of [1, 0]) {
    await page.getByRole('button', { name: 'Tools' }).nth(copy).click();
    await expect(page.locator('[popover]').nth(copy)).toBeVisible();
    await expect(page.locator('[popover]').nth(1 - copy)).toBeHidden();
    await page.keyboard.press('Escape');
    await expect(page.locator('[popover]:popover-open')).toHaveCount(0);
  }
});

test('every class, id, keyframe and token of a snippet has its prefix, and axe-core has nothing to say', async ({
  blank: page
}) => {
  const text = await snippet('season-tabs');
  const style = /<style>([\s\S]*)<\/style>/.exec(text)![1]!;
  for (const [, name] of style.matchAll(/\.([a-zA-Z][\w-]*)[^{}]*\{/g))
    expect(name).toMatch(/^ky-season-tabs/);
  for (const [, name] of style.matchAll(/@keyframes ([\w-]+)/g)) expect(name).toMatch(/^ky-season-tabs/);
  for (const [, id] of text.matchAll(/ id="([^"]+)"/g)) expect(id).toMatch(/^ky-season-tabs/);
  expect(style).not.toMatch(/:root|\bhtml\b|\bbody\b|(^|\n)\*/);
  html = `<!doctype html><html lang="en"><head><title>x</title></head><body><main><h1>x</h1><h2>y</h2>${text}</main></body></html>`;
  await page.goto(address());
  expect(await axeViolations(page)).toEqual([]);
});

test('the export window makes one of the picked piece, and says what each choice of browsers costs', async ({
  page
}) => {
  const bench = await Bench.openDemo(page);
  await page.keyboard.press('Control+e');
  await page.getByRole('tab', { name: 'Snippet' }).click();
  await expect(page.getByText('Pick one in the outline first')).toBeVisible();
  await page.keyboard.press('Escape');
  await bench.pick('Season tabs');
  await page.keyboard.press('Control+e');
  await page.getByRole('tab', { name: 'Snippet' }).click();
  await expect(page.getByLabel('Text of snippet.html')).toContainText('ky-season-tabs');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save snippet' }).click();
  expect((await download).suggestedFilename()).toBe('quillmere-orchard-season-tabs-snippet.html');
  await page.getByRole('tab', { name: 'Folder' }).click();
  const used = page.getByRole('region', { name: 'Files and what they use' });
  await expect(used.getByText('leave', { exact: true })).toBeVisible();
  await expect(used).toContainText(/a panel that moves while it goes\s*by script, \d+ B/);
  await page.getByRole('combobox', { name: 'Browsers' }).selectOption('newly');
  await expect(used).toContainText(/a panel that moves while it goes\s*itself/);
  await expect(used.getByText('leave', { exact: true })).toHaveCount(0);
});
