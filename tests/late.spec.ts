import { makeWith, panelWith } from '../src/core/kinds/make';
import type { Command } from '../src/core/commands/commands';
import type { NodeId } from '../src/core/project/types';
import { partIn } from './support/exported';
import { expect, test, type Page } from './support/test';
import { changed, open, put } from './support/visit';

// Intersection Observer, section 3.2.5: what has been seen is handed over when the browser finds the time, which on a
// busy page is once for several pictures. What was seen last is then what counts.

const make = makeWith({ exactIds: true });
const panels = ['Ashen Pippin', 'Bell Russet'].map((name) => panelWith(make, name, `${name} is a variety.`));

/** Far below the first screen: a row that enters each time; over a film a number that counts, a slider that plays. */
const project = changed(
  { type: 'add-effect', id: 'press-columns' as NodeId, effect: 'enter' },
  ...Object.entries({ again: true, children: false }).map(
    ([key, value]) =>
      ({ type: 'set-setting', id: 'press-columns' as NodeId, key: `enter-${key}`, value }) as Command
  ),
  { type: 'set-setting', id: 'find-us' as NodeId, key: 'film', value: 'cellar-ticks' },
  put(make('number', 'Trees', { value: '12480' }), 0, 'find-us'),
  put(make('slider', 'Varieties', { plays: true, rest: 60_000 }, { panels }), 1, 'find-us')
);

const root = (page: Page, id: string) => page.locator(partIn('export', id as NodeId, 'root'));
const film = (page: Page) => page.locator(partIn('export', 'find-us' as NodeId, 'film'));

/** A browser that hands over what it has seen only when asked to, and all of it at once. */
async function holdSightings(page: Page): Promise<() => Promise<void>> {
  await page.addInitScript(() => {
    const due: (() => void)[] = [];
    const held = window as unknown as { handOver: () => void };
    held.handOver = () => due.splice(0).forEach((each) => each());
    window.IntersectionObserver = class extends IntersectionObserver {
      constructor(told: IntersectionObserverCallback, options?: IntersectionObserverInit) {
        const seen: IntersectionObserverEntry[] = [];
        super((entries, watch) => {
          if (seen.length === 0) due.push(() => told(seen.splice(0), watch));
          seen.push(...entries);
        }, options);
      }
    };
  });
  return () => page.evaluate(() => (window as unknown as { handOver: () => void }).handOver());
}

/** Scrolls a piece into view, or to the page’s top, and waits until the browser has looked. */
async function scrolled(page: Page, id: string | null): Promise<void> {
  if (id)
    await root(page, id).evaluate((each) => each.scrollIntoView({ block: 'center', behavior: 'instant' }));
  else await page.evaluate(() => scrollTo({ top: 0, behavior: 'instant' }));
  // The browser looks with the next picture; after two of them it has.
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
}

test('what came into view and left it again at once is out of view', async ({ blank: page }) => {
  const handOver = await holdSightings(page);
  await open(page, project);
  await handOver();
  for (const id of ['press-columns', null, 'varieties', null]) await scrolled(page, id);
  await handOver();
  await expect(root(page, 'press-columns')).toHaveAttribute('data-waiting', '');
  await expect(root(page, 'varieties')).toHaveAttribute('data-away', '');
  await expect(film(page)).toHaveJSProperty('paused', true);
});

test('what was out of view and came into it at once is in view', async ({ blank: page }) => {
  const handOver = await holdSightings(page);
  await open(page, project);
  await scrolled(page, 'trees');
  await handOver();
  await expect(root(page, 'trees').locator('[data-k-amount]')).not.toBeEmpty();
  for (const [id, gone] of [
    ['press-columns', 'data-waiting'],
    ['varieties', 'data-away']
  ] as const) {
    await scrolled(page, id);
    await handOver();
    await scrolled(page, null);
    await scrolled(page, id);
    await handOver();
    await expect(root(page, id)).not.toHaveAttribute(gone);
  }
  await expect(film(page)).toHaveJSProperty('paused', false);
});
