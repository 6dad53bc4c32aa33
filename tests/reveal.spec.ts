import type { Command } from '../src/core/commands/commands';
import { loadRules, runFindings } from '../src/core/findings/run';
import { trackOf } from '../src/core/motion/track';
import type { NodeId, Project } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { axeViolations } from './support/axe';
import { Counted } from './support/counted';
import { partIn } from './support/exported';
import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { changed, open } from './support/visit';
import { Bench } from './support/workbench';

/** The press button answers hover of the column of words around it. */
const answering = (settings: Record<string, unknown> = {}, id = 'press-button'): Project =>
  changed(
    { type: 'add-effect', id, effect: 'reveal' },
    ...Object.entries(settings).map(
      ([key, value]) => ({ type: 'set-setting', id, key: `reveal-${key}`, value }) as Command
    )
  );

const piece = (page: Page, id = 'press-button') => page.locator(partIn('export', id as NodeId, 'root'));
const opacity = (page: Page, id?: string) =>
  piece(page, id).evaluate((each) => getComputedStyle(each).opacity);
const text = (page: Page) => page.locator(partIn('export', 'press-text' as NodeId, 'root'));
const away = (page: Page) => page.mouse.move(2, 2);

/** How much everything moved, as Chromium reports it (Layout Instability API). */
async function shiftsWhile(page: Page, run: () => Promise<void>): Promise<number[]> {
  await page.evaluate(() => {
    const seen: number[] = ((window as unknown as { seen: number[] }).seen = []);
    new PerformanceObserver((list) => {
      for (const each of list.getEntries()) seen.push((each as unknown as { value: number }).value);
    }).observe({ type: 'layout-shift', buffered: false });
  });
  await run();
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  return page.evaluate(() => (window as unknown as { seen: number[] }).seen);
}

test.beforeAll(() => loadRules(registry));

test('shows while its box is pointed at, or has the focus in it, and nothing around moves', async ({
  blank: page
}) => {
  await open(page, answering());
  await text(page).scrollIntoViewIfNeeded();
  await away(page);
  await expect.poll(() => opacity(page)).toBe('0');
  const shifts = await shiftsWhile(page, async () => {
    await text(page).hover();
    await expect.poll(() => opacity(page)).toBe('1');
    await piece(page).hover();
    await expect.poll(() => opacity(page)).toBe('1');
    await away(page);
    await expect.poll(() => opacity(page)).toBe('0');
  });
  expect(shifts).toEqual([]);
  await piece(page).focus();
  await expect.poll(() => opacity(page)).toBe('1');
  expect(await axeViolations(page)).toEqual([]);
});

test('goes away while its box is pointed at, where that is set', async ({ blank: page }) => {
  await open(page, answering({ as: 'hide' }, 'press-heading'));
  await text(page).scrollIntoViewIfNeeded();
  await away(page);
  await expect.poll(() => opacity(page, 'press-heading')).toBe('1');
  await text(page).hover();
  await expect.poll(() => opacity(page, 'press-heading')).toBe('0');
});

test('covers its whole box and goes away to a side; a press reaches what is under it', async ({
  blank: page
}) => {
  await open(page, answering({ as: 'cover', track: trackOf({ form: 'slide', ms: 0 }) }, 'press-text'));
  const box = page.locator(partIn('export', 'press-words' as NodeId, 'root'));
  await box.scrollIntoViewIfNeeded();
  await away(page);
  const of = async (each: typeof box) => (await each.boundingBox())!;
  await expect.poll(async () => (await of(text(page))).y).toBe((await of(box)).y);
  const [cover, around] = [await of(text(page)), await of(box)];
  expect([cover.x, cover.width, cover.height]).toEqual([around.x, around.width, around.height]);
  await box.hover();
  await expect.poll(async () => (await of(text(page))).y).toBe(around.y + around.height);
  await piece(page).click({ trial: true });
});

for (const [touch, seen] of [
  ['shown', '1'],
  ['press', '0']
] as const)
  test(`on touch: ${touch}`, async ({ browser }) => {
    const context = await browser.newContext({
      hasTouch: true,
      isMobile: true,
      viewport: { width: 390, height: 800 }
    });
    const page = await context.newPage();
    await open(page, answering({ touch }), 390);
    await text(page).scrollIntoViewIfNeeded();
    expect(await opacity(page)).toBe(seen);
    if (touch === 'press') {
      await text(page).tap();
      await expect.poll(() => opacity(page)).toBe('1');
    }
    await context.close();
  });

test(
  'what goes away when it takes the focus leaves a ring around its box, which the mouse does not bring',
  inTurn(6),
  async ({ blank: page }) => {
    await open(page, answering({ as: 'hide', focusable: true }, 'press-text'));
    const text = piece(page, 'press-text');
    const ring = () => text.evaluate((each) => getComputedStyle(each.parentElement!).outlineStyle);
    await text.scrollIntoViewIfNeeded();
    const box = (await text.boundingBox())!;
    await page.mouse.move(box.x + 20, box.y + 10);
    await expect.poll(() => opacity(page, 'press-text')).toBe('0');
    expect(await ring()).toBe('none');
    await away(page);
    await expect.poll(() => opacity(page, 'press-text')).toBe('1');
    await text.focus();
    await expect.poll(() => opacity(page, 'press-text')).toBe('0');
    expect(await ring()).toBe('solid');
  }
);

test('is simply there on paper; with less motion it comes at once', async ({ blank: page }) => {
  await open(page, answering());
  await page.emulateMedia({ media: 'print' });
  expect(await opacity(page)).toBe('1');
  await page.emulateMedia({ media: 'screen', reducedMotion: 'reduce' });
  await text(page).hover();
  expect(await opacity(page)).toBe('1');
});

test(
  'what nothing brings the focus to is found, and can take it itself',
  inTurn(8),
  async ({ blank: page }) => {
    const alone: Command[] = [
      { type: 'remove', ids: ['press-button'] },
      { type: 'set-setting', id: 'press-text', key: 'html', value: '<p>Stand at the rail.</p>' },
      { type: 'add-effect', id: 'press-text', effect: 'reveal' }
    ];
    const lost = changed(...alone);
    const found = runFindings(registry, lost).filter(({ rule }) => rule === 'reveal-by-hover-only');
    expect(found.map(({ node }) => node)).toEqual(['press-text']);
    const mended = changed(...alone, ...(found[0]!.fix!.commands as Command[]));
    expect(runFindings(registry, mended).filter(({ rule }) => rule === 'reveal-by-hover-only')).toEqual([]);
    await open(page, mended);
    await text(page).focus();
    await expect.poll(() => opacity(page, 'press-text')).toBe('1');
  }
);

test(
  'a button that shows only on hover of its box, with focus and touch, in three actions; seen while tuned',
  thorough,
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    const hand = new Counted();
    await hand.act('pick', () => bench.pick('Press button'));
    await hand.act('view', () => bench.view('Behaviour'));
    await hand.act('hover', () => page.getByRole('button', { name: /^Answers hover/ }).click());
    expect(hand.done.length).toBeLessThanOrEqual(5);
    const button = bench.preview.locator('[data-k="press-button"]');
    await expect(button).toHaveCSS('opacity', '1');
    await page.keyboard.press('t');
    await page.mouse.move(640, 20);
    await expect(button).toHaveCSS('opacity', '0');
    await bench.preview.locator('[data-k="press-text"]').hover();
    await expect(button).toHaveCSS('opacity', '1');
    await page.keyboard.press('t');
    await expect(button).toHaveCSS('opacity', '1');
  }
);
