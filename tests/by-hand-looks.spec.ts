import { cpSync } from 'node:fs';
import { join } from 'node:path';
import type { BrowserContextOptions, Page } from '@playwright/test';
import type { PageId } from '../src/core/project/types';
import { exported } from './support/exported';
import { allPictures } from './support/pictures';
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
  }
];

/** Who looks at the pages, and what they do there. */
const VISITORS: readonly { options: BrowserContextOptions; settings: readonly Setting[] }[] = [
  { options: {}, settings: SETTINGS },
  { options: { hasTouch: true, isMobile: true }, settings: [{ name: 'touch' }] },
  { options: { javaScriptEnabled: false }, settings: [{ name: 'no script' }] }
];

async function lookAt(page: Page, folder: string, { act }: Setting) {
  // What is held is let go of elsewhere, which presses nothing.
  await page.mouse.move(0, 0);
  await page.mouse.up();
  await page.goto(`file://${folder}/index.html`);
  await allPictures(page);
  await act?.(page);
  const picture = await page.screenshot({ fullPage: true, animations: 'disabled' });
  const tree = await page.locator('body').ariaSnapshot();
  return { picture, tree };
}

for (const width of [390, 800, 1280]) {
  test(`looks and reads as the page by hand at ${width} px`, async ({ browser }) => {
    const [own, hand] = await bothPages();
    for (const { options, settings } of VISITORS) {
      const viewport = { width, height: HEIGHT };
      const page = await browser.newPage({ viewport, reducedMotion: 'reduce', ...options });
      for (const setting of settings) {
        const made = await lookAt(page, own!, setting);
        const measure = await lookAt(page, hand!, setting);
        expect.soft(made.tree, setting.name).toBe(measure.tree);
        expect.soft(differentPixels(made.picture, measure.picture), setting.name).toBeLessThanOrEqual(STRAY);
      }
      await page.close();
    }
  });
}
