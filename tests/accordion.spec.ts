import { resolve } from '../src/core/cascade/resolve';
import type { Command } from '../src/core/commands/commands';
import { registry } from '../src/core/whole';
import { makeWith } from '../src/core/kinds/make';
import { trackOf } from '../src/core/motion/track';
import type { Fragment, NodeId, PageId } from '../src/core/project/types';
import { axeViolations } from './support/axe';
import { expect, test, type Page } from './support/test';
import { inTurn, inTurnUnless } from './support/thorough';
import { changed, demo, exportedVisit, open, put } from './support/visit';
import { Bench } from './support/workbench';

const make = makeWith({ exactIds: true });
const QUESTIONS = ['When does it open?', 'May dogs come?', 'Where does one park?'];

/** Three questions with an answer each. */
const questions = (settings: object): Fragment =>
  make('accordion', 'Questions', settings as never, {
    panels: QUESTIONS.map((question, n) =>
      make(
        'panel',
        question,
        {},
        {
          content: [make('text', `Answer ${n}`, { html: `<p>Answer number ${n}.</p>` })]
        }
      )
    )
  });

const accordion = (settings: object = {}) => changed(put(questions({ level: '2', ...settings }), 2));

// ARIA Authoring Practices, disclosure and accordion: Enter and Space toggle, the state is exposed, the focus
// goes from header to header. The elements are the browser's own (HTML standard, 4.11.1).
test('opens and closes by pointer and by key, one at a time, without any script', async ({ blank: page }) => {
  const made = await exportedVisit(accordion());
  expect(made.problems).toEqual([]);
  const css = made.files.get('style.css')!;
  expect(css).toContain('[open]');
  await page.goto(made.url);
  const headers = page.locator('summary');
  const states = () =>
    page.locator('details').evaluateAll((all) => all.map((each) => (each as HTMLDetailsElement).open));
  await expect(headers).toHaveCount(3);
  expect(await states()).toEqual([true, false, false]);
  await headers.nth(1).click();
  expect(await states()).toEqual([false, true, false]);
  await page.keyboard.press('Tab');
  await expect(headers.nth(2)).toBeFocused();
  await page.keyboard.press('Enter');
  expect(await states()).toEqual([false, false, true]);
  await page.keyboard.press('Space');
  expect(await states()).toEqual([false, false, false]);
});

test(
  'several stay open where that is set, all of them at load where that is',
  inTurn(4),
  async ({ blank: page }) => {
    await open(page, accordion({ several: true, atLoad: 'all' }));
    const states = () =>
      page.locator('details').evaluateAll((all) => all.map((each) => (each as HTMLDetailsElement).open));
    expect(await states()).toEqual([true, true, true]);
    await page.locator('summary').first().click();
    expect(await states()).toEqual([false, true, true]);
  }
);

test('an anchor opens the panel it names, its header in sight above it', async ({ blank: page }) => {
  const { url } = await exportedVisit(accordion({ atLoad: 'none' }));
  await page.setViewportSize({ width: 1280, height: 500 });
  await page.goto(url);
  const id = await page.locator('details > [id]').nth(2).getAttribute('id');
  await page.goto(`${url}#${id}`);
  await expect(page.locator('details').nth(2)).toHaveAttribute('open', '');
  const header = page.locator('summary').nth(2);
  await expect
    .poll(() => header.evaluate((each) => each.getBoundingClientRect().top))
    .toBeGreaterThanOrEqual(0);
});

const settled = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        let last = NaN;
        const look = () => {
          if (scrollY === last) return resolve();
          last = scrollY;
          setTimeout(look, 120);
        };
        look();
      })
  );

// Where a movement begins late, all stands still at first, as it does for some frames on a busy machine.
/** How what is opened comes to the top, what motion the visitor asks for, and how late the panel moves, ms. */
const OPENINGS = [
  ['jumps', 'no-preference', 0],
  ['glides', 'no-preference', 0],
  ['glides', 'reduce', 0],
  ['jumps', 'no-preference', 150],
  ['glides', 'no-preference', 150]
] as const;

