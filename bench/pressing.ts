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

/**
 * Brings what can be pressed into sight. Asked for by a script of ours and not by a locator, whose listeners would
 * run within the time that is measured.
 * @returns its middle; null where it cannot be seen, false where there are no more.
 */
const middleOf = (page: Page, nth: number) =>
  page.evaluate(
    ([selector, n]) => {
      const pressed = document.querySelectorAll<HTMLElement>(selector)[n];
      if (!pressed) return false;
      if (!pressed.checkVisibility({ visibilityProperty: true })) return null;
      pressed.scrollIntoView({ block: 'nearest', behavior: 'instant' });
      const { left, top, width, height } = pressed.getBoundingClientRect();
      return { x: left + width / 2, y: top + height / 2 };
    },
    [PRESSED, nth] as const
  );

/** A hand rests before it presses, ms: what answers to the pointer, and to the press before, is drawn by then. */
const HAND_RESTS = 300;

async function pressAt(page: Page, { x, y }: { readonly x: number; readonly y: number }): Promise<void> {
  await page.mouse.move(x, y);
  await page.waitForTimeout(HAND_RESTS);
  await page.mouse.down();
  await page.mouse.up();
}

/** What was pressed, and how long it took to the next paint, ms. */
type Presses = ReadonlyMap<number, readonly [what: string, ms: number]>;

/** Presses everything that can be seen, one after the other; what took less than can be told is left out. */
async function pressAll(page: Page): Promise<Presses> {
  await page.evaluate((least) => {
    const own = window as unknown as { seen: [string, number][] };
    own.seen = [];
    new PerformanceObserver((list) => {
      for (const each of list.getEntries() as PerformanceEventTiming[])
        if (each.interactionId > 0)
          own.seen.push([(each.target?.textContent ?? '').trim().slice(0, 30), each.duration]);
    }).observe({ type: 'event', durationThreshold: least });
  }, LEAST);
  const found = new Map<number, readonly [string, number]>();
  for (let n = 0; ; n += 1) {
    const middle = await middleOf(page, n);
    if (middle === false) break;
    if (!middle) continue;
    await pressAt(page, middle);
    await page.waitForTimeout(HAND_RESTS);
    const seen = await page.evaluate(() =>
      (window as unknown as { seen: [string, number][] }).seen.splice(0)
    );
    const [slowest] = seen.toSorted((one, other) => other[1] - one[1]);
    if (slowest) found.set(n, slowest);
    await page.keyboard.press('Escape');
  }
  return found;
}

/** Visits to a page at most, and what each press may take for no more of them, ms. */
const VISITS_MOST = 6;
const QUICK = 50;

/**
 * Visits a page until every press has once been answered quickly. Of each the quickest counts: what else the machine
 * did meanwhile is no matter of the page, and on one that is shared any single press may wait for others.
 */
async function pressAgain(open: () => Promise<Page>): Promise<Presses> {
  const best = new Map<number, readonly [string, number]>();
  for (let visit = 0; visit < VISITS_MOST; visit += 1) {
    const page = await open();
    const found = await pressAll(page);
    await page.close();
    if (visit === 0) found.forEach((press, n) => best.set(n, press));
    for (const [n, [what, ms]] of best) best.set(n, [what, Math.min(ms, found.get(n)?.[1] ?? LEAST)]);
    if ([...best.values()].every(([, ms]) => ms <= QUICK)) break;
  }
  return best;
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
      const presses = await pressAgain(async () => {
        const page = await browser.newPage({ viewport: { width, height: 800 } });
        const session = await page.context().newCDPSession(page);
        await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
        await page.goto(pathToFileURL(`${folder}/${file}`).href);
        return page;
      });
      for (const [what, ms] of presses.values()) found.push([`${file} ${width}: ${what || 'a picture'}`, ms]);
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
