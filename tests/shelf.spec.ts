import { expect, test } from './support/test';
import { Bench } from './support/workbench';

test('a piece goes on the shelf, is placed linked on another page, and follows when it is updated', async ({
  page
}) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Welcome heading');
  await page.keyboard.press('Shift+S');
  const shelf = page.getByRole('dialog', { name: 'Shelf' });
  await shelf.getByRole('button', { name: 'Put Welcome heading on the shelf' }).click();
  await page.getByRole('combobox', { name: 'Page' }).selectOption({ index: 1 });
  await page.getByRole('treeitem').first().click();
  await shelf.getByRole('button', { name: 'Place linked' }).click();
  const copy = bench.preview.getByRole('heading', { name: 'An orchard that has kept its old names' });
  await expect(copy).toBeVisible();
  await page.getByRole('combobox', { name: 'Page' }).selectOption({ index: 0 });
  await bench.pick('Welcome heading');
  await bench.view('Fill');
  await page.getByRole('textbox', { name: 'Text', exact: true }).fill('An orchard with new names');
  await expect(page.getByRole('button', { name: 'linked, changed' })).toBeVisible();
  await shelf.getByRole('button', { name: 'Update the shelf and 1 other' }).click();
  await page.getByRole('combobox', { name: 'Page' }).selectOption({ index: 1 });
  await expect(bench.preview.getByRole('heading', { name: 'An orchard with new names' })).toBeVisible();
  // What is in use does not go by accident, and everything can be taken back.
  await shelf.getByRole('button', { name: 'Take Welcome heading off the shelf' }).click();
  await expect(shelf.getByRole('alert')).toContainText('Welcome heading is followed by');
  await shelf.getByRole('button', { name: 'Detach all 2 and take it off' }).click();
  await expect(shelf.getByText('Nothing here yet')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(shelf.getByRole('textbox', { name: 'Name of Welcome heading' })).toBeVisible();
  await bench.saved();
  await bench.reopen();
  await expect(bench.preview.getByRole('heading', { name: 'An orchard with new names' })).toBeVisible();
  await page.keyboard.press('Shift+S');
  await expect(shelf.getByRole('textbox', { name: 'Name of Welcome heading' })).toBeVisible();
});