for (const [i, [how, motion, delay]] of OPENINGS.entries())
  test(
    `what is opened ${how} to the top, clear of a header that sticks, ${motion}, after ${delay} ms`,
    inTurnUnless(how === 'jumps' && delay > 0, i),
    async ({ blank: page }) => {
      const long = changed(
        put(questions({ level: '2', raise: how, height: trackOf({ form: 'open', ms: 200, delay }) }), 2),
        { type: 'add-effect', id: 'header', effect: 'sticky' },
        { type: 'set-setting', id: demo.pages['visit' as PageId]!.root, key: 'jump', value: 120 },
        { type: 'set-setting', id: 'answer-0', key: 'html', value: '<p>Words.</p>'.repeat(40) },
        { type: 'set-setting', id: 'answer-1', key: 'html', value: '<p>Words.</p>'.repeat(40) }
      );
      await page.emulateMedia({ reducedMotion: motion });
      await open(page, long);
      const second = page.locator('summary').nth(1);
      await second.scrollIntoViewIfNeeded();
      await second.click();
      await expect
        .poll(() => second.evaluate((each) => Math.round(each.getBoundingClientRect().top)))
        .toBe(120);
      await settled(page);
      expect(await second.evaluate((each) => Math.round(each.getBoundingClientRect().top))).toBe(120);
      // Closing it moves nothing, and neither does a link that opens another.
      await second.click();
      await settled(page);
      const at = await page.evaluate(() => scrollY);
      await page.evaluate(() => new Promise(requestAnimationFrame));
      expect(await page.evaluate(() => scrollY)).toBe(at);
    }
  );

test('paper has every panel, whichever is open', async ({ blank: page }) => {
  await open(page, accordion());
  await page.emulateMedia({ media: 'print' });
  for (const n of [0, 1, 2]) await expect(page.getByText(`Answer number ${n}.`)).toBeVisible();
});

test('has no accessibility fault, open or closed', inTurn(1), async ({ blank: page }) => {
  for (const atLoad of ['none', 'first']) {
    await open(page, accordion({ atLoad }));
    expect(await axeViolations(page)).toEqual([]);
  }
});

test('a panel comes in as it is set, and not with less motion', async ({ blank: page, browser }) => {
  const project = accordion({ enter: trackOf({ form: 'rise', ms: 4000 }) });
  await open(page, project);
  await page.locator('summary').nth(1).click();
  const moving = () =>
    page.evaluate(() => document.getAnimations().filter((each) => each instanceof CSSAnimation).length);
  expect(await moving()).toBe(1);
  const still = await browser.newContext({ reducedMotion: 'reduce' });
  const other = await still.newPage();
  await open(other, project);
  await other.locator('summary').nth(1).click();
  expect(await other.evaluate(() => document.getAnimations().length)).toBe(0);
  await still.close();
});

test('a panel opens gradually by the browser itself, on paper and with less motion at once', async ({
  blank: page
}) => {
  await open(page, accordion({ height: trackOf({ form: 'open', ms: 400, easing: 'linear' }) }));
  /** Heights of an item, picture by picture from the press on its header until nothing changes any more. */
  const heights = (n: number) =>
    page
      .locator('details')
      .nth(n)
      .evaluate(async (item) => {
        const seen = [item.getBoundingClientRect().height];
        item.querySelector('summary')!.click();
        for (let still = 0; still < 10; still += 1) {
          await new Promise(requestAnimationFrame);
          const now = item.getBoundingClientRect().height;
          if (now !== seen.at(-1)) still = 0;
          seen.push(now);
        }
        return seen;
      });
  const moving = await heights(1);
  const end = moving.at(-1)!;
  expect(end).toBeGreaterThan(moving[0]!);
  expect(moving.filter((height) => height > moving[0]! && height < end).length).toBeGreaterThan(2);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  const still = await heights(2);
  expect(new Set(still).size).toBe(2);
  await page.emulateMedia({ reducedMotion: 'no-preference', media: 'print' });
  const printed = await page
    .locator('details')
    .evaluateAll((items) => items.map((item) => item.lastElementChild!.getBoundingClientRect().height > 10));
  expect(printed).toEqual([true, true, true]);
  await page.emulateMedia({ media: 'screen' });
});

