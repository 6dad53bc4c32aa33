import { gzipSync } from 'node:zlib';
import { makeWith } from '../src/core/kinds/make';
import type { Node, NodeId } from '../src/core/project/types';
import { pageScript } from '../src/server/bundle';
import { axeViolations } from './support/axe';
import { partIn } from './support/exported';
import { expect, test, type Locator, type Page } from './support/test';
import { inTurn } from './support/thorough';
import { changed, open, put } from './support/visit';
import { Bench } from './support/workbench';

const make = makeWith({ exactIds: true });

const LONG = '<p>Nutty and dry; the cider makers’ own choice since the mill was built.</p>'.repeat(6);

const card = (settings: Node['settings'] = {}) =>
  changed(
    put(
      make('card', 'Bell Russet', settings, {
        front: [
          make('heading', 'Front words', { text: 'Bell Russet', level: '2' }),
          make('button', 'Front link', { label: 'Buy a tree', href: '#plan' })
        ],
        back: [
          make('text', 'Back words', { html: LONG }),
          make('button', 'Back link', { label: 'More of it', href: '#find' })
        ]
      })
    )
  );

const part = (page: Page, name: string): Locator =>
  page.locator(partIn('export', 'bell-russet' as NodeId, name));
/** Which way a side of the card can be reached. */
const seen = (page: Page) =>
  Promise.all(
    ['front', 'back'].map((name) => part(page, name).evaluate((each) => getComputedStyle(each).visibility))
  );
const FRONT = ['visible', 'hidden'];
const BACK = ['hidden', 'visible'];

test('turns while it is pointed at, and back; what is on the hidden side is out of reach', async ({
  blank: page
}) => {
  await open(page, card());
  await page.mouse.move(1, 1);
  await expect.poll(() => seen(page)).toEqual(FRONT);
  await expect(page.getByRole('link', { name: 'More of it' })).toHaveCount(0);
  await part(page, 'root').hover();
  await expect.poll(() => seen(page)).toEqual(BACK);
  await expect(page.getByRole('link', { name: 'Buy a tree' })).toHaveCount(0);
  await page.mouse.move(1, 1);
  await expect.poll(() => seen(page)).toEqual(FRONT);
});

test('turns by the Tab key, which then goes to what is on the back, and never to the front', async ({
  blank: page
}) => {
  await open(page, card());
  await page.mouse.move(1, 1);
  await part(page, 'root').focus();
  await expect.poll(() => seen(page)).toEqual(BACK);
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'More of it' })).toBeFocused();
  await page.keyboard.press('Tab');
  await expect.poll(() => seen(page)).toEqual(FRONT);
});

test('turns when it is pressed, by its button and beside it, and says so', async ({ blank: page }) => {
  await open(page, card({ by: 'press' }));
  const button = page.getByRole('button', { name: 'Turn over' });
  await part(page, 'root').hover({ position: { x: 8, y: 8 } });
  await expect.poll(() => seen(page)).toEqual(FRONT);
  await button.click();
  await expect(button).toHaveAttribute('aria-pressed', 'true');
  await expect.poll(() => seen(page)).toEqual(BACK);
  await part(page, 'root').click({ position: { x: 8, y: 8 } });
  await expect.poll(() => seen(page)).toEqual(FRONT);
  await page.getByRole('link', { name: 'Buy a tree' }).click();
  await expect(button).toHaveAttribute('aria-pressed', 'false');
});

test('stays as it is where a link goes from under the hand that presses it, since the card still turns', async ({
  blank: page
}) => {
  await open(page, card({ by: 'press' }));
  const button = page.getByRole('button', { name: 'Turn over' });
  const link = page.getByRole('link', { name: 'Buy a tree' });
  const movements = (act: 'hold' | 'finish') =>
    part(page, 'root').evaluate((root, isHeld) => {
      // Held where it is turned from: a moment later it may be over.
      if (isHeld) (root as HTMLElement).click();
      for (const movement of root.getAnimations({ subtree: true })) {
        movement.pause();
        const end = Number(movement.effect!.getComputedTiming().endTime);
        movement.currentTime = isHeld ? end * 0.6 : end;
        if (!isHeld) movement.finish();
      }
    }, act === 'hold');
  const atRest = (await link.boundingBox())!;
  await button.click();
  await expect.poll(() => seen(page)).toEqual(BACK);
  await movements('finish');
  await movements('hold');
  const turning = (await link.boundingBox())!;
  const x = turning.x + turning.width - 2;
  expect(x).toBeGreaterThan(atRest.x + atRest.width);
  await page.mouse.move(x, turning.y + turning.height / 2);
  await page.mouse.down();
  await expect(link).toBeFocused();
  await movements('finish');
  await page.mouse.up();
  await expect(button).toHaveAttribute('aria-pressed', 'false');
});

