import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import type { Command } from '../src/core/commands/commands';
import type { Fragment, Project } from '../src/core/project/types';
import { nearestRest, restsOf } from '../src/core/scroll/snap';
import { after } from '../src/core/testing/project';
import { arrived, drawn } from './support/arrived';
import { exported, partIn } from './support/exported';
import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { bytes, changed, demo, open } from './support/visit';

const make = makeWith({ exactIds: true });
const at = (node: string, part = 'root') => partIn('export', node, part);

async function openStory(page: Page, project: Project = demo, width = 1280): Promise<void> {
  await open(page, project, width, ['story']);
}

const without = (id: string, effect: string): Command => ({ type: 'remove-effect', id, effect }) as Command;

/** What moves by itself, not by the scroll. */
const unlooped = without('loft-baskets', 'loop');

const STILL: readonly Command[] = [
  without('story-header', 'sticky'),
  without('story-opening', 'drift'),
  without('year-across', 'sideways'),
  without('harvest-told', 'follow'),
  without('steps-heading', 'words'),
  ...['loft', 'cellar', 'glass'].map((name) => without(`${name}-screen`, 'screen'))
];

/**
 * Places and computed styles of all that a page shows once it has come to rest, but for what an effect draws around a
 * strip: a line for each element and property.
 */
async function everything(page: Page): Promise<ReadonlySet<string>> {
  await page.evaluate(() => document.fonts.ready.then(() => undefined));
  await arrived(page);
  return new Set(await page.evaluate(readEverything));
}

/** Run in the page. */
function readEverything(): string[] {
  return [...document.querySelectorAll<HTMLElement>('main [data-node]')]
    .filter(({ dataset }) => !dataset.part?.startsWith('sideways'))
    .flatMap((element) => {
      const style = getComputedStyle(element);
      const { x, y, width, height } = element.getBoundingClientRect();
      const name = `${element.dataset.node} ${element.dataset.part}`;
      const values = [...style].map((property) => `${name} ${property}: ${style.getPropertyValue(property)}`);
      return [`${name} is at ${[x, y, width, height].join(', ')}`, ...values];
    });
}

/** What one page shows and the other does not. */
const differences = (one: ReadonlySet<string>, other: ReadonlySet<string>): string[] => [
  ...[...one].filter((line) => !other.has(line)).map((line) => `with it: ${line}`),
  ...[...other].filter((line) => !one.has(line)).map((line) => `without it: ${line}`)
];

test(
  'where all of it is off, on paper, the page is as it is without it',
  inTurn(7),
  async ({ blank: page }) => {
    await page.emulateMedia({ media: 'print' });
    await openStory(page);
    const on = await everything(page);
    await openStory(page, changed(...STILL));
    expect(differences(on, await everything(page))).toEqual([]);
  }
);

test(
  'a sideways section is a plain stack where it is narrow, touched, or with less motion',
  inTurn(5),
  async ({ blank: page }) => {
    const still = [unlooped, without('harvest-told', 'follow')];
    const plain = changed(...still, without('year-across', 'sideways'));
    for (const [width, motion] of [
      [390, 'no-preference'],
      [1280, 'reduce']
    ] as const) {
      await page.emulateMedia({ reducedMotion: motion });
      await openStory(page, changed(...still), width);
      const on = await everything(page);
      await openStory(page, plain, width);
      expect(differences(on, await everything(page))).toEqual([]);
    }
  }
);

/** Buttons in the panels of the year, and a link at the top that leads into the third. */
const withButtons = (): Project =>
  changed(
    ...['blossom', 'summer', 'harvest', 'wassail'].map((season): Command => ({
      type: 'insert',
      fragment: make('button', `${season} way`, { label: `To ${season}`, href: 'https://orchard.example/' }),
      at: { parent: `${season}-told` as never, slot: 'content', index: 9 }
    }))
  );

const isInSight = (page: Page, node: string) =>
  page.locator(at(node)).evaluate((element) => {
    const { left, right, top, bottom } = element.getBoundingClientRect();
    return left >= 0 && right <= innerWidth && top >= 0 && bottom <= innerHeight;
  });