test('its own states are what Chromium computes', async ({ blank: page }) => {
  const piece = questions({ level: '2' });
  const { root } = piece;
  const own = (state: string, property: string, value: string): Command => ({
    type: 'set-style',
    id: root,
    part: 'header',
    state,
    condition: 'always',
    property,
    value
  });
  const project = changed(
    put(piece, 2),
    own('hover', 'background-color', '#123456'),
    own('open', 'background-color', '#fedcba'),
    own('open', 'letter-spacing', '2px'),
    own('open-hover', 'background-color', '#abcdef')
  );
  await open(page, project);
  const header = (n: number) => page.locator('summary').nth(n);
  const said = (state: string) => resolve(registry, project, { node: root as NodeId, part: 'header', state });
  const compare = async (n: number, state: string) => {
    const resolved = said(state);
    for (const property of ['background-color', 'letter-spacing', 'color']) {
      const computed = () =>
        header(n).evaluate((each, name) => getComputedStyle(each).getPropertyValue(name), property);
      const wanted = resolved.get(property)!.value;
      const asComputed = await page.evaluate(
        ([name, value]) => {
          const probe = document.createElement('div');
          probe.style.setProperty(name!, value!);
          document.body.append(probe);
          const spoken = getComputedStyle(probe).getPropertyValue(name!);
          probe.remove();
          return spoken;
        },
        [property, wanted]
      );
      await expect.poll(computed, `${state} ${property}`).toBe(asComputed);
    }
  };
  await page.mouse.move(1, 1);
  await compare(0, 'open');
  await compare(1, 'rest');
  await header(0).hover();
  await compare(0, 'open-hover');
  await header(1).hover();
  await compare(1, 'hover');
});

test(
  'is inserted, tuned when open, and stays open while its words are typed',
  inTurn(6),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Welcome');
    await page.keyboard.press('a');
    await page.keyboard.type('accordion');
    await page.keyboard.press('Enter');
    const frame = page.frameLocator('iframe[title^="Preview of"]');
    const items = frame.locator('details');
    await expect(items).toHaveCount(3);
    // Picking an item opens it, so that it can be seen.
    await bench.pick('Third question');
    await expect(items.nth(2)).toHaveAttribute('open', '');
    await page.keyboard.press('F2');
    await page.keyboard.type('Where does one park?');
    await page.keyboard.press('Enter');
    await expect(frame.getByText('Where does one park?')).toBeVisible();
    await expect(items.nth(2)).toHaveAttribute('open', '');
    await bench.pick('Accordion', 'header');
    await page.keyboard.press('3');
    await expect(page.getByRole('columnheader', { name: 'open, hover' })).toBeVisible();
  }
);

test('from an empty page to three questions, the second open, several at once, in five actions', async ({
  page
}) => {
  await Bench.openNew(page);
  const actions: string[] = [];
  const act = async (name: string, run: () => Promise<unknown>) => {
    actions.push(name);
    await run();
  };
  await act('A', () => page.keyboard.press('a'));
  await page.keyboard.type('accordion');
  await act('Enter', () => page.keyboard.press('Enter'));
  const frame = page.frameLocator('iframe[title^="Preview of"]');
  const items = frame.locator('details');
  await expect(items).toHaveCount(3);
  await act('Behaviour', () => page.keyboard.press('2'));
  const first = page.getByLabel('First panel chosen', { exact: true });
  await act('the second', () => first.selectOption({ label: 'Second question' }));
  await expect(items.nth(1)).toHaveAttribute('open', '');
  await act('several', () => page.locator('[data-field="several"]').getByRole('switch').click());
  await expect(items.first()).not.toHaveAttribute('name');
  // The marker turns by itself when its panel opens.
  const turned = (n: number) =>
    items.nth(n).evaluate((item) => {
      const marker = item.querySelector('summary > [aria-hidden="true"]:last-child')!;
      return getComputedStyle(marker, '::before').transform;
    });
  expect(await turned(1)).not.toBe(await turned(2));
  expect(actions.length).toBeLessThanOrEqual(9);
});
