import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import { after } from '../src/core/testing/project';
import { Counted } from './support/counted';
import { previewFrame } from './support/frames';
import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { Bench } from './support/workbench';

const STORY = 'From tree to glass';

async function openStory(page: Page, view: 'Scroll' | 'Behaviour' = 'Scroll'): Promise<Bench> {
  const bench = await Bench.openDemo(page);
  await page.getByRole('combobox', { name: 'Page', exact: true }).selectOption({ label: STORY });
  await expect(bench.row('Year across')).toBeVisible();
  await bench.view(view);
  return bench;
}

const line = (page: Page, range: string) => page.locator(`[data-range="${range}"]`);
const scrolledTo = (page: Page) =>
  page.getByRole('slider', { name: 'Scroll position' }).getAttribute('aria-valuenow').then(Number);

test('every range stands on the length of the page, and its ends are set by number and by hand', async ({
  page
}) => {
  await openStory(page);
  const told = line(page, 'harvest-told follow');
  await expect(told.getByRole('button', { name: 'Harvest told follows', exact: true })).toBeVisible();
  const start = page.getByRole('textbox', { name: 'Harvest told follows: starts at, px' });
  const px = async () => Number((await start.inputValue()).replace(/\D/g, ''));
  const before = await px();
  await start.fill(String(before + 300));
  await start.press('Enter');
  // Set in whole percents of the way, so it comes near.
  await expect.poll(async () => Math.abs((await px()) - before - 300)).toBeLessThan(25);
  const end = page.getByRole('button', { name: 'Harvest told follows: end, drag or arrow keys' });
  await line(page, 'harvest-told follow').hover();
  const box = (await end.boundingBox())!;
  const last = page.getByRole('textbox', { name: 'Harvest told follows: ends at, px' });
  const ends = async () => Number((await last.inputValue()).replace(/\D/g, ''));
  const ended = await ends();
  await page.mouse.move(box.x + 6, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + 26, box.y + 8, { steps: 5 });
  await page.mouse.up();
  await expect.poll(ends).toBeGreaterThan(ended + 50);
  // By keys as by hand.
  const dragged = await ends();
  await end.focus();
  await end.press('Shift+ArrowRight');
  await expect.poll(ends).toBeGreaterThan(dragged + 50);
  await page.keyboard.press('Control+z');
  await expect.poll(ends).toBe(dragged);
  // One drag is one step, and the number typed before it another.
  await page.keyboard.press('Control+z');
  await expect.poll(ends).toBe(ended);
  await page.keyboard.press('Control+z');
  await expect.poll(px).toBe(before);
});

test(
  'every line has an end that can be set, and the page does then what the line says',
  thorough,
  async ({ page }) => {
    const bench = await openStory(page);
    const lines = page.locator('[data-range]');
    await expect(lines).not.toHaveCount(0);
    const fields = await lines.evaluateAll((found) =>
      found.map((each) => [each.getAttribute('data-range'), each.querySelectorAll('input').length] as const)
    );
    expect(fields.filter(([, count]) => count === 0)).toEqual([]);

    const frame = await previewFrame(page);
    const put = async (label: string, px: number) => {
      const field = page.getByRole('textbox', { name: label });
      await field.fill(String(px));
      await field.press('Enter');
      // Settings are kept in whole percents of the way, so it comes near.
      await expect
        .poll(async () => Math.abs(Number((await field.inputValue()).replace(/\D/g, '')) - px))
        .toBeLessThan(45);
      return Number((await field.inputValue()).replace(/\D/g, ''));
    };
    const scroll = (to: number) =>
      frame.evaluate(async (top) => {
        scrollTo({ top, behavior: 'instant' });
        await new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)));
      }, to);
    /** How far the picture behind the opening is off the middle of it, px. */
    const drifted = () =>
      frame.locator('[data-k="story-opening"] > :first-child').evaluate((picture) => {
        const [inner, outer] = [picture, picture.parentElement!].map((each) => each.getBoundingClientRect());
        return Math.round(inner!.top + inner!.bottom - outer!.top - outer!.bottom);
      });
    const grown = () =>
      frame
        .locator('[data-k="story-progress"] > *')
        .evaluate((each) => new DOMMatrix(getComputedStyle(each).transform).a);

    // Past its end the picture goes along with the page.
    const ended = await put('Story opening drifts: ends at, px', 120);
    await scroll(ended + 1);
    const last = await drifted();
    expect(last).not.toBe(0);
    await scroll(ended + 150);
    expect(await drifted()).toBe(last);

    // A key moves an end even where a percent of its way is longer than the step of the key.
    const progress = page.getByRole('textbox', { name: 'Story progress grows: ends at, px' });
    const before = await progress.inputValue();
    await page.getByRole('button', { name: 'Story progress grows: end, drag or arrow keys' }).focus();
    await page.keyboard.press('ArrowLeft');
    await expect(progress).not.toHaveValue(before);
    await page.keyboard.press('Control+z');
    await expect(progress).toHaveValue(before);

    await put('Story progress grows: ends at, px', 3000);
    const full = async () => Number((await progress.inputValue()).replace(/\D/g, ''));
    // The page may still come to be of another length, and with it the end of what is a share of that.
    await expect
      .poll(async () => {
        await scroll((await full()) / 2);
        return grown();
      })
      .toBeCloseTo(0.5, 2);
    await scroll((await full()) + 50);
    expect(await grown()).toBe(1);

    await bench.saved();
  }
);

