import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import type { PageId } from '../src/core/project/types';
import { after } from '../src/core/testing/project';
import { exported } from './support/exported';
import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { changed, demo, open } from './support/visit';
import { Bench } from './support/workbench';

const make = makeWith({ exactIds: true });

const drawn = (page: Page) =>
  page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));

async function openStory(page: Page, project = demo): Promise<void> {
  await open(page, project, 1280, ['story']);
}

// WCAG 2.2, 1.4.10 (reflow) and 2.4.11: a window of 1280 × 800 at 400 %.
test(
  'in a window of 320 × 200 all words of the story page come into sight, and it never scrolls sideways',
  inTurn(5),
  async ({ blank: page }) => {
    await openStory(page);
    await page.setViewportSize({ width: 320, height: 200 });
    await drawn(page);
    const lost = await page.evaluate(async () => {
      const frames = () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
      const root = document.documentElement;
      root.style.scrollSnapType = 'none';
      root.style.scrollBehavior = 'auto';
      const isHit = (element: HTMLElement): boolean => {
        const range = document.createRange();
        range.selectNodeContents(element);
        const line = range.getClientRects()[0]!;
        if (line.left < 0 || line.right > root.clientWidth) return false;
        const hit = document.elementFromPoint(line.left + 2, line.top + line.height / 2);
        return hit !== null && (element.contains(hit) || hit.contains(element));
      };
      const unseen = new Set(
        [...document.querySelectorAll<HTMLElement>('main :is(h1, h2, h3, p)')].filter(
          (element) => element.innerText.trim() !== ''
        )
      );
      const all = unseen.size;
      for (let y = 0; y <= root.scrollHeight; y += 60) {
        scrollTo(0, y);
        await frames();
        for (const element of unseen) if (isHit(element)) unseen.delete(element);
      }
      return {
        all,
        unseen: [...unseen].map((element) => element.innerText),
        sideways: root.scrollWidth - root.clientWidth
      };
    });
    expect(lost.all).toBeGreaterThan(10);
    expect(lost).toMatchObject({ unseen: [], sideways: 0 });
  }
);

/** Places, sizes and what can be seen of all pieces, from the top of the page. */
const placesFromTop = async (page: Page): Promise<readonly string[]> => {
  await page.evaluate(() => scrollTo({ top: 0, behavior: 'instant' }));
  await drawn(page);
  return page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('main [data-node]')].map((element) => {
      const { x, y, width, height } = element.getBoundingClientRect();
      const { opacity, transform } = getComputedStyle(element);
      return [element.dataset.node, x, y, width, height, opacity, transform].join(' ');
    })
  );
};

// WCAG 2.2, 2.3.3.
test('less motion asked for in the middle of the way leaves the page as one that had it from the start', async ({
  blank: page
}) => {
  const project = changed({ type: 'remove-effect', id: 'loft-baskets', effect: 'loop' } as Command);
  const faults: string[] = [];
  page.on('pageerror', ({ message }) => faults.push(message));
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await openStory(page, project);
  const still = await placesFromTop(page);
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await openStory(page, project);
  expect(await placesFromTop(page)).not.toEqual(still);
  await page.evaluate(() =>
    scrollTo({ top: document.documentElement.scrollHeight / 2, behavior: 'instant' })
  );
  await drawn(page);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await drawn(page);
  expect(await placesFromTop(page)).toEqual(still);
  expect(faults).toEqual([]);
});

const MANY = 300;

test(
  '300 effects on one page follow the scroll, and stand in the scroll view',
  thorough,
  async ({ page }) => {
    const sections = Array.from({ length: MANY }, (_each, n) =>
      make(
        'section',
        `Section ${n}`,
        {},
        { content: [make('text', `Text ${n}`, { html: '<p>Apples.</p>' })] }
      )
    );
    const bare = createProject('Many', make('page', 'Page', {}, { sections }), { page: 'page' as PageId });
    const effects = sections.map(
      (_each, n) => ({ type: 'add-effect', id: `text-${n}`, effect: 'follow' }) as Command
    );
    const project = after(bare, { type: 'batch', label: '', commands: effects });
    const { url, problems } = await exported(project);
    expect(problems).toEqual([]);
    await page.goto(url);
    const onTimelines = () =>
      page.evaluate(
        () => document.getAnimations().filter(({ timeline }) => timeline !== document.timeline).length
      );
    await expect.poll(onTimelines).toBe(MANY);

    const bench = new Bench(page);
    await bench.importProject(project);
    await bench.row('Text 0').click();
    await bench.view('Scroll');
    await page.keyboard.press('m');
    await expect(page.locator('svg[aria-label^="Scroll map of"]')).toBeVisible();
    await expect(page.locator('input[aria-label$="starts at, px"]').first()).toBeVisible();
  }
);
