import { demo as project } from './support/demo';
import { expect, test } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { softPictures } from '../src/core/compile/softness';
import type { Project } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { Bench } from './support/workbench';

const frames = (page: Bench['page']) => page.locator('.paper iframe');

test(
  'three devices stand side by side, each with its size, its hands and its type, and are scrolled together',
  inTurn(3),
  async ({ page }) => {
    await Bench.openDemo(page);
    await page.getByRole('button', { name: 'Devices', exact: true }).click();
    await expect(frames(page)).toHaveCount(3);
    const sizes = () =>
      frames(page).evaluateAll((all) => all.map((each) => [each.clientWidth, each.clientHeight]));
    await expect.poll(sizes).toEqual([
      [390, 760],
      [820, 1080],
      [1366, 660]
    ]);
    // What is touched is under that condition, whatever is tried elsewhere.
    const root = (n: number) => frames(page).nth(n).contentFrame().locator('html');
    await expect(root(0)).toHaveAttribute('data-k-touch', '');
    await expect(root(2)).not.toHaveAttribute('data-k-touch', '');
    // A wheel on one of them takes the others along.
    await frames(page).nth(2).hover();
    await page.mouse.wheel(0, 2000);
    for (const n of [0, 1])
      await expect.poll(() => root(n).evaluate((each) => each.scrollTop)).toBeGreaterThan(0);
    // A larger type of the reader's own reaches what is written in rem.
    await page.keyboard.press('Shift+V');
    await page.getByRole('textbox', { name: 'Type size of Phone', exact: true }).fill('150');
    await page.keyboard.press('Tab');
    await expect(root(0)).toHaveCSS('font-size', '24px');
    await expect(root(1)).toHaveCSS('font-size', '16px');
    await page.getByRole('checkbox', { name: /Someone is typing/ }).click();
    await expect(page.getByText('keyboard', { exact: true })).toHaveCount(2);
  }
);

test(
  'devices of one’s own stay in the browser; what cannot be is told, and changes nothing',
  thorough,
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await page.keyboard.press('Shift+V');
    await page.getByRole('button', { name: 'Add a device' }).click();
    const name = page.getByRole('textbox', { name: 'Name of Another' });
    await name.fill('Kiosk by the gate');
    await name.press('Tab');
    const width = page.getByRole('textbox', { name: 'Width of Kiosk by the gate' });
    await width.fill('12000');
    await width.press('Tab');
    await expect(page.getByRole('alert')).toContainText('Widths go from 280 to 1920 px');
    await expect(width).toHaveValue('600');
    await width.fill('1080');
    await width.press('Tab');
    for (const each of ['Show Tall screen', 'Show Kiosk by the gate'])
      await page.getByRole('checkbox', { name: each }).click();
    await expect(frames(page)).toHaveCount(5);
    await page.getByRole('checkbox', { name: 'Show Small phone' }).click();
    await expect(page.getByRole('alert')).toContainText('5 at most stand side by side');
    await expect(page.getByRole('checkbox', { name: 'Show Small phone' })).not.toBeChecked();
    await page.reload();
    await expect(bench.row('Header')).toBeVisible();
    await page.keyboard.press('Shift+V');
    await expect(page.getByRole('textbox', { name: 'Width of Kiosk by the gate' })).toHaveValue('1080');
    await page.getByRole('button', { name: 'Those it came with' }).click();
    await expect(page.getByRole('textbox', { name: 'Name of Kiosk by the gate' })).toHaveCount(0);
  }
);

test('a picture is soft on a screen that shows more pixels than it has', () => {
  const [page] = project.info.pageOrder.map((id) => project.pages[id]!);
  const photo = Object.values(project.assets).find(({ file }) => file === 'orchard-blossom.svg')!;
  const asPhoto: Project = {
    ...project,
    assets: { ...project.assets, [photo.id]: { ...photo, type: 'image/jpeg', width: 500, height: 350 } }
  };
  const on = (of: Project, ratio: number) => softPictures(registry, of, page!.root, { width: 1366, ratio });
  // Drawings have no pixels to lack.
  expect(on(project, 3)).toBe(0);
  expect(on(asPhoto, 1)).toBe(0);
  expect(on(asPhoto, 3)).toBe(1);
});