test('what is being typed stays, though the page is measured anew meanwhile', thorough, async ({ page }) => {
  await openStory(page);
  const start = page.getByRole('textbox', { name: 'Harvest told follows: starts at, px' });
  const end = page.getByRole('textbox', { name: 'Harvest told follows: ends at, px' });
  const [started, ended] = [await start.inputValue(), await end.inputValue()];
  await start.fill('123');
  await page.setViewportSize({ width: 1280, height: 960 });
  await expect(end).not.toHaveValue(ended);
  await expect(start).toHaveValue('123');
  // Left with what was there before, it shows where it is now.
  await start.fill(started);
  await start.blur();
  await expect(start).not.toHaveValue(started);
});

test('what cannot be reached is told, and no number is no place', inTurn(3), async ({ page }) => {
  await openStory(page);
  const start = page.getByRole('textbox', { name: 'Harvest told follows: starts at, px' });
  const before = await start.inputValue();
  await start.fill('soon');
  await start.press('Enter');
  await expect(start).toHaveValue(before);
  await start.fill('-99999');
  await start.press('Enter');
  await expect(page.getByText(/is as near to .99.999 px as it goes/)).toBeVisible();
});

test(
  'goes on to where the next thing starts or ends, plays as a film and is held',
  thorough,
  async ({ page }) => {
    await openStory(page);
    await expect(line(page, 'story-opening drift')).toBeVisible();
    const at: number[] = [await scrolledTo(page)];
    for (let step = 0; step < 3; step += 1) {
      await page.getByRole('button', { name: 'To the next start or end' }).click();
      await expect.poll(() => scrolledTo(page)).toBeGreaterThan(at.at(-1)!);
      at.push(await scrolledTo(page));
    }
    await page.getByRole('button', { name: 'To the last start or end' }).click();
    await expect.poll(() => scrolledTo(page)).toBe(at.at(-2)!);
    await page.getByRole('button', { name: 'Scroll as a film' }).click();
    const from = await scrolledTo(page);
    await expect.poll(() => scrolledTo(page)).toBeGreaterThan(from + 100);
    await page.getByRole('button', { name: 'Hold the film' }).click();
    await expect(page.getByRole('button', { name: 'Scroll as a film' })).toBeVisible();
    // What the page says of its last step may still be on its way.
    const between = async () => {
      const before = await scrolledTo(page);
      await page.evaluate(
        () => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)))
      );
      return (await scrolledTo(page)) - before;
    };
    await expect.poll(between).toBe(0);
    expect(await between()).toBe(0);
  }
);

