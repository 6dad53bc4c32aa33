import { cpSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, BrowserContextOptions, Page } from '@playwright/test';
import type { PageId } from '../src/core/project/types';
import { exported } from './support/exported';
import { differentPixels } from './support/pixels';
import { expect, test } from './support/test';
import { bytes, demo } from './support/visit';

// The visit page as it leaves, and the same page written by hand: one look and one accessibility tree, in
// every form, state and condition. Paper is left out: the page by hand prints a button for its menu and a
// header for each season, the export all links and plain headings (see `exported.spec.ts`).

const HAND = new URL('./by-hand/', import.meta.url).pathname;

/** High enough for the whole page: by hand, the link to where a page ends is never marked current by scrolling. */
const HEIGHT = 1800;

/** Pixels that may differ of a page of a million: corners of letters and of icons. */
const STRAY = 80;

/** Folders of the two pages, with the same pictures. */
async function bothPages(): Promise<readonly string[]> {
  const { folder } = await exported(
    { ...demo, info: { ...demo.info, pageOrder: ['visit' as PageId] } },
    bytes
  );
  const hand = join(folder, 'hand');
  cpSync(HAND, hand, { recursive: true });
  cpSync(join(folder, 'assets'), join(hand, 'assets'), { recursive: true });
  return [folder, hand];
}

interface Setting {
  readonly name: string;
  readonly options?: BrowserContextOptions;
  /** What is done before it is looked at; none needs a script where there is none. */
  readonly act?: (page: Page) => Promise<void>;
}

/** The way to a season: its tab, or its header where tabs are folded. */
const season = (page: Page, name: string) =>
  page
    .locator(`[id="${name}-tab"]:visible, summary:visible, button:visible`, {
      hasText: new RegExp(name, 'i')
    })
    .first();

const SETTINGS: readonly Setting[] = [
  { name: 'at rest' },
  { name: 'another season', act: (page) => season(page, 'Harvest').click() },
  { name: 'a season pointed at', act: (page) => season(page, 'Summer').hover() },
  {
    name: 'a season chosen by key',
    act: async (page) => {
      await season(page, 'Summer').focus();
      await page.keyboard.press('Enter');
    }
  },
  {
    name: 'a season focused by key',
    act: async (page) => {
      for (let n = 0; n < 6; n += 1) await page.keyboard.press('Tab');
    }
  },
  { name: 'a link pointed at', act: (page) => page.getByRole('link', { name: 'the press house' }).hover() },
  {
    name: 'a button pointed at',
    act: (page) => page.getByRole('link', { name: 'See the harvest story' }).hover()
  },
  {
    name: 'a button held down',
    act: async (page) => {
      await page.getByRole('link', { name: 'See the harvest story' }).hover();
      await page.mouse.down();
    }
  },
  {
    name: 'the last button focused',
    act: (page) => page.getByRole('link', { name: 'See the harvest story' }).focus()
  },
  {
    name: 'the menu',
    act: async (page) => {
      const menu = page.getByRole('button', { name: 'Menu' });
      if (await menu.isVisible()) await menu.click();
    }
  },
  { name: 'touch', options: { hasTouch: true, isMobile: true } },
  { name: 'no script', options: { javaScriptEnabled: false } }
];

async function lookAt(browser: Browser, folder: string, width: number, { options, act }: Setting) {
  const context = await browser.newContext({
    viewport: { width, height: HEIGHT },
    reducedMotion: 'reduce',
    ...options
  });
  const page = await context.newPage();
  await page.goto(`file://${folder}/index.html`);
  // Pictures further down come when they are near.
  for (const image of await page.locator('img:visible').all()) {
    await image.scrollIntoViewIfNeeded();
    await expect.poll(() => image.evaluate((each: HTMLImageElement) => each.complete)).toBe(true);
  }
  await page.evaluate(() => scrollTo(0, 0));
  await act?.(page);
  const picture = await page.screenshot({ fullPage: true, animations: 'disabled' });
  const tree = await page.locator('body').ariaSnapshot();
  await context.close();
  return { picture, tree };
}

for (const width of [390, 800, 1280]) {
  test(`looks and reads as the page by hand at ${width} px`, async ({ browser }) => {
    test.setTimeout(180_000);
    const [own, hand] = await bothPages();
    for (const setting of SETTINGS) {
      const page = await lookAt(browser, own!, width, setting);
      const measure = await lookAt(browser, hand!, width, setting);
      expect.soft(page.tree, setting.name).toBe(measure.tree);
      expect.soft(differentPixels(page.picture, measure.picture), setting.name).toBeLessThanOrEqual(STRAY);
    }
  });
}
