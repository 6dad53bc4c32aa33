import { gzipSync } from 'node:zlib';
import { makeWith } from '../src/core/kinds/make';
import { panelWith } from '../src/core/kinds/make';
import type { Node, NodeId } from '../src/core/project/types';
import { pageScript } from '../src/server/bundle';
import { axeViolations } from './support/axe';
import { partIn } from './support/exported';
import { expect, test, type Locator, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { changed, open, put } from './support/visit';

const make = makeWith({ exactIds: true });
const NAMES = ['Ashen Pippin', 'Bell Russet', 'Lady Thrale', 'Old Quince', 'Long Keeper', 'Winter Gold'];

const slider = (settings: Node['settings'] = {}, count = NAMES.length) =>
  changed(
    put(
      make('slider', 'Varieties', settings, {
        panels: NAMES.slice(0, count).map((name) => panelWith(make, name, `${name} is a variety.`))
      })
    )
  );

const part = (page: Page, name: string): Locator =>
  page.locator(partIn('export', 'varieties' as NodeId, name));
const slide = (page: Page, name: string): Locator => page.locator(`[id="${name}"]`);
const current = (page: Page) => part(page, 'slide').and(page.locator('[aria-current]'));
const scrolled = (page: Page) => part(page, 'view').evaluate((view) => Math.round(view.scrollLeft));
const next = (page: Page) => page.getByRole('button', { name: 'Next slide' });
const previous = (page: Page) => page.getByRole('button', { name: 'Previous slide' });
const dot = (page: Page, name: string) => part(page, 'dot').and(page.getByRole('button', { name }));
/** How far a slide stands from the beginning of the window, px. */
const offset = (page: Page, id: string) =>
  slide(page, id).evaluate((each) => {
    const view = each.parentElement!.parentElement!;
    return Math.round(
      each.getBoundingClientRect().left - view.getBoundingClientRect().left - view.clientLeft
    );
  });

test('goes on by arrows and dots, says where it is, and stops at its ends', async ({ blank: page }) => {
  await open(page, slider());
  await expect(current(page)).toHaveAttribute('id', 'ashen-pippin');
  await expect(previous(page)).toHaveAttribute('aria-disabled', 'true');
  await next(page).click();
  await expect(current(page)).toHaveAttribute('id', 'bell-russet');
  await expect.poll(() => offset(page, 'bell-russet')).toBe(0);
  await expect(page.getByRole('status')).toHaveText('Bell Russet');
  await dot(page, 'Winter Gold').click();
  await expect.poll(() => offset(page, 'winter-gold')).toBe(0);
  await expect(dot(page, 'Winter Gold')).toHaveAttribute('aria-current', 'true');
  await expect(next(page)).toHaveAttribute('aria-disabled', 'true');
  await next(page).click({ force: true });
  await expect(current(page)).toHaveAttribute('id', 'winter-gold');
});

test('shows as many as it is told, with a bit of the next, and has a dot for each place it rests at', async ({
  blank: page
}) => {
  await open(page, slider({ visible: 2.5, gap: 20 }));
  const [view, first, second] = await Promise.all(
    [part(page, 'view'), slide(page, 'ashen-pippin'), slide(page, 'bell-russet')].map((each) =>
      each.boundingBox()
    )
  );
  expect(first!.width).toBeCloseTo((view!.width - 40) / 2.5, 0);
  expect(second!.x - first!.x).toBeCloseTo(first!.width + 20, 0);
  // The end is reached when the fourth of six comes to the beginning, nearly.
  await expect(part(page, 'dot').and(page.locator(':visible'))).toHaveCount(5);
});

test('is dragged by the mouse, comes to rest on a slide, and what is pressed to drag it is not meant', async ({
  blank: page
}) => {
  await open(page, slider({ visible: 3 }));
  const box = (await part(page, 'view').boundingBox())!;
  const width = (await slide(page, 'ashen-pippin').boundingBox())!.width;
  await page.mouse.move(box.x + box.width - 40, box.y + 20);
  await page.mouse.down();
  for (let by = 0; by <= width * 1.4; by += 40)
    await page.mouse.move(box.x + box.width - 40 - by, box.y + 20);
  await page.mouse.up();
  await expect(current(page)).not.toHaveAttribute('id', 'ashen-pippin');
  const id = (await current(page).getAttribute('id'))!;
  await expect.poll(() => offset(page, id)).toBeCloseTo(0);
  await expect(part(page, 'view')).toHaveCSS('scroll-snap-type', 'x mandatory');
  const rest = await scrolled(page);
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  expect(await scrolled(page)).toBe(rest);
});

test(
  'goes round by moving the slides themselves: none stands twice, none is missing',
  inTurn(3),
  async ({ blank: page }) => {
    await open(
      page,
      slider({
        visible: 3,
        ends: 'loop',
        move: { form: 'glide', ms: 80, delay: 0, easing: 'ease', step: 0, from: 'first' }
      })
    );
    const inSight = () =>
      part(page, 'slide').evaluateAll((slides) => {
        const view = slides[0]!.parentElement!.parentElement!.getBoundingClientRect();
        return slides
          .map((each) => [each.id, each.getBoundingClientRect()] as const)
          .filter(([, box]) => box.right > view.left + 2 && box.left < view.right - 2)
          .toSorted((a, b) => a[1].left - b[1].left)
          .map(([id]) => id);
      });
    const ids = NAMES.map((name) => name.toLowerCase().replace(' ', '-'));
    for (let n = 1; n <= 14; n += 1) {
      await next(page).click();
      const expected = [0, 1, 2].map((i) => ids[(n + i) % 6]);
      await expect.poll(inSight).toEqual(expected);
    }
    for (let n = 13; n >= -3; n -= 1) {
      await previous(page).click();
      await expect.poll(inSight).toEqual([0, 1, 2].map((i) => ids[(n + i + 12) % 6]));
    }
    expect(await part(page, 'slide').count()).toBe(6);
  }
);

for (const [align, where] of [
  ['start', 'at its beginning'],
  ['center', 'in its middle']
] as const)
  test(`going round, it begins with its first slide ${where}`, async ({ blank: page }) => {
    await open(page, slider({ visible: 3, ends: 'loop', align }));
    const place = () =>
      part(page, 'slide').evaluateAll(
        (slides, at) => {
          const view = slides[0]!.parentElement!.parentElement!.getBoundingClientRect();
          const first = slides[0]!.getBoundingClientRect();
          return Math.round(first.left - view.left - (view.width - first.width) * at);
        },
        align === 'center' ? 0.5 : 0
      );
    await expect.poll(place).toBe(0);
    await expect(dot(page, NAMES[0]!)).toHaveAttribute('aria-current', 'true');
    await next(page).click();
    await expect(dot(page, NAMES[1]!)).toHaveAttribute('aria-current', 'true');
  });

test('counts the slides, and says so by style alone', async ({ blank: page }) => {
  await open(page, slider({ counter: true }));
  const drawn = () => part(page, 'counter').evaluate((each) => getComputedStyle(each, '::before').content);
  expect(await drawn()).toContain('" / 6"');
  const width = () =>
    part(page, 'slide').evaluateAll(
      (all) => all.filter((each) => getComputedStyle(each).counterIncrement !== 'none').length
    );
  expect(await width()).toBe(1);
  await dot(page, 'Old Quince').click();
  await expect.poll(width).toBe(4);
});

test('on paper slides that go round stand where they stand, none beside the sheet', async ({
  blank: page
}) => {
  await open(page, slider({ visible: 3, ends: 'loop' }));
  await expect(part(page, 'root')).toHaveAttribute('data-looped', 'true');
  await page.emulateMedia({ media: 'print' });
  const boxes = await part(page, 'slide').evaluateAll((all) =>
    all.map((each) => each.getBoundingClientRect()).map(({ left, right }) => [left, right] as const)
  );
  for (const [left, right] of boxes) {
    expect(left).toBeGreaterThanOrEqual(0);
    expect(right).toBeLessThanOrEqual(1280);
  }
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1280);
});