// WCAG 2.2, 2.1.1 and 2.4.11.
test('the focus brings each panel of a sideways section into the window', async ({ blank: page }) => {
  await openStory(page, withButtons());
  await page.locator(at('blossom-way')).focus();
  for (const season of ['blossom', 'summer', 'harvest', 'wassail']) {
    await expect(page.locator(at(`${season}-way`))).toBeFocused();
    await expect.poll(() => isInSight(page, `${season}-way`)).toBe(true);
    await page.keyboard.press('Tab');
  }
});

// Common practice, no source: N panels go (N − 1) windows, 4 panels −300 % of one.
test('the strip of four panels goes three windows, starts when the window is full and ends with the last whole', async ({
  blank: page
}) => {
  await openStory(page);
  const places = await page.locator(at('year-across', 'sideways')).evaluate(async (run) => {
    const strip = run.firstElementChild!.firstElementChild!;
    const top = run.getBoundingClientRect().top + scrollY;
    const frame = () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
    const seen: number[] = [];
    for (const y of [top - 81, top - 80, top - 80 + 3 * innerWidth, top + run.clientHeight]) {
      document.documentElement.style.scrollSnapType = 'none';
      scrollTo(0, y);
      await frame();
      seen.push(strip.getBoundingClientRect().left);
    }
    return seen;
  });
  expect(places.map((left) => Math.round(left))).toEqual([0, 0, -3 * 1280, -3 * 1280]);
});

test(
  'a picture that drifts covers its section wherever the page is scrolled to',
  thorough,
  async ({ blank: page }) => {
    for (const speed of [-60, -20, 30, 80]) {
      await openStory(
        page,
        changed({ type: 'set-setting', id: 'story-opening', key: 'drift-speed', value: speed } as Command)
      );
      const gaps = await page.locator(at('story-opening')).evaluate(async (section) => {
        const picture = section.querySelector('img')!;
        const found: number[] = [];
        for (let y = 0; y <= 900; y += 60) {
          scrollTo(0, y);
          await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
          const [box, image] = [section.getBoundingClientRect(), picture.getBoundingClientRect()];
          const [top, bottom] = [Math.max(0, box.top), Math.min(innerHeight, box.bottom)];
          if (bottom > top) found.push(Math.max(image.top - top, bottom - image.bottom));
        }
        return found;
      });
      expect(gaps.length).toBeGreaterThan(5);
      expect(Math.max(...gaps)).toBeLessThan(0.5);
    }
  }
);

test('a header goes away on the way down and comes back on the way up, but not under the focus', async ({
  blank: page
}) => {
  await openStory(
    page,
    changed({ type: 'set-setting', id: 'story-header', key: 'sticky-away', value: true } as Command)
  );
  const top = () =>
    page.locator(at('story-header')).evaluate((header) => header.getBoundingClientRect().bottom);
  await page.mouse.wheel(0, 700);
  await expect.poll(top).toBeLessThan(1);
  await page.mouse.wheel(0, -200);
  await expect.poll(top).toBeGreaterThan(60);
  await page.locator(at('story-links', 'link')).first().focus();
  await page.mouse.wheel(0, 400);
  await expect(page.locator(at('story-header'))).toHaveAttribute('data-hides', 'away');
  expect(await top()).toBeGreaterThan(60);
});

test('a header that gets lower moves nothing below it and keeps its words in the middle', async ({
  blank: page
}) => {
  await openStory(
    page,
    changed(
      { type: 'set-setting', id: 'story-header', key: 'sticky-shrink', value: 30 } as Command,
      { type: 'set-setting', id: 'story-header', key: 'overlap', value: 0 } as Command
    )
  );
  const seen = await page.evaluate(
    async ([header, inner, next]) => {
      const box = (selector: string) => document.querySelector(selector)!.getBoundingClientRect();
      const rest = box(next!).top + scrollY;
      scrollTo(0, 600);
      await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
      const [bar, words] = [box(header!), box(inner!)];
      return {
        moved: box(next!).top + scrollY - rest,
        reaches: bar.bottom,
        above: words.top,
        below: bar.bottom - words.bottom
      };
    },
    [at('story-header'), at('story-header-row'), at('story-opening')]
  );
  expect(seen.moved).toBe(0);
  expect(seen.reaches).toBe(50);
  expect(Math.abs(seen.above - seen.below)).toBeLessThan(1.5);
});

