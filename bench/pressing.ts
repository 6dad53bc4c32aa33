import { dirname } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { Browser, Page } from '@playwright/test';
import { makeDemo } from '../demo/make';
import { exported } from '../tests/support/exported';

/** How much slower than this machine the reader's is. */
const SLOWER = 4;
const WIDTHS = [1280, 390];
/** What answers to a press and stays on the page. */
const PRESSED = 'button:not([aria-disabled="true"]), summary, a[href^="#"]';

/** Event Timing tells no duration under this, ms (its section 2.1). */
const LEAST = 16;

/** Presses everything that can be seen, one after the other. @returns what was pressed, with the time to the next paint. */
async function pressAll(page: Page): Promise<readonly (readonly [string, number])[]> {
  await page.evaluate((least) => {
    const seen: [string, number][] = ((window as unknown as { seen: unknown }).seen = []);
    new PerformanceObserver((list) => {
      for (const each of list.getEntries() as PerformanceEventTiming[])
        if (each.interactionId > 0)
          seen.push([(each.target?.textContent ?? '').trim().slice(0, 30), each.duration]);
    }).observe({ type: 'event', durationThreshold: least });
  }, LEAST);
  const all = page.locator(PRESSED);
  for (let n = 0; n < (await all.count()); n += 1) {
    if (!(await all.nth(n).isVisible())) continue;
    await all
      .nth(n)
      .click({ timeout: 2000 })
      .catch(() => null);
    await page.keyboard.press('Escape');
  }
  await page.evaluate(() => new Promise((resolve) => setTimeout(resolve, 300)));
  return page.evaluate(() => (window as unknown as { seen: [string, number][] }).seen);
}

/**
 * The slowest answer to a press on any page of the exported demo, to the picture that shows it, ms: Interaction to
 * Next Paint as Event Timing measures it, in steps of 8 ms, on a processor that many times slower.
 */
export async function slowestPress(browser: Browser): Promise<number> {
  const { project, bytes } = makeDemo();
  const { url, files } = await exported(project, bytes);
  const folder = dirname(new URL(url).pathname);
  const found: (readonly [string, number])[] = [];
  for (const width of WIDTHS)
    for (const file of [...files.keys()].filter((name) => name.endsWith('.html'))) {
      const page = await browser.newPage({ viewport: { width, height: 800 } });
      const session = await page.context().newCDPSession(page);
      await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
      await page.goto(pathToFileURL(`${folder}/${file}`).href);
      found.push(...(await pressAll(page)));
      await page.close();
    }
  const slowest = found.toSorted((a, b) => b[1] - a[1]);
  console.log(
    `      ${found.length} presses; slowest: ${slowest
      .slice(0, 3)
      .map(([what, ms]) => `${what} ${ms} ms`)
      .join(', ')}`
  );
  return slowest[0]?.[1] ?? 0;
}