test('leaves no room to go round in where the window has grown too wide for that', async ({
  blank: page
}) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await open(page, slider({ visible: 3, ends: 'loop' }, 4));
  await expect(part(page, 'root')).toHaveAttribute('data-looped', 'true');
  await part(page, 'root').evaluate((root) => {
    for (const each of root.querySelectorAll<HTMLElement>('[data-part="slide"]'))
      each.style.flexBasis = '25%';
    root.style.width = '90%';
  });
  await expect(part(page, 'root')).not.toHaveAttribute('data-looped');
  const room = () => part(page, 'view').evaluate((view) => view.scrollWidth - view.clientWidth);
  await expect.poll(room).toBeLessThan(400);
});

test('too few to go round go back to the first', async ({ blank: page }) => {
  await open(page, slider({ visible: 3, ends: 'loop' }, 3));
  await next(page).click();
  await expect(current(page)).toHaveAttribute('id', 'ashen-pippin');
});

test('in the middle stands the current one', async ({ blank: page }) => {
  await open(page, slider({ visible: 3, align: 'center' }));
  await dot(page, 'Lady Thrale').click();
  const middle = async () => {
    const [view, each] = [
      await part(page, 'view').boundingBox(),
      await slide(page, 'lady-thrale').boundingBox()
    ];
    return Math.abs(view!.x + view!.width / 2 - each!.x - each!.width / 2);
  };
  await expect.poll(middle).toBeLessThan(1);
});

