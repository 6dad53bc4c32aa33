import { gzipSync } from 'node:zlib';
import { apply } from '../src/core/commands/apply';
import { loadRules, runFindings } from '../src/core/findings/run';
import { registry } from '../src/core/whole';
import { makeWith } from '../src/core/kinds/make';
import type { Command } from '../src/core/commands/commands';
import type { Fragment, NodeId, Project } from '../src/core/project/types';
import { pageScript } from '../src/server/bundle';
import { axeViolations } from './support/axe';
import { partIn } from './support/exported';
import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { changed, open } from './support/visit';
import { Bench } from './support/workbench';

test.beforeAll(() => loadRules(registry));

const make = makeWith({ exactIds: true });

const under = (parent: string, fragment: Fragment, index = 0): Command =>
  ({ type: 'insert', fragment, at: { parent, slot: 'links', index } }) as Command;

/** The header's “Seasons” leads somewhere and has two links below it; “More” leads nowhere and has one. */
const menu: Project = changed(
  under('seasons', make('link', 'Trees', { href: '#plan' })),
  under('seasons', make('link', 'Winter', { href: 'index.html' }), 1),
  under('site-links', make('link', 'Further', {}, { links: [make('link', 'Letters', { href: '#find' })] }), 3)
);

const list = (page: Page, item: string) =>
  page.locator(`${partIn('export', 'site-links' as NodeId, 'sublist')}[id="${item}-links"]`);
const arrow = (page: Page) => page.getByRole('button', { name: 'Seasons, more' });
const more = (page: Page) => page.getByRole('button', { name: 'Further', exact: true });

// ARIA Authoring Practices, disclosure navigation with top-level links: Tab, Enter, Space, Escape.
test('opens below its link by Enter and Space, closes by Escape, and gives the focus back', async ({
  blank: page
}) => {
  await open(page, menu);
  await expect(list(page, 'seasons')).toBeHidden();
  await page.getByRole('link', { name: 'Seasons' }).focus();
  await page.keyboard.press('Tab');
  await expect(arrow(page)).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(arrow(page)).toHaveAttribute('aria-expanded', 'true');
  await expect(list(page, 'seasons')).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Trees' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(list(page, 'seasons')).toBeHidden();
  await expect(arrow(page)).toBeFocused();
  await page.keyboard.press('Space');
  await expect(list(page, 'seasons')).toBeVisible();
  expect(await axeViolations(page)).toEqual([]);
});

test('is put away by leaving it, and by opening another', async ({ blank: page }) => {
  await open(page, menu);
  await arrow(page).focus();
  await page.keyboard.press('Enter');
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'The press', exact: true })).toBeFocused();
  await expect(list(page, 'seasons')).toBeHidden();
  await more(page).focus();
  await page.keyboard.press('Enter');
  await expect(list(page, 'further')).toBeVisible();
  await expect(list(page, 'seasons')).toBeHidden();
});

// WCAG 2.2, 1.4.13: what comes by a pointer can be dismissed without moving it, pointed at itself, and stays.
test('comes by a mouse over it, can be pointed at, stays, and goes by Escape', async ({ blank: page }) => {
  await open(page, menu);
  await page.getByRole('link', { name: 'Seasons' }).hover();
  await expect(list(page, 'seasons')).toBeVisible();
  await expect(arrow(page)).toHaveAttribute('aria-expanded', 'true');
  const from = (await arrow(page).boundingBox())!;
  const to = (await page.getByRole('link', { name: 'Winter' }).boundingBox())!;
  // Straight down from the link, through whatever lies between.
  for (let y = from.y + from.height / 2; y < to.y + to.height / 2; y += 2) {
    await page.mouse.move(from.x, y);
    expect(await list(page, 'seasons').isVisible()).toBe(true);
  }
  await page.keyboard.press('Escape');
  await expect(list(page, 'seasons')).toBeHidden();
  await page.mouse.move(20, 500);
  await page.getByRole('link', { name: 'Seasons' }).hover();
  await expect(list(page, 'seasons')).toBeVisible();
  await page.mouse.move(20, 500);
  await expect(list(page, 'seasons')).toBeHidden();
});

