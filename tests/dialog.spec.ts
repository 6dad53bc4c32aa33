import { gzipSync } from 'node:zlib';
import type { Command } from '../src/core/commands/commands';
import { loadRules, runFindings } from '../src/core/findings/run';
import { makeWith } from '../src/core/kinds/make';
import type { Fragment, NodeId, Project } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { pageScript } from '../src/server/bundle';
import { axeViolations } from './support/axe';
import { Counted } from './support/counted';
import { partIn } from './support/exported';
import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { bytes, changed, open, put } from './support/visit';
import { Bench } from './support/workbench';

test.beforeAll(() => loadRules(registry));

const make = makeWith({ exactIds: true });
const hours = (settings: object = {}): Fragment =>
  make('dialog', 'Hours', settings as never, {
    content: [
      make('heading', 'Gate heading', { text: 'When the gate is open', level: '2' }),
      make('button', 'More', { label: 'More', href: 'https://example.org/' })
    ]
  });

const set = (id: string, key: string, value: unknown): Command =>
  ({ type: 'set-setting', id, key, value }) as Command;

/** The press button opens the hours. */
const opened = (settings: object = {}): Project =>
  changed(put(hours(settings), 0, 'find-us'), set('press-button', 'opens', 'hours'));

const panel = (page: Page) => page.locator(partIn('export', 'hours' as NodeId, 'panel'));
const opener = (page: Page) => page.locator(partIn('export', 'press-button' as NodeId, 'root'));

// ARIA Authoring Practices, dialog (modal): the focus goes in, stays, and comes back; Escape closes it; what is behind
// it is out of reach.
test('is opened by a button elsewhere, keeps the focus, and gives it back', async ({ blank: page }) => {
  await open(page, opened());
  await expect(panel(page)).toBeHidden();
  await expect(opener(page)).toHaveAttribute('aria-haspopup', 'dialog');
  await opener(page).focus();
  await page.keyboard.press('Enter');
  await expect(panel(page)).toBeVisible();
  await expect(page.getByRole('dialog', { name: 'Hours' })).toHaveCount(1);
  expect(await axeViolations(page)).toEqual([]);
  const isInside = () =>
    panel(page).evaluate(
      (each) => each.contains(document.activeElement) || document.activeElement === document.body
    );
  for (let n = 0; n < 5; n += 1) {
    expect(await isInside()).toBe(true);
    await page.keyboard.press('Tab');
  }
  const at = await page.evaluate(() => scrollY);
  await page.mouse.move(100, 400);
  await page.mouse.wheel(0, 400);
  await page.keyboard.press('Escape');
  await expect(panel(page)).toBeHidden();
  await expect(opener(page)).toBeFocused();
  expect(await page.evaluate(() => scrollY)).toBe(at);
});

test(
  'is closed by its button, and by a press beside it where that is set',
  inTurn(8),
  async ({ blank: page }) => {
    for (const outside of [true, false]) {
      await open(page, opened({ outside }));
      await opener(page).click();
      await panel(page).getByRole('button', { name: 'Close' }).click();
      await expect(panel(page)).toBeHidden();
      await opener(page).click();
      await panel(page).getByRole('heading').click();
      await expect(panel(page)).toBeVisible();
      await page.mouse.click(20, 20);
      await expect(panel(page)).toBeVisible({ visible: !outside });
    }
  }
);

for (const [place, box] of [
  ['start', { x: 0, y: 0, width: 480, height: 900 }],
  ['end', { x: 800, y: 0, width: 480, height: 900 }],
  ['top', { x: 0, y: 0, width: 1280, height: 480 }],
  ['bottom', { x: 0, y: 420, width: 1280, height: 480 }]
] as const)
  test(`stands at an edge, nothing moves when it comes: ${place}`, async ({ blank: page }) => {
    await open(page, opened({ place }));
    await opener(page).scrollIntoViewIfNeeded();
    const before = await opener(page).boundingBox();
    await opener(page).click();
    await expect(panel(page)).toBeVisible();
    await page.evaluate(() => document.getAnimations().forEach((each) => each.finish()));
    expect(await panel(page).boundingBox()).toEqual(box);
    expect(await opener(page).boundingBox()).toEqual(before);
  });

const goes = { leave: { form: 'edge', ms: 400, delay: 0, easing: 'linear', step: 0, from: 'first' } };

