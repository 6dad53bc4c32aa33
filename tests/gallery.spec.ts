import { gzipSync } from 'node:zlib';
import { balanced, inRows, leftover, packed } from '../src/core/widgets/gallery/packing';
import { makeWith } from '../src/core/kinds/make';
import type { Node, NodeId, Project } from '../src/core/project/types';
import { pageScript } from '../src/server/bundle';
import { axeViolations } from './support/axe';
import { partIn } from './support/exported';
import { expect, test, type Locator, type Page } from './support/test';
import { inTurn } from './support/thorough';
import { changed, open, put } from './support/visit';

const make = makeWith({ exactIds: true });
/** Pictures of the demo, of different shapes. */
const PICTURES = [
  ['first-blossom', 'First blossom'],
  ['bees-at-work', 'Bees at work'],
  ['rows-in-june', 'Rows in June'],
  ['noon-shade', 'Noon shade'],
  ['windfalls', 'Windfalls']
] as const;

const item = (asset: string, name: string) =>
  make(
    'panel',
    `${name} place`,
    {},
    { content: [make('image', `${name} shown`, { asset, alt: `Seen: ${name}` })] }
  );

const gallery = (
  settings: Node['settings'] = {},
  pictures: readonly (readonly [string, string])[] = PICTURES
): Project =>
  changed(
    put(make('gallery', 'Album', settings, { panels: pictures.map(([asset, name]) => item(asset, name)) }))
  );

const part = (page: Page, name: string): Locator => page.locator(partIn('export', 'album' as NodeId, name));

/** Where the pictures lie, px from the corner of the gallery. */
const boxes = (page: Page) =>
  part(page, 'root').evaluate((root) => {
    const { left, top } = root.getBoundingClientRect();
    return [...root.querySelectorAll('li > :is(a, img, picture)')].map((each) => {
      const box = (each.querySelector('img') ?? each).getBoundingClientRect();
      return { left: box.left - left, top: box.top - top, width: box.width, height: box.height };
    });
  });

test('packs pictures into the shortest column at every width, by ratios alone and without script', async ({
  blank: page
}) => {
  await open(page, gallery({ across: '20px', below: '20px' }));
  for (const [width, columns] of [
    [1280, 3],
    [820, 2],
    [390, 1]
  ] as const) {
    await page.setViewportSize({ width, height: 900 });
    const found = await boxes(page);
    const { columns: wanted, tops } = packed(
      found.map(({ height }) => height + 20),
      columns
    );
    const step = found[0]!.width + 20;
    found.forEach(({ left, top }, i) => {
      expect(Math.abs(left - wanted[i]! * step), `left of ${i} at ${width}`).toBeLessThan(1);
      expect(Math.abs(top - tops[i]!), `top of ${i} at ${width}`).toBeLessThan(3);
    });
  }
});

test('fills columns as Chromium balances them, and splits no picture', async ({ blank: page }) => {
  await open(page, gallery({ order: 'down', across: '20px', below: '20px' }));
  const found = await boxes(page);
  const { columns, tops } = balanced(
    found.map(({ height }) => height + 20),
    3
  );
  const step = found[0]!.width + 20;
  found.forEach(({ left, top }, i) => {
    expect(Math.abs(left - columns[i]! * step)).toBeLessThan(1);
    expect(Math.abs(top - tops[i]!)).toBeLessThan(1);
  });
});

test('opens a picture large, goes on and round, by buttons and keys; Escape gives the focus back', async ({
  blank: page
}) => {
  await open(page, gallery({ captions: 'over' }));
  const link = page.getByRole('link', { name: 'Seen: Bees at work' });
  await link.focus();
  await page.keyboard.press('Enter');
  const view = page.getByRole('dialog', { name: 'Album' });
  await expect(view).toBeVisible();
  const shown = view.getByRole('img');
  await expect(shown).toHaveAttribute('alt', 'Seen: Bees at work');
  await expect(view).toContainText('Bees at work place');
  await view.getByRole('button', { name: 'The next picture' }).click();
  await expect(shown).toHaveAttribute('alt', 'Seen: Rows in June');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect(shown).toHaveAttribute('alt', 'Seen: Windfalls');
  const { scrolls, fits, covers } = await view.evaluate((dialog: HTMLElement) => ({
    scrolls: getComputedStyle(document.documentElement).overflow,
    fits: dialog.querySelector('img')!.getBoundingClientRect().bottom <= innerHeight,
    // But for the room of the page's bar, which it keeps.
    covers: [dialog.offsetLeft, innerWidth - dialog.offsetWidth < 20, dialog.offsetHeight]
  }));
  expect({ scrolls, fits, covers }).toEqual({ scrolls: 'hidden', fits: true, covers: [0, true, 900] });
  await page.keyboard.press('Escape');
  await expect(view).toHaveCount(0);
  await expect(link).toBeFocused();
});