test('a piece is shown over the page as it stands at both ends of its range', inTurn(5), async ({ page }) => {
  await openStory(page);
  const frame = await previewFrame(page);
  const toggle = page.getByRole('button', { name: 'Show both ends over the page: Harvest told follows' });
  await line(page, 'harvest-told follow').hover();
  await toggle.click();
  await expect(frame.locator('k-ghosts > div')).toHaveCount(2);
  // Found and read in one step: measured anew, the piece is shown by other elements.
  const looks = (selector: string) =>
    frame.evaluate(
      (at) =>
        [...document.querySelectorAll(at)].map((each) => {
          const { opacity, translate } = getComputedStyle(each);
          // Scrolled to whole px, it is not quite at the end of its range.
          return { opacity: Math.round(+opacity * 100), left: Math.round(parseFloat(translate) || 0) };
        }),
      selector
    );
  const ghosts = await looks('k-ghosts > div > *');
  expect(ghosts[0]).not.toEqual(ghosts[1]);
  // The reference is the page itself, scrolled to each end.
  for (const [n, end] of (['start', 'end'] as const).entries()) {
    await line(page, 'harvest-told follow').hover();
    await page.getByRole('button', { name: `Scroll to the ${end} of: Harvest told follows` }).click();
    await expect.poll(async () => (await looks('[data-k="harvest-told"]'))[0]).toEqual(ghosts[n]);
  }
  // Measured anew in another window it is moved, and not taken away first.
  await frame.evaluate(() => {
    const watch = new MutationObserver(() => {
      const isThere = document.querySelector('k-ghosts') !== null;
      document.documentElement.dataset.ghosts = isThere ? 'moved' : 'gone';
      if (!isThere) watch.disconnect();
    });
    watch.observe(document.body, { childList: true, subtree: true });
  });
  await page.setViewportSize({ width: 1280, height: 960 });
  await expect(frame.locator('html')).toHaveAttribute('data-ghosts', 'moved');
  // What is shown is no piece of the page: it is neither picked nor counted, and it goes with the view.
  await expect(frame.locator('k-ghosts [data-k], k-ghosts [id]')).toHaveCount(0);
  await page.getByRole('tab', { name: 'States' }).click();
  await expect(frame.locator('k-ghosts')).toHaveCount(0);
});

test('what sticks is shown as far apart as it travels', thorough, async ({ page }) => {
  await openStory(page);
  const frame = await previewFrame(page);
  await line(page, 'story-header sticky').hover();
  await page.getByRole('button', { name: /Show both ends over the page: Story header/ }).click();
  const ghosts = frame.locator('k-ghosts > div');
  await expect(ghosts).toHaveCount(2);
  // The page may still come to be of another length, and with it the travel.
  const astray = async () => {
    // Lines out of sight are not drawn, so their text is asked for as it stands in the page.
    const told = await line(page, 'story-header sticky').locator('span.mono').last().textContent();
    const tops = await ghosts.evaluateAll((found) => found.map((each) => each.getBoundingClientRect().top));
    return Math.abs(tops[1]! - tops[0]! - Number(told!.replace(/\D/g, '')));
  };
  await expect.poll(astray).toBeLessThan(2);
});

test(
  'the map shows the page to scale, scrolls it, and shows it in three other windows',
  inTurn(7),
  async ({ page }) => {
    const bench = await openStory(page);
    await page.keyboard.press('m');
    const map = page.getByRole('slider', { name: `Scroll map of ${STORY}` });
    await expect(map).toBeVisible();
    const frame = await previewFrame(page);
    const scrollOf = () => frame.evaluate(() => Math.round(scrollY));
    await map.focus();
    await map.press('PageDown');
    await expect.poll(scrollOf).toBeGreaterThan(100);
    const down = await scrollOf();
    await map.press('PageUp');
    await expect.poll(scrollOf).toBeLessThan(down);
    const box = (await map.boundingBox())!;
    await page.mouse.move(box.x + 10, box.y + 4);
    await page.mouse.down();
    await page.mouse.move(box.x + 10, box.y + box.height * 0.6, { steps: 4 });
    await page.mouse.up();
    await expect.poll(scrollOf).toBeGreaterThan(down);
    for (const size of ['short laptop', 'tall screen', 'phone'])
      await expect(page.getByRole('img', { name: new RegExp(`Scroll map in a ${size}`) })).toBeVisible();
    // Where it is narrow nothing goes sideways.
    const phone = page.getByRole('img', { name: /in a phone/ });
    await expect(phone.getByText(/Year across goes sideways/)).toHaveCount(0);
    const laptop = page.getByRole('img', { name: /short laptop/ });
    await expect(laptop.getByText(/Year across goes sideways/)).toHaveCount(1);
    await bench.pick('Story header');
    await expect(map).toBeVisible();
  }
);