test('is as high as its longer side at twenty widths, and cuts nothing', async ({ blank: page }) => {
  await open(page, card());
  for (let width = 320; width <= 1460; width += 60) {
    await page.setViewportSize({ width, height: 900 });
    const [root, front, back] = await Promise.all(
      ['root', 'front', 'back'].map((name) =>
        part(page, name).evaluate((each) => [(each as HTMLElement).offsetHeight, each.scrollHeight] as const)
      )
    );
    expect([width, front![0], back![0]]).toEqual([width, root![0], root![0]]);
    expect(back![1]).toBeLessThanOrEqual(back![0]);
  }
});

for (const form of ['turn', 'fade', 'slide'])
  test(`${form}: back and forth, nothing of the page moves`, async ({ blank: page }) => {
    await open(page, card({ form }));
    const height = () => page.evaluate(() => document.documentElement.scrollHeight);
    const before = await height();
    await part(page, 'root').hover({ position: { x: 8, y: 8 } });
    await expect.poll(() => seen(page)).toEqual(BACK);
    await expect(part(page, 'back')).toHaveCSS('opacity', '1');
    expect(await height()).toBe(before);
  });

test('has the width and the least height it is given, with its words where they are to stand', async ({
  blank: page
}) => {
  await open(page, card({ width: '320px', height: '600px', place: 'end' }));
  const front = (await part(page, 'front').boundingBox())!;
  expect(front).toMatchObject({ width: 320, height: 600 });
  const link = (await page.getByRole('link', { name: 'Buy a tree' }).boundingBox())!;
  const room = front.y + front.height - (link.y + link.height);
  // Its padding and its border.
  expect(room).toBeCloseTo(21, 0);
  // Neither makes it wider than its place, nor cuts what is higher.
  await open(page, card({ width: '4000px', height: '10px' }), 400);
  const narrow = (await part(page, 'back').boundingBox())!;
  expect(narrow.width).toBeLessThan(400);
  expect(narrow.height).toBeGreaterThan(200);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(400);
});

test(
  'with less motion it fades; on paper both sides are there; without script a press is the focus',
  inTurn(5),
  async ({ browser, blank: page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await open(page, card());
    await part(page, 'root').hover();
    await expect.poll(() => seen(page)).toEqual(BACK);
    await expect(part(page, 'back')).toHaveCSS('transform', 'none');
    await page.emulateMedia({ media: 'print' });
    expect(await seen(page)).toEqual(['visible', 'visible']);
    const [front, back] = await Promise.all(['front', 'back'].map((name) => part(page, name).boundingBox()));
    expect(back!.y).toBeGreaterThanOrEqual(front!.y + front!.height - 1);
    await page.emulateMedia({ media: 'screen', reducedMotion: 'no-preference' });
    const context = await browser.newContext({ javaScriptEnabled: false });
    const quiet = await context.newPage();
    await open(quiet, card({ by: 'press' }));
    await quiet.getByRole('button', { name: 'Turn over' }).focus();
    await expect.poll(() => seen(quiet)).toEqual(BACK);
    await context.close();
  }
);

test(
  'axe-core has nothing to say of either side; pressing costs little script, pointing none',
  inTurn(4),
  async ({ blank: page }) => {
    for (const by of ['hover', 'press']) {
      await open(page, card({ by }));
      expect(await axeViolations(page)).toEqual([]);
      await part(page, 'root').click({ position: { x: 8, y: 8 } });
      await expect.poll(() => seen(page)).toEqual(BACK);
      expect(await axeViolations(page)).toEqual([]);
    }
    expect(gzipSync((await pageScript(['flips'], true))!, { level: 9 }).length).toBeLessThanOrEqual(204);
  }
);

test('while its back is tuned, that is the side one sees', inTurn(6), async ({ page }) => {
  const bench = new Bench(page);
  await bench.importProject(card());
  const side = (name: string) => bench.preview.locator(`[data-k-node="bell-russet"][data-k-part="${name}"]`);
  await page.locator('[data-row="back-words"]').click();
  await expect(side('back')).toHaveCSS('visibility', 'visible');
  await page.locator('[data-row="front-words"]').click();
  await expect(side('back')).toHaveCSS('visibility', 'hidden');
  await expect(side('front')).toHaveCSS('visibility', 'visible');
  // All of them at once, whatever is picked.
  await page.keyboard.press('b');
  await expect(side('back')).toHaveCSS('visibility', 'visible');
  await page.keyboard.press('Shift+B');
  await expect(side('back')).toHaveCSS('visibility', 'hidden');
});
