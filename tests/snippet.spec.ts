import { createServer, type Server } from 'node:http';
import { VISIT } from './support/demo';
import { exported } from './support/exported';
import { expect, test, type Locator } from './support/test';
import { inTurn } from './support/thorough';
import { printSnippet, type SnippetOptions } from '../src/core/compile/snippet';
import type { NodeId, PageId } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { finishSnippet } from '../src/server/finish';
import { makeWith } from '../src/core/kinds/make';
import { axeViolations } from './support/axe';
import { everyKind } from './support/kinds';
import { bytes, changed, demo as project, put } from './support/visit';
import { Bench } from './support/workbench';

async function snippet(
  id: string,
  from = project,
  site: Omit<SnippetOptions, 'addressOf'> = {}
): Promise<string> {
  const dataUri = (asset: { id: string; type: string }) =>
    `data:${asset.type};base64,${Buffer.from(bytes.get(asset.id as never)!).toString('base64')}`;
  const { assets: _assets, ...printed } = printSnippet(registry, from, id as NodeId, {
    ...site,
    addressOf: dataUri
  });
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

/** What themes and resets say of elements in general, all at once. */
const THEME = `
* { margin: 0; padding: 0 }
html { font-size: 62.5% }
body { font: 400 1.6rem/1.9 serif; color: #444; background: #fafafa; letter-spacing: .02em; text-align: center }
h1, h2, h3, h4 { margin: 2em 0 1em; color: #922; font: 300 3rem/1.1 monospace; text-transform: uppercase }
p { margin: 0 0 1.6em; text-indent: 2em; hyphens: auto }
a { color: #06c; text-decoration: underline; border-bottom: 1px dotted }
ul, ol { margin: 1em 0 1em 3em; list-style: square } li { margin-bottom: .5em } li::before { content: "- " }
button { padding: 12px 24px; color: #fff; background: #06c; border: 0; border-radius: 4px; text-transform: uppercase }
img, video { display: block; max-width: 50%; height: auto; padding: 3px; border: 4px solid #ddd }
svg { width: 60px; fill: #06c } path, circle { stroke: red; stroke-width: 9 }
blockquote, figure { margin: 2em; padding-left: 1em; border-left: 4px solid #ccc; font-style: italic }
figcaption, small { color: #888; font-size: .8em } details, section, header, footer, aside { padding: 1em; background: #eee }
summary { font-weight: bold; cursor: help } label, span { display: block; vertical-align: top } input { width: 100% }
hr { border-top: 3px double #999 } dl, dd { margin: 0 0 1em 2em } :focus-visible { outline: 9px dotted red }`;

const themed = (content: string): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>x</title><style>${THEME}</style></head>
<body><main>${content}</main></body></html>`;

/** All that the browser computes for each element of a piece and for its generated boxes, in the order of the page. */
const computedIn = (root: Locator) =>
  root.evaluate(async (top) => {
    await document.fonts.ready;
    const isApart = (element: Element) => element.closest('style, script, symbol, [class*="symbol-sheet"]');
    return [top, ...top.querySelectorAll('*')]
      .filter((element) => !isApart(element) && !element.matches('picture, source'))
      .map((element) => {
        const style = getComputedStyle(element);
        const content = (box: string) => getComputedStyle(element, box).content;
        return {
          tag: element.tagName.toLowerCase(),
          values: Object.fromEntries([
            ...Array.from(style, (property) => [property, style.getPropertyValue(property)] as const),
            ...['::before', '::after'].map((box) => [box, content(box)] as const)
          ])
        };
      });
  });

/** What goes by names, which have a prefix in a snippet, by what is in sight, or is only said of a whole page. */
const isOfPage = (property: string): boolean =>
  /^(?:--|animation-(?:name|play-state)|view-timeline-name|-webkit-locale|text-size-adjust)/.test(property);

const SNIPPETS = [
  ['tabs with columns', 'plan-a-visit', project, VISIT],
  ['two-sided cards in a slider', 'tasting', project, 'varieties'],
  ['one of every kind', 'find-us', changed(...everyKind('find-us')), VISIT]
] as const;

for (const [i, [name, id, given, pageId]] of SNIPPETS.entries())
  test(
    `${name}: a snippet looks as on its page in a site that says something of every element`,
    inTurn(i),
    async ({ blank: page }) => {
      await page.setViewportSize({ width: 1280, height: 900 });
      await page.emulateMedia({ reducedMotion: 'reduce' });
      const made = await exported(given, bytes, false, true, [pageId as PageId]);
      await page.goto(made.url);
      const there = await computedIn(page.locator(`[data-node="${id}"]`).first());
      html = themed(await snippet(id, given, { rootSize: 10 }));
      await page.goto(address());
      const here = await computedIn(page.locator(`.ky-${id} > :not(style, script)`).first());
      expect(here.map(({ tag }) => tag)).toEqual(there.map(({ tag }) => tag));
      const differences = here.flatMap(({ tag, values }, i) =>
        Object.entries(values)
          .filter(([property, value]) => value !== there[i]!.values[property] && !isOfPage(property))
          .map(([property, value]) => `${tag} ${property}: ${value}, not ${there[i]!.values[property]}`)
      );
      expect(differences).toEqual([]);
    }
  );

test('a snippet of a site’s own type has its letters and ground from the site', async ({ blank: page }) => {
  const shown = async (look: SnippetOptions['look']) => {
    const text = await snippet('welcome-text', project, look ? { look } : {});
    html = themed(text);
    await page.goto(address());
    return page
      .locator('.ky-welcome-text p')
      .first()
      .evaluate((element) => {
        const { fontFamily, letterSpacing, textAlign } = getComputedStyle(element);
        const ground = getComputedStyle(document.querySelector('.ky-welcome-text')!).backgroundColor;
        return { fontFamily, letterSpacing, textAlign, ground };
      });
  };
  expect(await shown('site')).toEqual({
    fontFamily: 'serif',
    letterSpacing: '0.32px',
    textAlign: 'center',
    ground: 'rgba(0, 0, 0, 0)'
  });
  expect(await shown('page')).toMatchObject({ letterSpacing: 'normal', textAlign: 'start' });
  expect((await shown(undefined)).fontFamily).not.toBe('serif');
});

test(
  'every class, id, keyframe and token of a snippet has its prefix, and axe-core has nothing to say',
  inTurn(8),
  async ({ blank: page }) => {
    const text = await snippet('season-tabs');
    const style = /<style>([\s\S]*)<\/style>/.exec(text)![1]!;
    for (const [, name] of style.matchAll(/\.([a-zA-Z][\w-]*)[^{}]*\{/g))
      expect(name).toMatch(/^ky-season-tabs/);
    for (const [, name] of style.matchAll(/@keyframes ([\w-]+)/g)) expect(name).toMatch(/^ky-season-tabs/);
    for (const [, id] of text.matchAll(/ id="([^"]+)"/g)) expect(id).toMatch(/^ky-season-tabs/);
    expect(style).not.toMatch(/:root|\bhtml\b|\bbody\b|(^|\n)\*/);
    const head = '<head><title>x</title></head>';
    html = `<!doctype html><html lang="en">${head}<body><main><h1>x</h1><h2>y</h2>${text}</main></body></html>`;
    await page.goto(address());
    expect(await axeViolations(page)).toEqual([]);
  }
);

test(
  'the export window makes one of the picked piece, and says what each choice of browsers costs',
  inTurn(4),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await page.keyboard.press('Control+e');
    await page.getByRole('tab', { name: 'Snippet' }).click();
    await expect(page.getByText('Pick one in the outline first')).toBeVisible();
    await page.keyboard.press('Escape');
    await bench.pick('Season tabs');
    await page.keyboard.press('Control+e');
    await page.getByRole('tab', { name: 'Snippet' }).click();
    await expect(page.getByLabel('Text of snippet.html')).toContainText('ky-season-tabs');
    const text = page.getByLabel('Text of snippet.html');
    await page
      .getByRole('combobox', { name: 'Type, colour and ground' })
      .selectOption('of the site it goes into');
    await expect(text).toContainText('<div class="ky-season-tabs">');
    // What is no size is told of, and the last one stays until there is another.
    const root = page.getByRole('spinbutton', { name: 'Root type size of the site' });
    await root.fill('0');
    await root.press('Tab');
    await expect(page.getByRole('alert')).toContainText('It stays 16 px');
    await expect(text).toContainText('font-size: 0.9375rem');
    await root.fill('10');
    await root.press('Tab');
    await expect(text).toContainText('font-size: 1.5rem');
    await expect(page.getByRole('alert')).toHaveCount(0);
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
  }
);