test('a picture drifts behind an opening, in three actions', thorough, async ({ page }) => {
  const bench = await openStory(page, 'Behaviour');
  await bench.pick('Loft screen');
  await page
    .getByRole('button', { name: /^Sticks/ })
    .first()
    .waitFor();
  const hand = new Counted();
  await bench.view('Fill');
  await hand.act('picks the section', () => bench.pick('Cellar screen'));
  await hand.act('looks at its behaviour', () => bench.view('Behaviour'));
  await hand.act('lets it drift', () => page.getByRole('button', { name: /^Drifts/ }).click());
  await expect(page.getByRole('group', { name: 'Drifts' })).toBeVisible();
  expect(hand.done.length).toBeLessThanOrEqual(3);
});

test(
  'four panels go sideways with a figure that moves among them, in twelve actions',
  thorough,
  async ({ page }) => {
    const bench = await Bench.openNew(page);
    const hand = new Counted();
    await bench.pick('First section');
    await hand.act('opens the drawer', () => page.keyboard.press('a'));
    await hand.act('inserts a stack', async () => {
      await page.getByRole('combobox', { name: 'What to insert' }).fill('stack');
      await page.keyboard.press('Enter');
    });
    for (let copy = 0; copy < 3; copy += 1)
      await hand.act('makes one more', async () => {
        await page.keyboard.press('Control+d');
        await expect(page.getByRole('treeitem', { name: /^Stack/ })).toHaveCount(copy + 2);
      });
    await hand.act('opens the drawer', () => page.keyboard.press('a'));
    await hand.act('inserts a figure', async () => {
      await page.getByRole('combobox', { name: 'What to insert' }).fill('icon');
      await page.keyboard.press('Enter');
    });
    await hand.act('looks at its behaviour', () => bench.view('Behaviour'));
    await hand.act('lets it follow', () => page.getByRole('button', { name: /^Follows the scroll/ }).click());
    await hand.act('as its section goes sideways', () =>
      page
        .getByRole('combobox', { name: 'It changes' })
        .selectOption({ label: 'as its section goes sideways' })
    );
    await hand.act('picks the section', () => bench.pick('First section'));
    await hand.act('lets it go sideways', () => page.getByRole('button', { name: /^Goes sideways/ }).click());
    expect(hand.done.length).toBeLessThanOrEqual(12);
    const own = page.getByRole('group', { name: 'Goes sideways' });
    await expect(own.getByRole('checkbox', { name: 'touch' })).not.toBeChecked();
    await bench.view('Scroll');
    await expect(page.getByRole('button', { name: /goes sideways$/ })).toBeVisible();
  }
);

test('three sections fill the screen at once, in four actions', thorough, async ({ page }) => {
  const bench = await openStory(page, 'Behaviour');
  for (const name of ['Loft screen', 'Cellar screen', 'Glass screen']) {
    await bench.pick(name);
    await page
      .getByRole('group', { name: 'Fills the screen' })
      .getByRole('button', { name: 'Take off' })
      .click();
    await expect(page.getByRole('group', { name: 'Fills the screen' })).toHaveCount(0);
  }
  const hand = new Counted();
  await hand.act('picks the first', () => bench.pick('Loft screen'));
  await hand.act('up to the last', () => bench.row('Glass screen').click({ modifiers: ['Shift'] }));
  await hand.act('lets them fill the screen', () =>
    page.getByRole('button', { name: /^Fills the screen/ }).click()
  );
  expect(hand.done.length).toBeLessThanOrEqual(4);
  for (const name of ['Loft screen', 'Cellar screen', 'Glass screen']) {
    await bench.pick(name);
    await expect(page.getByRole('group', { name: 'Fills the screen' })).toBeVisible();
  }
});

