import type { Browser } from '@playwright/test';
import { newPage } from './tools';

/** How long the visit page of the demo takes over all widths, ms. */
export interface SweptIn {
  readonly first: number;
  /** Once more, when it is known where things change: until there is a first answer, and until all has been seen. */
  readonly answered: number;
  readonly again: number;
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
  const again = page.getByRole('button', { name: 'Sweep again' });
  await again.click();
  await again.waitFor();
  const second = await ms();
  const answered = await page.evaluate(
    () => performance.getEntriesByName('kymation sweep, first answer').at(-1)!.duration
  );
  await page.close();
  return { first, answered, again: second };
}