test('fades: one is seen, the others are out of sight and of reach', async ({ blank: page }) => {
  await open(page, slider({ form: 'fade' }));
  await expect(slide(page, 'ashen-pippin')).toBeVisible();
  await expect(slide(page, 'bell-russet')).toBeHidden();
  await next(page).click();
  await expect(slide(page, 'ashen-pippin')).toBeHidden();
  await expect(slide(page, 'bell-russet')).toHaveCSS('opacity', '1');
});

test('in a page written from right to left it goes on to the left', async ({ blank: page }) => {
  await open(page, slider({ visible: 2 }));
  await page.evaluate(() => (document.documentElement.dir = 'rtl'));
  await page.setViewportSize({ width: 1200, height: 900 });
  await next(page).click();
  await expect(current(page)).toHaveAttribute('id', 'bell-russet');
  await expect.poll(() => scrolled(page)).toBeLessThan(-200);
});

test.describe('plays by itself', () => {
  const playing = (more: Node['settings'] = {}) => slider({ plays: true, rest: 1, ends: 'rewind', ...more });
  const isHeld = (page: Page) =>
    part(page, 'progress').evaluate((each) => each.getAnimations()[0]?.playState ?? 'none');

  test('turns after each rest, round and round', async ({ blank: page }) => {
    await open(page, playing({ rest: 1 }));
    for (const id of ['bell-russet', 'lady-thrale', 'old-quince'])
      await expect(current(page)).toHaveAttribute('id', id);
    await expect(page.getByRole('status')).toBeEmpty();
  });

  test('is held while pointed at, focused, or by its button, and goes on', async ({ blank: page }) => {
    await open(page, playing({ rest: 60 }));
    await page.mouse.move(2, 2);
    await expect.poll(() => isHeld(page)).toBe('running');
    await part(page, 'slide').first().hover();
    await expect.poll(() => isHeld(page)).toBe('paused');
    await page.mouse.move(2, 2);
    await expect.poll(() => isHeld(page)).toBe('running');
    const hold = page.getByRole('button', { name: 'Hold' });
    await hold.focus();
    await expect.poll(() => isHeld(page)).toBe('paused');
    await page.keyboard.press('Enter');
    await expect(hold).toHaveAttribute('aria-pressed', 'true');
    await page.keyboard.press('Enter');
    await expect(hold).toHaveAttribute('aria-pressed', 'false');
    await expect.poll(() => isHeld(page)).toBe('running');
    await next(page).click();
    await page.mouse.move(2, 2);
    await expect(hold).toHaveAttribute('aria-pressed', 'true');
    await expect.poll(() => isHeld(page)).toBe('paused');
  });

  test('does not with less motion, nor out of sight', async ({ blank: page }) => {
    await open(page, playing({ rest: 60 }));
    await page.mouse.move(2, 2);
    await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight));
    await expect.poll(() => isHeld(page)).toBe('paused');
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await expect.poll(() => isHeld(page)).toBe('none');
  });
});

