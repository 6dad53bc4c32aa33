import type { Browser, Page } from '@playwright/test';
import { median, newPage } from './tools';

/** How long the visit page of the demo takes over all widths, ms. */
export interface SweptIn {
  readonly first: number;
  /** After an edit, when it is known where things change: until a first answer, and until all has been seen. */
  readonly answered: number;
  readonly again: number;
}

const ROUNDS = 5;

interface AfterEdit {
  readonly answered: number;
  readonly again: number;
}

/** Between two looks whether it is done, ms: one at every frame would have the window drawn at each. */
const LOOKS_EVERY = 200;

/** Doubles a text of the page, or takes that back; when the hand rests the page is swept anew by itself. */
async function afterEdit(page: Page, round: number): Promise<AfterEdit> {
  const last = (name: string) =>
    page.evaluate((name) => performance.getEntriesByName(name).at(-1)?.duration ?? 0, name);
  await page.locator('[role="treeitem"]').filter({ hasText: 'Welcome text' }).first().click();
  const before = await page.evaluate(() => performance.getEntriesByName('kymation sweep, all').length);
  await page.keyboard.press(round % 2 === 0 ? 'Control+d' : 'Control+z');
  await page.waitForFunction(
    (before) => performance.getEntriesByName('kymation sweep, all').length > before,
    before,
    { polling: LOOKS_EVERY }
  );
  return { answered: await last('kymation sweep, first answer'), again: await last('kymation sweep, all') };
}

export async function sweep(browser: Browser, address: string): Promise<SweptIn> {
  const page = await newPage(browser);
  await page.goto(`${address}/demo`);
  await page.frameLocator('iframe[title^="Preview of"]').locator('.season-tabs').waitFor();
  // What comes after the page is on show is no part of it.
  await page.waitForTimeout(3000);
  await page.getByRole('tab', { name: 'Widths', exact: true }).click();
  const told = page.getByText(/^swept in /);
  const ms = async () => 1000 * Number.parseFloat((await told.innerText()).replace('swept in ', ''));
  await told.waitFor();
  const first = await ms();
  const rounds: AfterEdit[] = [];
  for (let n = 0; n < ROUNDS; n += 1) rounds.push(await afterEdit(page, n));
  await page.close();
  const middle = (of: (round: AfterEdit) => number) => median(rounds.map(of));
  return { first, answered: middle(({ answered }) => answered), again: middle(({ again }) => again) };
}
