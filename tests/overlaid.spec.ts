import { makeWith } from '../src/core/kinds/make';
import { axeViolations } from './support/axe';
import { expect, test } from './support/test';
import { inTurn } from './support/thorough';
import { changed, open, put } from './support/visit';
import { Bench } from './support/workbench';

const make = makeWith({ exactIds: true });

test('a layer is dragged in the page, per band, and what it covers there is said', async ({ page }) => {
  const bench = await Bench.openNew(page);
  await bench.pick('First section');
  await bench.insert('layers');
  await bench.pick('Layers');
  await bench.view('Fill');
  await page
    .getByRole('combobox', { name: 'Least height' })
    .or(page.getByRole('textbox', { name: 'Least height' }))
    .first()
    .fill('300px');
  await page.keyboard.press('Enter');
  await bench.pick('Words layer');
  await expect(
    page.getByText('At this width it covers Picture layer and is covered by nothing.')
  ).toBeVisible();
  const layer = bench.preview.locator('[data-k^="layer-"]').last();
  const pile = bench.preview.locator('[data-k^="layers-"]');
  const drag = async (dx: number, dy: number) => {
    const box = (await layer.boundingBox())!;
    await page.mouse.move(box.x + 10, box.y + 10);
    await page.mouse.down();
    for (let n = 1; n <= 5; n += 1)
      await page.mouse.move(box.x + 10 + (dx * n) / 5, box.y + 10 + (dy * n) / 5);
    await page.mouse.up();
  };
  // Far beyond the corner: it stays inside.
  await drag(-2000, -2000);
  const inside = async () => {
    const [own, around] = [(await layer.boundingBox())!, (await pile.boundingBox())!];
    return [own.x - around.x, own.y - around.y].map((px) => Math.abs(Math.round(px)));
  };
  await expect.poll(inside).toEqual([0, 0]);
  await expect(page.getByRole('textbox', { name: 'Stands at' })).toHaveValue('0% 0%');
  await expect(page.getByText('At this width it covers nothing and is covered by nothing.')).toBeVisible();
  const before = (await layer.boundingBox())!;
  await drag(120, 60);
  await expect.poll(async () => Math.abs((await layer.boundingBox())!.x - before.x - 120)).toBeLessThan(1);
  await expect.poll(async () => Math.abs((await layer.boundingBox())!.y - before.y - 60)).toBeLessThan(1);
  // One drag is one step of the history.
  await page.keyboard.press('Control+z');
  await expect.poll(inside).toEqual([0, 0]);
  const width = page.getByRole('slider', { name: 'Width of the preview' });
  await width.press('Home');
  await drag(20, 40);
  await expect(page.getByText(/stands there in the narrow band only/)).toBeVisible();
  expect(await inside()).not.toEqual([0, 0]);
  await width.press('End');
  await expect.poll(inside).toEqual([0, 0]);
});

test('a side panel opens over the page without script, closes on Escape and beside it, and gives the focus back', async ({
  blank: page
}) => {
  const drawer = make(
    'drawer',
    'Tools',
    { label: 'Tools', side: 'end', width: '300px' },
    {
      content: [
        make('heading', 'Tools heading', { text: 'In the shed', level: '2' }),
        make('button', 'Sharpen', { label: 'Sharpen' })
      ]
    }
  );
  await open(page, changed(put(drawer, 2)));
  const panel = page.getByRole('dialog', { name: 'Tools' });
  const button = page.getByRole('button', { name: 'Tools' });
  await expect(panel).toBeHidden();
  await button.click();
  await expect(panel).toBeVisible();
  expect(await panel.boundingBox()).toMatchObject({ x: 980, y: 0, width: 300, height: 900 });
  expect(await axeViolations(page)).toEqual([]);
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: 'Close' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(panel).toBeHidden();
  await expect(button).toBeFocused();
  await button.press('Enter');
  await page.mouse.click(40, 600);
  await expect(panel).toBeHidden();
  await page.setViewportSize({ width: 320, height: 600 });
  await button.click();
  // Nine tenths of the window at most.
  expect((await panel.boundingBox())!.width).toBeCloseTo(288, 0);
  await panel.getByRole('button', { name: 'Close' }).click();
  await expect(panel).toBeHidden();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText('In the shed')).toBeVisible();
});

test('a side panel comes out in the preview when what is in it is picked', inTurn(2), async ({ page }) => {
  const bench = await Bench.openNew(page);
  await bench.pick('First section');
  await bench.insert('side panel');
  await expect(bench.preview.getByText('What stands at the side')).toBeHidden();
  await bench.row('Panel heading').click();
  await expect(bench.preview.getByText('What stands at the side')).toBeVisible();
  await bench.row('First section').click();
  await expect(bench.preview.getByText('What stands at the side')).toBeHidden();
});

test('a header at the side is as high as the window and stays, and stands above in the narrow band', async ({
  blank: page
}) => {
  await open(page, changed({ type: 'set-setting', id: 'header', key: 'aside', value: '240px' }));
  const header = page.locator('body > header');
  const main = page.locator('main');
  expect(await header.boundingBox()).toMatchObject({ x: 0, y: 0, width: 240, height: 900 });
  expect(await main.boundingBox()).toMatchObject({ x: 240, y: 0, width: 1040 });
  await page.mouse.wheel(0, 700);
  await expect.poll(() => page.evaluate(() => scrollY)).toBeGreaterThan(400);
  expect(await header.boundingBox()).toMatchObject({ x: 0, y: 0 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(1280);
  expect(await axeViolations(page)).toEqual([]);
  await page.setViewportSize({ width: 600, height: 900 });
  await page.evaluate(() => scrollTo(0, 0));
  expect(await header.boundingBox()).toMatchObject({ x: 0, y: 0, width: 600 });
  expect((await main.boundingBox())!.y).toBeGreaterThanOrEqual((await header.boundingBox())!.height);
  expect((await header.boundingBox())!.height).toBeLessThan(300);
});