test('stays when the button under the mouse is pressed, and the next press closes it', async ({
  blank: page
}) => {
  await open(page, menu);
  await arrow(page).click();
  await expect(list(page, 'seasons')).toBeVisible();
  await page.mouse.move(20, 500);
  await expect(list(page, 'seasons')).toBeVisible();
  await arrow(page).click();
  await expect(list(page, 'seasons')).toBeHidden();
});

test('marks the page one is on, and the section it is in', async ({ blank: page }) => {
  await open(page, menu);
  await expect(page.getByRole('link', { name: 'Seasons', exact: true })).toHaveAttribute(
    'aria-current',
    'true'
  );
  await arrow(page).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'Winter' })).toHaveAttribute('aria-current', 'page');
});

test(
  'stands in the flow without script, and behind the menu button where the links no longer fit',
  inTurn(7),
  async ({ blank: page, browser }) => {
    await open(page, menu);
    const url = page.url();
    await page.setViewportSize({ width: 390, height: 800 });
    await page.getByRole('button', { name: 'Menu' }).click();
    await arrow(page).click();
    await expect(list(page, 'seasons')).toBeVisible();
    const [above, own] = [(await arrow(page).boundingBox())!, (await list(page, 'seasons').boundingBox())!];
    expect(own.y).toBeGreaterThanOrEqual(above.y + above.height - 1);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    // In the flow a mouse moves nothing: only a press opens.
    await arrow(page).click();
    await expect(list(page, 'seasons')).toBeHidden();
    await page.mouse.move(2, 700);
    await page.getByRole('link', { name: 'Seasons' }).hover();
    await expect(list(page, 'seasons')).toBeHidden();
    await arrow(page).click();
    await expect(list(page, 'seasons')).toBeVisible();
    // One Escape puts the list away, the next the menu.
    await page.keyboard.press('Escape');
    await expect(list(page, 'seasons')).toBeHidden();
    await expect(page.getByRole('link', { name: 'The press', exact: true })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('link', { name: 'The press', exact: true })).toBeHidden();

    const bare = await browser.newContext({ javaScriptEnabled: false });
    const plain = await bare.newPage();
    await plain.goto(url);
    await expect(plain.getByRole('link', { name: 'Winter' })).toBeVisible();
    await expect(plain.getByRole('link', { name: 'Letters' })).toBeVisible();
    await bare.close();
  }
);

test('takes no more than its share of script', async () => {
  const script = (await pageScript(['sublists'], true))!;
  expect(gzipSync(script, { level: 9 }).length).toBeLessThanOrEqual(500);
});

test('is made in the interface: a list below a link, in four actions from the header', async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Seasons');
  await page.getByRole('tab', { name: 'Fill' }).click();
  await page.getByRole('group', { name: 'Sub-links' }).getByRole('button', { name: 'Add' }).click();
  await expect(bench.row('Link 1')).toBeVisible();
  await expect(bench.preview.getByRole('button', { name: 'Seasons, more' })).toBeVisible();
  // A link in such a list has none of its own.
  await expect(page.getByRole('group', { name: 'Sub-links' })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(bench.preview.getByRole('button', { name: 'Seasons, more' })).toHaveCount(0);
});

test(
  'links go below one another by keys, one level deep, and out again; also where they came without a list',
  thorough,
  async ({ page }) => {
    const bench = await Bench.openNew(page);
    await bench.pick('First section');
    await bench.insert('link list');
    const level = (name: string) => bench.row(name).getAttribute('aria-level');
    const before = Number(await level('Second link'));
    await bench.pick('Second link');
    await page.keyboard.press('Alt+ArrowRight');
    await expect(bench.row('Second link')).toHaveAttribute('aria-level', String(before + 1));
    await bench.pick('Third link');
    await page.keyboard.press('Alt+ArrowRight');
    await expect(bench.row('Third link')).toHaveAttribute('aria-level', String(before + 1));
    await page.keyboard.press('Alt+ArrowRight');
    await expect(page.getByText('One level of sub-links is all')).toBeVisible();
    await expect(bench.row('Third link')).toHaveAttribute('aria-level', String(before + 1));
    await page.keyboard.press('Alt+ArrowLeft');
    await expect(bench.row('Third link')).toHaveAttribute('aria-level', String(before));
  }
);

