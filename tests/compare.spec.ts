import { expect, test } from './support/test';
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
  const words = dialog.getByRole('list', { name: 'What is otherwise' }).getByRole('listitem');
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

test('a file that is no project is refused in one sentence, and the comparison stays', async ({ page }) => {
  await Bench.openDemo(page);
  await page.keyboard.press('Shift+H');
  const dialog = page.getByRole('dialog', { name: 'Compare two versions' });
  await dialog.getByLabel('A project file…').setInputFiles({
    name: 'notes.kymation',
    mimeType: 'application/zip',
    buffer: Buffer.from('no zip')
  });
  await expect(dialog.getByRole('alert')).toContainText('notes.kymation');
  await expect(dialog.getByText('Nothing is otherwise.')).toBeVisible();
});