test('without script it is a strip to scroll, and nothing that would do nothing is there', async ({
  browser
}) => {
  const context = await browser.newContext({ javaScriptEnabled: false });
  const page = await context.newPage();
  await open(page, slider({ plays: true }));
  await expect(next(page)).toBeHidden();
  await expect(part(page, 'dots')).toBeHidden();
  await part(page, 'view').focus();
  await page.keyboard.press('ArrowRight');
  await expect.poll(() => scrolled(page)).toBeGreaterThan(100);
  await context.close();
});

test('axe-core has nothing to say, sliding, fading and playing', inTurn(2), async ({ blank: page }) => {
  const all: Node['settings'][] = [
    {},
    { form: 'fade' },
    { plays: true, ends: 'loop', visible: 2, counter: true }
  ];
  for (const settings of all) {
    await open(page, slider(settings));
    await expect(part(page, 'root')).toHaveAttribute('data-k-on', '');
    expect(await axeViolations(page)).toEqual([]);
  }
});

test('its script is small: lean, with drags, and with everything', async () => {
  const size = async (...names: string[]) => gzipSync((await pageScript(names, true))!, { level: 9 }).length;
  expect(await size('slider')).toBeLessThanOrEqual(921);
  expect(await size('drags', 'slider')).toBeLessThanOrEqual(1228);
  expect(await size('drags', 'rounds', 'slider', 'turns')).toBeLessThanOrEqual(2048);
});

test('400 slides go to their end and back, and have a dot each', thorough, async ({ blank: page }) => {
  const panels = Array.from({ length: 400 }, (_, i) => panelWith(make, `Tree ${i + 1}`, 'Stands.'));
  await open(page, changed(put(make('slider', 'Varieties', {}, { panels }))));
  await expect(part(page, 'dot')).toHaveCount(400);
  await dot(page, 'Tree 400').evaluate((each) => (each as HTMLElement).click());
  await expect.poll(() => offset(page, 'tree-400')).toBe(0);
  await expect(next(page)).toHaveAttribute('aria-disabled', 'true');
});

test('one slide alone has nowhere to go, and says so', async ({ blank: page }) => {
  await open(page, slider({ ends: 'loop', plays: true, rest: 1 }, 1));
  await next(page).click();
  await expect(current(page)).toHaveAttribute('id', 'ashen-pippin');
  expect(await scrolled(page)).toBe(0);
});

test(
  'dots that are small pictures lead to their slides; a slide with more in it keeps its dot',
  inTurn(7),
  async ({ blank: page }) => {
    const shown = (name: string, asset: string) =>
      make('panel', name, {}, { content: [make('image', `${name} shown`, { asset, alt: name })] });
    const panels = [
      shown('June rows', 'rows-in-june'),
      shown('Harvest time', 'baskets-full'),
      panelWith(make, 'Words', 'Many.')
    ];
    await open(page, changed(put(make('slider', 'Varieties', { thumbs: true }, { panels }))));
    await expect(part(page, 'thumb')).toHaveCount(2);
    await expect(part(page, 'dot')).toHaveCount(1);
    const small = page.getByRole('button', { name: 'Harvest time' });
    await expect(small.locator('img')).toHaveJSProperty('complete', true);
    expect((await small.boundingBox())!.height).toBeGreaterThan(24);
    await small.click();
    await expect(current(page)).toHaveAttribute('id', 'harvest-time');
    await expect(small).toHaveAttribute('aria-current', 'true');
    expect(await axeViolations(page)).toEqual([]);
  }
);
