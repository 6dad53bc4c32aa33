import type { Browser } from '@playwright/test';
import { newPage } from './tools';

const PROJECTS = 30;
/** Cards that a window of 1280 × 800 shows, in part or whole. */
const IN_VIEW = 9;

interface Listed {
  /** From the address until the cards in view have their pictures, ms. */
  readonly drawn: number;
  /** The longest that the window did not answer meanwhile, ms. */
  readonly longest: number;
}

/** The list of thirty projects, each of which is the demo. */
export async function listOfProjects(browser: Browser, address: string): Promise<Listed> {
  const target = await newPage(browser);
  await target.goto(address);
  const cards = target.getByRole('link', { name: /^Open / });
  for (let n = 1; n < PROJECTS; n += 1) {
    await cards.nth(n - 1).waitFor();
    await target.getByRole('button', { name: 'Add the demo' }).click();
  }
  await cards.nth(PROJECTS - 1).waitFor();
  await target.addInitScript(() => {
    const tasks: number[] = [];
    Object.assign(window, { tasks });
    const watch = new PerformanceObserver((list) =>
      tasks.push(...list.getEntries().map((each) => each.duration))
    );
    watch.observe({ entryTypes: ['longtask'] });
  });
  const began = performance.now();
  await target.goto(address);
  await cards
    .nth(IN_VIEW - 1)
    .frameLocator('iframe')
    .locator('.season-tabs')
    .waitFor();
  const drawn = performance.now() - began;
  const tasks = await target.evaluate(() => (window as unknown as { tasks: number[] }).tasks);
  await target.close();
  return { drawn, longest: Math.max(0, ...tasks) };
}