test('a swipe goes on to the next picture', async ({ blank: page }) => {
  await open(page, gallery());
  await page.getByRole('link', { name: 'Seen: Bees at work' }).click();
  const shown = page.getByRole('dialog').getByRole('img');
  const session = await page.context().newCDPSession(page);
  const finger = (type: 'touchStart' | 'touchMove' | 'touchEnd', x: number) =>
    session.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: type === 'touchEnd' ? [] : [{ x, y: 400 }]
    });
  await finger('touchStart', 900);
  for (const x of [860, 800, 720, 640]) await finger('touchMove', x);
  await finger('touchEnd', 640);
  await expect(shown).toHaveAttribute('alt', 'Seen: Rows in June');
});

test('one picture alone opens large without arrows', async ({ blank: page }) => {
  await open(page, gallery({}, [PICTURES[0]]));
  await page
    .getByRole('link')
    .filter({ has: page.getByAltText('Seen: First blossom') })
    .click();
  await expect(page.getByRole('dialog').getByRole('button')).toHaveText(['Close']);
});

test('without script a picture leads to its file; on paper it is a list', async ({ browser }) => {
  const context = await browser.newContext({ javaScriptEnabled: false });
  const page = await context.newPage();
  await open(page, gallery());
  await page.getByRole('link', { name: 'Seen: Windfalls' }).click();
  await expect(page).toHaveURL(/windfalls\.svg$/);
  await context.close();
});

test('axe-core finds nothing, in each order, closed and open', inTurn(8), async ({ blank: page }) => {
  for (const order of ['packed', 'down', 'rows']) {
    await open(page, gallery({ order, captions: 'below' }));
    expect(await axeViolations(page)).toEqual([]);
  }
  await page.getByRole('link', { name: 'Seen: Windfalls' }).click();
  // Half faded in, its words are faint.
  await page
    .getByRole('dialog')
    .evaluate((view) => Promise.all(view.getAnimations().map(({ finished }) => finished)));
  expect(await axeViolations(page)).toEqual([]);
});

test('the script that opens pictures large weighs no more than half a kB', async () => {
  const script = await pageScript(['large'], true);
  expect(gzipSync(script!, { level: 9 }).length).toBeLessThanOrEqual(512);
});

test('packs 200 random sets as masonry-layout does', async ({ blank: page }) => {
  await page.goto('about:blank');
  await page.addScriptTag({ path: 'node_modules/masonry-layout/dist/masonry.pkgd.min.js' });
  let seed = 7;
  const random = (most: number) => {
    seed = (seed * 48_271) % 2_147_483_647;
    return seed % most;
  };
  const sets = Array.from({ length: 200 }, () => ({
    columns: 1 + random(6),
    heights: Array.from({ length: 1 + random(40) }, () => 20 + random(300))
  }));
  const laid = await page.evaluate((all) => {
    const Packer = (window as never as { Masonry: new (box: Element, options: object) => object }).Masonry;
    return all.map(({ columns, heights }) => {
      const box = document.createElement('div');
      box.style.cssText = `position: relative; width: ${columns * 100}px`;
      box.innerHTML = heights
        .map((height) => `<div style="width: 100px; height: ${height}px"></div>`)
        .join('');
      document.body.append(box);
      new Packer(box, { columnWidth: 100, transitionDuration: 0 });
      const found = [...box.children].map((each) => {
        const { left, top } = (each as HTMLElement).style;
        return [parseFloat(left) / 100, parseFloat(top)];
      });
      box.remove();
      return found;
    });
  }, sets);
  sets.forEach(({ columns, heights }, i) => {
    const own = packed(heights, columns);
    expect(laid[i]).toEqual(own.columns.map((column, n) => [column, own.tops[n]]));
  });
});

test('balances 100 random sets as Chromium does', async ({ blank: page }) => {
  await page.goto('about:blank');
  let seed = 11;
  const random = (most: number) => {
    seed = (seed * 48_271) % 2_147_483_647;
    return seed % most;
  };
  const sets = Array.from({ length: 100 }, () => ({
    columns: 2 + random(4),
    heights: Array.from({ length: 1 + random(24) }, () => 20 + random(300))
  }));
  const laid = await page.evaluate((all) => {
    document.body.style.margin = '0';
    return all.map(({ columns, heights }) => {
      const box = document.createElement('div');
      box.style.cssText = `columns: ${columns}; column-gap: 0; width: ${columns * 100}px`;
      box.innerHTML = heights
        .map((height) => `<div style="break-inside: avoid; height: ${height}px"></div>`)
        .join('');
      document.body.append(box);
      const found = [...box.children].map((each) => {
        const { left, top } = each.getBoundingClientRect();
        return [left / 100, top];
      });
      box.remove();
      return found;
    });
  }, sets);
  sets.forEach(({ columns, heights }, i) => {
    const own = balanced(heights, columns);
    expect(laid[i], `${columns} of ${heights.join(' ')}`).toEqual(
      own.columns.map((column, n) => [column, own.tops[n]])
    );
  });
});

test('leaves over what the columns differ by', () => {
  expect(leftover(packed([100, 50, 40], 2))).toBe(10);
  expect(leftover(balanced([100, 50, 40], 2))).toBe(10);
  expect(inRows([100, 50, 40], 2)).toEqual({ columns: [0, 1, 0], tops: [0, 0, 100], ends: [140, 50] });
});