test('beside four texts one picture stays, and is another one for each text', async ({ blank: page }) => {
  await openStory(page);
  const names = ['picked', 'washed', 'milled', 'pressed'];
  const seen = await page.evaluate(
    async ([texts, pictures]) => {
      document.documentElement.style.scrollSnapType = 'none';
      const found: { top: number; shown: number }[] = [];
      for (const text of texts!) {
        const box = document.querySelector(text)!.getBoundingClientRect();
        scrollTo(0, scrollY + box.top + box.height / 2 - innerHeight / 2);
        await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
        const all = pictures!.map((picture) => document.querySelector(picture)!);
        const shown = all.findLastIndex((each) => +getComputedStyle(each).opacity > 0.99);
        found.push({ top: Math.round(all[0]!.getBoundingClientRect().top), shown });
      }
      return found;
    },
    [
      names.map((name) => `[data-item="${name}"][data-part="text"]`),
      names.map((name) => `[data-item="${name}"][data-part="picture"]`)
    ]
  );
  expect(seen.map(({ shown }) => shown)).toEqual([0, 1, 2, 3]);
  // Between its first text and its last it does not move.
  expect(seen[1]!.top).toBe(104);
  expect(seen[2]!.top).toBe(104);
});

test('each text has its own picture above it where it is narrow', async ({ blank: page }) => {
  await openStory(page, demo, 390);
  for (const name of ['picked', 'washed', 'milled', 'pressed']) {
    const picture = (await page.locator(`[data-item="${name}"][data-part="picture"]`).boundingBox())!;
    const text = (await page.locator(`[data-item="${name}"][data-part="text"]`).boundingBox())!;
    expect(picture.y + picture.height).toBeLessThanOrEqual(text.y);
    expect(text.y - picture.y - picture.height).toBeLessThan(40);
  }
});

const screens = (heights: readonly string[]): Project => {
  const sections = heights.map((height, n): Fragment =>
    make(
      'section',
      `Screen ${n}`,
      { height },
      { content: [make('text', `Words ${n}`, { html: '<p>Words.</p>' })] }
    )
  );
  const does = heights.flatMap((_height, n): Command[] => [
    { type: 'add-effect', id: `screen-${n}` as never, effect: 'screen' },
    { type: 'set-setting', id: `screen-${n}`, key: 'screen-snap', value: 'mandatory' } as Command
  ]);
  return after(createProject('Screens', make('page', 'Page', {}, { sections })), ...does);
};

// CSS Scroll Snap 1, sections 4.1.1 and 5: the reference is where Chromium comes to rest. N × 100vh in all (common
// practice, no source).
test('screens are one window high each, and the page rests where it is worked out to', async ({
  blank: page
}) => {
  await page.setViewportSize({ width: 1000, height: 640 });
  const made = await exported(screens(['', '', '', '']), bytes, false, true);
  await page.goto(made.url);
  const seen = await page.evaluate(async () => {
    const all = [...document.querySelectorAll('main > *')].map((each) => {
      const { top, bottom } = each.getBoundingClientRect();
      return { top: top + scrollY, bottom: bottom + scrollY };
    });
    const most = document.documentElement.scrollHeight - innerHeight;
    const rests: [number, number][] = [];
    for (let step = 0; step <= 20; step += 1) {
      const to = Math.round((most * step) / 20);
      scrollTo(0, to);
      await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
      rests.push([to, scrollY]);
    }
    return { all, most, rests };
  });
  expect(seen.most).toBe(3 * 640);
  const port = { height: 640, before: 0, after: 0, most: seen.most };
  const places = seen.all.map((area) => restsOf({ ...area, align: 'start', margin: 0 }, port));
  for (const [to, at] of seen.rests) {
    const rest = nearestRest(places, to);
    // In the very middle between two, either is near.
    const isTie = places.some(
      ({ start }) => Math.abs(Math.abs(start - to) - Math.abs(rest - to)) < 2 && start !== rest
    );
    if (!isTie) expect(Math.abs(at - rest)).toBeLessThanOrEqual(1);
  }
});