/** What is seen of it: whether it is drawn, whether it lies over the page, and how far it has moved down, px. */
const seen = (page: Page) =>
  panel(page).evaluate((each) => {
    const { display, overlay, translate } = getComputedStyle(each) as CSSStyleDeclaration & {
      overlay: string;
    };
    return { isDrawn: display !== 'none', overlay, down: parseFloat(translate.split(' ')[1] ?? '0') };
  });

test('goes out of sight by its own movement, over the page until it is gone', async ({ blank: page }) => {
  await open(page, opened({ ...goes, place: 'bottom' }));
  await opener(page).click();
  await expect(panel(page)).toBeVisible();
  await panel(page).evaluate((each: HTMLDialogElement) => {
    each.getAnimations().forEach((animation) => animation.finish());
    each.close();
    // Half of its way, whatever the machine does meanwhile.
    for (const animation of document.getAnimations()) {
      animation.pause();
      animation.currentTime = 200;
    }
  });
  const half = await seen(page);
  expect(half).toMatchObject({ isDrawn: true, overlay: 'auto' });
  expect(half.down).toBeCloseTo(50, 0);
  const box = (await panel(page).boundingBox())!;
  expect([box.x, box.y, box.width, box.height]).toEqual([0, 660, 1280, 480]);
  await page.evaluate(() => document.getAnimations().forEach((each) => each.finish()));
  await expect(panel(page)).toBeHidden();
  expect((await seen(page)).isDrawn).toBe(false);
});

test(
  'with less motion it is gone at once; on paper and without script nothing of it is hidden',
  inTurn(5),
  async ({ browser, blank: page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await open(page, opened(goes));
    await opener(page).click();
    await panel(page).evaluate((each: HTMLDialogElement) => each.close());
    expect((await seen(page)).isDrawn).toBe(false);
    await page.emulateMedia({ media: 'print', reducedMotion: 'no-preference' });
    const opacity = (of: Page) => panel(of).evaluate((each) => getComputedStyle(each).opacity);
    expect(await opacity(page)).toBe('1');
    const context = await browser.newContext({ javaScriptEnabled: false });
    const quiet = await context.newPage();
    await open(quiet, opened(goes));
    await expect(panel(quiet)).toBeVisible();
    expect(await opacity(quiet)).toBe('1');
    await context.close();
  }
);

test('without script, and on paper, it stands in the flow, without a button that would do nothing', async ({
  browser,
  blank: page
}) => {
  const buttons = (of: Page) => of.locator(partIn('export', 'hours' as NodeId, 'root')).getByRole('button');
  const context = await browser.newContext({ javaScriptEnabled: false });
  const quiet = await context.newPage();
  await open(quiet, opened({ label: 'Ask us' }));
  await expect(panel(quiet)).toBeVisible();
  await expect(buttons(quiet)).toHaveCount(0);
  await context.close();
  await open(page, opened({ label: 'Ask us' }));
  await expect(buttons(page)).toHaveText(['Ask us']);
  await page.emulateMedia({ media: 'print' });
  await expect(panel(page)).toBeVisible();
  await expect(buttons(page)).toHaveCount(0);
});

test('without a button of its own it takes no room, not even a gap', async ({ blank: page }) => {
  const top = (of: Page) =>
    of
      .locator(partIn('export', 'find-columns' as NodeId, 'root'))
      .evaluate((each) => each.getBoundingClientRect().top);
  await open(page, opened());
  const now = await top(page);
  await open(page, changed());
  expect(await top(page)).toBe(now);
});

test('its script is small', async () => {
  const script = (await pageScript(['opens'], true))!;
  expect(gzipSync(script, { level: 9 }).length).toBeLessThanOrEqual(500);
});

test('what nothing opens, and what opens what it stands in, is found and mended', inTurn(1), () => {
  const found = (project: Project) =>
    runFindings(registry, project).filter(({ rule }) =>
      ['dialog-never-opened', 'opens-what-holds-it'].includes(rule)
    );
  expect(found(opened())).toEqual([]);
  const lost = changed(put(hours(), 0, 'find-us'));
  const [never] = found(lost);
  expect(never).toMatchObject({ rule: 'dialog-never-opened', node: 'hours' });
  expect(found(changed(put(hours(), 0, 'find-us'), ...(never!.fix!.commands as Command[])))).toEqual([]);
  const linked = changed(put(hours(), 0, 'find-us'), set('press-button', 'href', '#gate-heading'));
  expect(found(linked).map(({ rule }) => rule)).toEqual(['dialog-never-opened']);
  const bare = make('drawer', 'Aside', { label: '' }, { content: [] });
  const [unopened] = runFindings(registry, changed(put(bare, 0, 'find-us'))).filter(
    ({ node }) => node === 'aside'
  );
  expect(unopened).toMatchObject({ rule: 'drawer-never-opened' });
  const named = changed(put(bare, 0, 'find-us'), set('press-button', 'opens', 'aside'));
  expect(runFindings(registry, named).filter(({ node }) => node === 'aside')).toEqual([]);
  const inside = [
    put(hours({ label: 'Hours' }), 0, 'find-us'),
    set('more', 'href', ''),
    set('more', 'opens', 'hours')
  ];
  const [itself] = found(changed(...inside));
  expect(itself).toMatchObject({ rule: 'opens-what-holds-it', node: 'more' });
  expect(found(changed(...inside, ...(itself!.fix!.commands as Command[])))).toEqual([]);
});

test('is inserted, opened by a button that is there, and edited without a press; its openers are listed', async ({
  page
}) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Find heading');
  await page.keyboard.press('a');
  await page.keyboard.type('dialog');
  await page.keyboard.press('Enter');
  await expect(bench.row('Dialog')).toBeVisible();
  await expect(page.getByRole('button', { name: /1 finding/ })).toBeVisible();
  const hand = new Counted();
  await hand.act('pick', () => bench.pick('Press button'));
  await hand.act('view', () => bench.view('Fill'));
  await hand.act('opens', () => page.getByRole('combobox', { name: 'Opens' }).selectOption('Dialog'));
  await bench.pick('Dialog heading');
  await expect(bench.preview.locator('dialog')).toBeVisible();
  await bench.pick('Press heading');
  await expect(bench.preview.locator('dialog')).toBeHidden();
  await bench.pick('Dialog');
  await expect(bench.preview.locator('dialog')).toBeVisible();
  await expect(page.getByText('Named by')).toContainText('Press button');
  // The keys stay with the workbench, also while the page is tried.
  await page.keyboard.press('t');
  await bench.pick('Press heading');
  await bench.pick('Dialog');
  await expect(bench.preview.locator('dialog')).toBeVisible();
  await page.keyboard.press('a');
  await page.keyboard.type('quotation');
  await expect(page.getByLabel('What to insert')).toHaveValue('quotation');
  await page.keyboard.press('Escape');
  await bench.preview.getByRole('button', { name: 'Close' }).press('Enter');
  await expect(bench.preview.locator('dialog')).toBeHidden();
  await bench.pick('Dialog');
  await page.keyboard.press('t');
  await page.keyboard.press('Delete');
  await expect(page.getByText('Opens of Press button named what was deleted.')).toBeVisible();
  await bench.pick('Press button');
  await expect(page.getByRole('combobox', { name: 'Opens' })).toContainText('a piece that is gone');
});

