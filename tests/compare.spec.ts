import { PNG } from 'pngjs';
import { expect, test } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { Bench } from './support/workbench';

test('two versions stand side by side, over one another, and in words', async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await page.keyboard.press('h');
  const history = page.getByRole('dialog', { name: 'History' });
  await history.getByRole('textbox', { name: 'Name of the version' }).fill('Before the talk');
  await history.getByRole('button', { name: 'Keep version' }).click();
  await expect(history.getByText('Before the talk')).toBeVisible();
  await page.keyboard.press('Escape');
  await bench.pick('Welcome heading');
  await bench.view('Fill');
  await page.getByRole('textbox', { name: 'Text', exact: true }).fill('An orchard with other names');
  await page.keyboard.press('Tab');
  await bench.pick('Plan heading');
  await page.keyboard.press('Shift+H');
  const dialog = page.getByRole('dialog', { name: 'Compare two versions' });
  await expect(dialog.getByRole('combobox', { name: 'Now against' })).toContainText('Before the talk');
  const words = dialog.getByRole('list', { name: 'Differences' }).getByRole('listitem');
  await expect(words).toHaveCount(1);
  await expect(words).toContainText('An orchard with other names');
  const then = dialog.frameLocator('iframe[title^="Then"]').locator('h1');
  const now = dialog.frameLocator('iframe[title^="Now"]').locator('h1');
  await expect(then).toHaveText('An orchard that has kept its old names');
  await expect(now).toHaveText('An orchard with other names');
  // A difference leads to its piece.
  await words.getByRole('button', { name: 'Welcome heading' }).click();
  await dialog.getByRole('tab', { name: 'One over the other' }).click();
  await dialog.getByRole('slider', { name: 'Then or now' }).press('End');
  await expect(then).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  await expect(bench.row('Welcome heading')).toHaveAttribute('aria-selected', 'true');
});

/** How many pixels of a picture are not black, but for its rim, which may show what is around it. */
function lit(picture: Buffer): number {
  const { data, width, height } = PNG.sync.read(picture);
  let count = 0;
  for (let y = 1; y < height - 1; y += 1)
    for (let x = 1; x < width - 1; x += 1) {
      const at = 4 * (y * width + x);
      if (data[at]! + data[at + 1]! + data[at + 2]! > 30) count += 1;
    }
  return count;
}

test(
  'what differs is lit at three widths at once, and only at those where it differs',
  thorough,
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Plan heading');
    await page.getByRole('tab', { name: '≤ narrow', exact: true }).click();
    await bench.view('States');
    await bench.set('font-size', 'Type size', 'rest', '51px');
    await bench.pick('Plan heading');
    await page.keyboard.press('Shift+H');
    const dialog = page.getByRole('dialog', { name: 'Compare two versions' });
    await dialog.getByRole('combobox', { name: 'Now against' }).selectOption({ index: 0 });
    await dialog.getByRole('tab', { name: 'What differs' }).click();
    const widths = dialog.getByRole('group', { name: /^What differs at \d+ px$/ });
    await expect(widths).toHaveCount(3);
    await dialog.getByRole('list', { name: 'Differences' }).getByRole('button').first().click();
    const paper = (n: number) => widths.nth(n).locator('.laid');
    // The widest first; of the wide ones nothing is lit once both versions have come.
    await expect.poll(async () => lit(await paper(2).screenshot())).toBeGreaterThan(0);
    await expect.poll(async () => lit(await paper(1).screenshot())).toBe(0);
    await expect.poll(async () => lit(await paper(0).screenshot())).toBe(0);

    // A width out of range becomes the nearest that can be shown, also where that is shown already.
    const width = dialog.getByRole('spinbutton', { name: 'Width' });
    for (const typed of ['100', '12']) {
      await width.fill(typed);
      await width.press('Tab');
      await expect(width).toHaveValue('280');
    }
    await expect(widths).toHaveCount(1);
    await dialog.getByRole('button', { name: 'Three widths again' }).click();
    await expect(widths).toHaveCount(3);
  }
);

test(
  'a file that is no project is refused in one sentence, and the comparison stays',
  inTurn(2),
  async ({ page }) => {
    await Bench.openDemo(page);
    await page.keyboard.press('Shift+H');
    const dialog = page.getByRole('dialog', { name: 'Compare two versions' });
    await dialog.getByLabel('A project file…').setInputFiles({
      name: 'notes.kymation',
      mimeType: 'application/zip',
      buffer: Buffer.from('no zip')
    });
    await expect(dialog.getByRole('alert')).toContainText('notes.kymation');
    await expect(dialog.getByText('No differences.')).toBeVisible();
  }
);
