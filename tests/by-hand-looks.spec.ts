import { cpSync } from 'node:fs';
import { join } from 'node:path';
import type { BrowserContextOptions, Page } from '@playwright/test';
import { demo } from './support/demo';
import { allPictures } from './support/pictures';
import { differentPixels } from './support/pixels';
import { expect, test } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { exportedVisit } from './support/visit';

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
  const { folder } = await exportedVisit(demo);
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

/** Names of settings that only bring something into a state. */
const STATES = /pointed at|held down|focused/;

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

/** A picture may be taken while the browser still draws: what differs then is looked at so often. */
const LOOKS = 3;

interface Compared {
  readonly astray: number;
  readonly trees: readonly string[];
}

async function compared(page: Page, folders: readonly string[], setting: Setting): Promise<Compared> {
  for (let look = 1; ; look += 1) {
    const [made, measure] = [
      await lookAt(page, folders[0]!, setting),
      await lookAt(page, folders[1]!, setting)
    ];
    const astray = await differentPixels(made.picture, measure.picture);
    if (astray <= STRAY || look === LOOKS) return { astray, trees: [made.tree, measure.tree] };
  }
}

/** In the middle band pieces stand otherwise, but their states are those of a wide window. */
const WIDTHS = [
  { width: 390, visitors: VISITORS },
  { width: 800, visitors: [{ options: {}, settings: SETTINGS.filter(({ name }) => !STATES.test(name)) }] },
  { width: 1280, visitors: VISITORS }
];

for (const { width, visitors } of WIDTHS) {
  test(
    `looks and reads as the page by hand at ${width} px`,
    width === 1280 ? inTurn(8) : thorough,
    async ({ browser }) => {
      const folders = await bothPages();
      for (const { options, settings } of visitors) {
        const viewport = { width, height: HEIGHT };
        const page = await browser.newPage({ viewport, reducedMotion: 'reduce', ...options });
        for (const setting of settings) {
          const { astray, trees } = await compared(page, folders, setting);
          expect.soft(trees[0], setting.name).toBe(trees[1]);
          expect.soft(astray, setting.name).toBeLessThanOrEqual(STRAY);
        }
        await page.close();
      }
    }
  );
}