function mended(project: Project): Project {
  const said = runFindings(registry, project).find(({ rule }) => rule === 'text-contrast-moved')!;
  const commands = said.fix!.commands as readonly Command[];
  const outcome = apply(registry, project, { type: 'batch', label: '', commands });
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

const asPanel = changed(
  { type: 'set-setting', id: 'site-links', key: 'foldUnder', value: 900 } as Command,
  { type: 'set-setting', id: 'site-links', key: 'opensAs', value: 'end' } as Command
);
/** Words made for a dark header are mended as the finding offers it. */
const readable = () => mended(asPanel);
const menuButton = (page: Page) => page.locator(partIn('export', 'site-links' as NodeId, 'menu'));
const side = (page: Page) => page.locator(partIn('export', 'site-links' as NodeId, 'panel'));
const linkBoxes = (page: Page) =>
  page
    .locator(partIn('export', 'site-links' as NodeId, 'list'))
    .getByRole('link')
    .evaluateAll((links) => links.map((each) => each.getBoundingClientRect().toJSON()));

/** Movements are over at once, so that what is measured stands still. */
const settled = (page: Page) =>
  page.evaluate(() => document.getAnimations().forEach((each) => each.finish()));

test(
  'as a side panel under a width: from the edge, by keys, put away by Escape and by a link that is followed',
  inTurn(2),
  async ({ blank: page }) => {
    await open(page, readable(), 390);
    await expect(side(page)).toBeHidden();
    await menuButton(page).focus();
    await page.keyboard.press('Enter');
    await expect(side(page)).toBeVisible();
    await settled(page);
    expect(await side(page).boundingBox()).toMatchObject({ x: 70, y: 0, width: 320, height: 900 });
    expect(await axeViolations(page)).toEqual([]);
    await page.keyboard.press('Tab');
    await expect(side(page).getByRole('button', { name: 'Close' })).toBeFocused();
    await page.keyboard.press('Tab');
    await expect(page.getByRole('link', { name: 'Seasons' })).toBeFocused();
    await page.keyboard.press('Escape');
    await expect(side(page)).toBeHidden();
    await expect(menuButton(page)).toBeFocused();
    await page.keyboard.press('Enter');
    await page.getByRole('link', { name: 'Seasons' }).click();
    await expect(side(page)).toBeHidden();
    expect(new URL(page.url()).hash).not.toBe('');
  }
);

test('where there is room the side panel is not there at all: links stand as they do without it', async ({
  blank: page
}) => {
  const folded = changed({ type: 'set-setting', id: 'site-links', key: 'foldUnder', value: 900 } as Command);
  await open(page, folded);
  const before = await linkBoxes(page);
  await open(page, asPanel);
  await expect(menuButton(page)).toBeHidden();
  expect(await linkBoxes(page)).toEqual(before);
});

test(
  'where there is room its side panel comes out while a part of it is picked',
  thorough,
  async ({ page }) => {
    const bench = new Bench(page);
    await bench.importProject(asPanel);
    const inPreview = (part: string) =>
      bench.preview.locator(`[data-k-node="site-links"][data-k-part="${part}"]`).first();
    await bench.view('States');
    const pick = (part: string) =>
      page.getByRole('group', { name: 'Parts' }).getByRole('button', { name: part, exact: true }).click();
    await page.locator('[data-row="site-links"]').click();
    await pick('side panel');
    await expect(inPreview('panel')).toHaveCSS('position', 'fixed');
    await pick('link');
    await expect(inPreview('panel')).toHaveCSS('display', 'contents');
    await pick('close button');
    await expect(inPreview('close')).toBeVisible();
    await page.locator('[data-row="find-us"]').click();
    await expect(inPreview('close')).toBeHidden();
  }
);

test('the side panel needs no script, and on paper its links stand in the flow', async ({
  browser,
  blank: page
}) => {
  const context = await browser.newContext({ javaScriptEnabled: false });
  const quiet = await context.newPage();
  await open(quiet, asPanel, 390);
  await menuButton(quiet).click();
  await expect(side(quiet).getByRole('link', { name: 'Seasons' })).toBeVisible();
  await context.close();
  await open(page, asPanel, 390);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('link', { name: 'Seasons' })).toBeVisible();
  await expect(menuButton(page)).toBeHidden();
  // Also one that is open: a fixed box would lie over every sheet.
  await page.emulateMedia({ media: 'screen' });
  await menuButton(page).click();
  await page.emulateMedia({ media: 'print' });
  await expect(side(page)).not.toHaveCSS('position', 'fixed');
});