test('words come out one after the other, are all out in the middle of the window, and go back', async ({
  blank: page
}) => {
  await openStory(page);
  const strengths = (y: number) =>
    page.locator(at('steps-heading')).evaluate(async (heading, by) => {
      document.documentElement.style.scrollSnapType = 'none';
      scrollBy(0, heading.getBoundingClientRect().top - by);
      await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
      return [...heading.querySelectorAll('span')].map((word) => +getComputedStyle(word).opacity);
    }, y);
  const low = await strengths(560);
  expect(low).toEqual([...low].sort((a, b) => b - a));
  expect(low[0]).toBeGreaterThan(low.at(-1)!);
  expect(await strengths(300)).toEqual(low.map(() => 1));
  expect(await strengths(560)).toEqual(low);
  await expect(page.getByRole('heading', { name: 'Four steps and a screw' })).toBeVisible();
});

// WCAG 2.2, 2.2.2.
test('a box to tick holds all that moves by itself, and what follows the scroll goes on', async ({
  blank: page
}) => {
  await openStory(
    page,
    changed(
      {
        type: 'insert',
        fragment: make('still', 'Stop'),
        at: { parent: 'story-bar' as never, slot: 'content', index: 0 }
      },
      { type: 'add-effect', id: 'story-line' as never, effect: 'loop' }
    )
  );
  const states = () =>
    page.evaluate(() =>
      document
        .getAnimations()
        .map(({ timeline, playState }) => [timeline === document.timeline, playState] as const)
    );
  const isMoving = async (byTime: boolean) =>
    (await states()).filter(([timed, state]) => timed === byTime && state === 'running').length > 0;
  expect([await isMoving(true), await isMoving(false)]).toEqual([true, true]);
  await page.getByRole('checkbox', { name: 'Stop movement' }).check();
  await expect.poll(() => isMoving(true)).toBe(false);
  expect(await isMoving(false)).toBe(true);
});

test('how far one has read is a bar that grows with the page', async ({ blank: page }) => {
  await openStory(page);
  const share = () =>
    page.evaluate(
      ([bar, track]) =>
        document.querySelector(bar!)!.getBoundingClientRect().width /
        document.querySelector(track!)!.getBoundingClientRect().width,
      [at('story-progress', 'bar'), at('story-progress')]
    );
  expect(await share()).toBe(0);
  await page.evaluate(() => {
    document.documentElement.style.scrollSnapType = 'none';
    scrollTo(0, (document.documentElement.scrollHeight - innerHeight) / 2);
  });
  await drawn(page);
  expect(await share()).toBeCloseTo(0.5, 2);
});

test('nothing has been read of a page while it has nothing to scroll, as while it comes', async ({
  blank: page
}) => {
  const top = make('section', 'Top', {}, { content: [make('progress', 'Read so far')] });
  await open(page, createProject('Short', make('page', 'Page', {}, { sections: [top] })));
  await drawn(page);
  const widths = ['root', 'bar'].map(
    async (part) => (await page.locator(at('read-so-far', part)).boundingBox())!.width
  );
  expect(await Promise.all(widths)).toEqual([1280, 0]);
});

test('a page that moves with the scroll asks for no work while it rests, and for no script where all have timelines', async ({
  blank: page
}) => {
  const current = changed({ type: 'set-support', support: 'current' } as Command);
  const made = await exported(current, bytes);
  const script = made.files.get('script.js') ?? '';
  expect(script).not.toContain('kScrolls');
  await openStory(page, changed(unlooped));
  const running = await page.evaluate(
    () => document.getAnimations().filter((each) => each.timeline === document.timeline).length
  );
  expect(running).toBe(0);
});
