import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { makeDemo } from '../demo/make';
import { exported } from '../tests/support/exported';

/** How much slower than this machine the reader's is. */
const SLOWER = 4;
const FRAMES = 240;
/** How often the page is passed through. */
const PASSES = 6;

/** What the exported page that moves with the scroll costs while it is scrolled through, and while it rests. */
export interface Scrolled {
  /**
   * The longest frame, in frames of 1/60 s. Each frame counts with the shortest of its passes: what the page has to do
   * there it does in every pass, and what only one pass waited for came from elsewhere on this shared machine.
   */
  readonly longest: number;
  /** How often the page was laid out meanwhile. */
  readonly layouts: number;
  /** Styles worked out in a second of rest. */
  readonly atRest: number;
}

async function counted(page: Page, name: string): Promise<number> {
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  const { metrics } = await session.send('Performance.getMetrics');
  await session.detach();
  return metrics.find((each) => each.name === name)!.value;
}

/** Scrolls through the whole page, a step a frame. @returns gaps between frames, ms. */
const scrollThrough = (page: Page): Promise<number[]> =>
  page.evaluate(async (frames) => {
    document.documentElement.style.scrollSnapType = 'none';
    const way = document.documentElement.scrollHeight - innerHeight;
    // The way back to the top is a jump, and none of it is measured.
    scrollTo(0, 0);
    for (let rest = 0; rest < 30; rest += 1) await new Promise(requestAnimationFrame);
    const times: number[] = [];
    let last = await new Promise<number>(requestAnimationFrame);
    for (let n = 1; n <= frames; n += 1) {
      scrollTo(0, (way * n) / frames);
      const now = await new Promise<number>(requestAnimationFrame);
      times.push(now - last);
      last = now;
    }
    return times;
  }, FRAMES);

/** @param isNative whether the browser's own timelines move things, or the script in their stead. */
export async function scrolled(browser: Browser, isNative: boolean): Promise<Scrolled> {
  const { project, bytes } = makeDemo();
  const { url, folder, files } = await exported(project, bytes);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  if (!isNative) {
    // A browser without timelines: neither its style sheets nor its scripts are told of any.
    await page.addInitScript(() => (CSS.supports = () => false));
    const css = files
      .get('style.css')!
      .replaceAll('animation-timeline: view()', 'animation-timeline: none-such()');
    await writeFile(join(folder, 'style.css'), css);
  }
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await page.goto(url.replace('index.html', 'story.html'));
  await page.waitForTimeout(500);
  // Once through, so that pictures are there.
  await scrollThrough(page);
  const before = await counted(page, 'LayoutCount');
  let least = await scrollThrough(page);
  for (let pass = 1; pass < PASSES; pass += 1) {
    const gaps = await scrollThrough(page);
    least = least.map((gap, frame) => Math.min(gap, gaps[frame]!));
  }
  const layouts = (await counted(page, 'LayoutCount')) - before;
  const rest = await counted(page, 'RecalcStyleCount');
  await page.waitForTimeout(1000);
  const atRest = (await counted(page, 'RecalcStyleCount')) - rest;
  await page.close();
  return { longest: Math.max(...least) / (1000 / 60), layouts, atRest };
}