test(
  'coming, going and what enters in it are one sequence of bars, which is played and held',
  thorough,
  async ({ page }) => {
    const project = changed(put(hours(goes), 0, 'find-us'), set('press-button', 'opens', 'hours'), {
      type: 'add-effect',
      id: 'gate-heading',
      effect: 'enter'
    } as Command);
    const bench = new Bench(page);
    await bench.importProject(project, bytes);
    await bench.pick('Hours');
    await bench.view('Timing');
    const bar = (name: string) => page.getByRole('slider', { name: `${name}, length` });
    await expect(bar('How it comes')).toHaveAttribute('aria-valuenow', '200');
    await expect(bar('How it goes')).toHaveAttribute('aria-valuenow', '400');
    // What is in it is tuned from here as well.
    await page.getByRole('button', { name: /^Gate heading/ }).click();
    await page.getByLabel('Start', { exact: true }).fill('200');
    await page.keyboard.press('Enter');
    await expect(bar('Gate heading')).toHaveAttribute('aria-valuetext', /from 200 ms$/);
    const dialog = bench.preview.locator('dialog');
    await expect(dialog).toHaveJSProperty('open', true);
    await bar('How it goes').focus();
    await page.getByRole('slider', { name: 'Playhead' }).focus();
    for (let n = 0; n < 2; n += 1) await page.keyboard.press('Shift+ArrowRight');
    // Held on its way out: closed, and still drawn.
    await expect(dialog).toHaveJSProperty('open', false);
    await expect(dialog).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(dialog).toHaveJSProperty('open', true);
  }
);