test('four texts beside a picture that stays, in six actions', thorough, async ({ page }) => {
  const bench = await Bench.openNew(page);
  const hand = new Counted();
  await bench.pick('First section');
  await hand.act('opens the drawer', () => page.keyboard.press('a'));
  await hand.act('inserts it', async () => {
    await page.getByRole('combobox', { name: 'What to insert' }).fill('pinned');
    await page.keyboard.press('Enter');
  });
  expect(hand.done.length).toBeLessThanOrEqual(6);
  await expect(page.getByRole('treeitem', { name: /step$/ })).toHaveCount(4);
  await bench.view('Scroll');
  await expect(page.getByRole('button', { name: /stays$/ })).toBeVisible();
});

const barAndHeader = () => {
  const make = makeWith({ exactIds: true });
  const words = (name: string, times: number) =>
    make('text', name, { html: `<p>${'What stands here. '.repeat(times)}</p>` });
  const bar = make('section', 'Bar', { height: '80px' }, { content: [words('Hours', 1)] });
  const header = make('section', 'Site header', { element: 'header' }, { content: [words('Name', 1)] });
  const rest = make('section', 'Rest', { height: '3000px' }, { content: [words('Long', 40)] });
  const page = make('page', 'Page', {}, { sections: [bar, header, rest] });
  const flat = ['bar', 'site-header'].map(
    (id) =>
      ({
        type: 'set-style',
        id,
        part: 'root',
        state: 'rest',
        condition: 'always',
        property: 'padding',
        value: '0 64px'
      }) as unknown as Command
  );
  return after(createProject('Bar and header', page), ...flat);
};

// Common practice, no source: half over an 80 px bar, a header sticks once 40 px are scrolled.
test(
  'a header over half of a bar sticks at 40 px, widens and gets lower, in twelve actions',
  thorough,
  async ({ page }) => {
    const bench = new Bench(page);
    await bench.importProject(barAndHeader());
    const hand = new Counted();
    const fill = (label: string, value: string) =>
      hand.act(label, async () => {
        const field = page.getByRole('textbox', { name: label });
        await field.fill(value);
        await field.press('Enter');
      });
    await hand.act('picks the header', () => bench.pick('Site header'));
    await hand.act('looks at what it is', () => bench.view('Fill'));
    await fill('Least height', '80px');
    await fill('Overlaps the one before', '50');
    await hand.act('looks at its behaviour', () => bench.view('Behaviour'));
    await hand.act('lets it stick', () => page.getByRole('button', { name: /^Sticks/ }).click());
    await fill('Distance from the edge', '0');
    await hand.act('sees where', () => bench.view('Scroll'));
    await expect(page.getByRole('textbox', { name: 'Site header sticks: starts at, px' })).toHaveValue('40');
    await hand.act('goes back', () => bench.view('Behaviour'));
    await fill('Gets lower while it sticks by', '24');
    await hand.act('looks at its states', () => bench.view('States'));
    await hand.act('widens it while it is stuck', () => bench.set('padding', 'Padding', 'stuck', '0 16px'));
    expect(hand.done.length).toBeLessThanOrEqual(12);

    const frame = await previewFrame(page);
    const at = (top: number) =>
      frame.evaluate(async (to) => {
        scrollTo(0, to);
        await new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)));
        const header = document.querySelector<HTMLElement>('[data-k="site-header"]')!;
        await Promise.all(header.getAnimations({ subtree: true }).map(({ finished }) => finished));
        const rest = document.querySelector<HTMLElement>('[data-k="rest"]')!;
        const inner = header.firstElementChild!.getBoundingClientRect();
        return {
          top: Math.round(header.getBoundingClientRect().top),
          inner: Math.round(inner.width),
          below: Math.round(rest.getBoundingClientRect().top + scrollY)
        };
      }, top);
    const [rest, before, stuck] = [await at(0), await at(39), await at(400)];
    expect(rest.top).toBe(40);
    expect(before.top).toBe(1);
    expect(stuck.inner - rest.inner).toBe(96);
    // What stands below does not move for it.
    expect(stuck.below).toBe(rest.below);
  }
);
