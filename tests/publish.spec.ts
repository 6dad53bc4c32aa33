import { expect, test } from './support/test';
import { Bench } from './support/workbench';

test('a project is published to an address of its own, changed, published again and taken back', async ({
  page,
  profile
}) => {
  const bench = await Bench.openDemo(page);
  await page.keyboard.press('Control+Shift+P');
  const dialog = page.getByRole('dialog', { name: 'Publish on this machine' });
  const name = dialog.getByRole('textbox', { name: 'Name' });
  await expect(name).toHaveValue('quillmere-orchard');
  // What can be no address is refused, and nothing is lost.
  await name.fill('Not an address');
  await dialog.getByRole('button', { name: /^Publish all/ }).click();
  await expect(dialog.getByRole('alert')).toContainText('small letters, digits and hyphens');
  await name.fill('orchard');
  await name.press('Tab');
  await expect(dialog.getByText('Nothing is published under this name yet.')).toBeVisible();
  await dialog.getByRole('button', { name: /^Publish all/ }).click();
  const link = dialog.getByRole('link', { name: /\/orchard\/$/ });
  await expect(link).toBeVisible();
  const address = (await link.getAttribute('href'))!;
  // Another origin than the app's, so that nothing of a page reaches its data.
  expect(new URL(address).origin).not.toBe(new URL(page.url()).origin);
  const site = await profile.newPage();
  await site.goto(address);
  await expect(site.getByRole('heading', { level: 1 })).toHaveText('An orchard that has kept its old names');
  await site.getByRole('tab', { name: 'Harvest' }).click();
  await expect(site.getByRole('tabpanel', { name: 'Harvest' })).toBeVisible();

  await page.keyboard.press('Escape');
  await bench.pick('Welcome heading');
  await bench.view('Fill');
  await page.getByRole('textbox', { name: 'Text', exact: true }).fill('An orchard with other names');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Control+Shift+P');
  await expect(name).toHaveValue('orchard');
  await dialog.getByRole('button', { name: /^Publish all/ }).click();
  await expect(dialog.getByRole('row')).toHaveCount(3);
  await expect(dialog.getByRole('row').nth(1)).toContainText('1 changed');
  await site.reload();
  await expect(site.getByRole('heading', { level: 1 })).toHaveText('An orchard with other names');
  await dialog.getByRole('button', { name: 'Go back to it' }).click();
  await expect(dialog.getByRole('row').nth(2)).toContainText('on show');
  await site.reload();
  await expect(site.getByRole('heading', { level: 1 })).toHaveText('An orchard that has kept its old names');
});

test('only the app itself may publish', async ({ page, baseURL }) => {
  const from = (origin: string) =>
    page.request.post(`${baseURL}/api/publish/orchard`, {
      headers: { origin, 'content-type': 'application/zip' },
      data: Buffer.from('no zip')
    });
  expect((await from('http://evil.example')).status()).toBe(403);
  const refused = await from(baseURL!);
  expect([refused.status(), (await refused.json()).sentence]).toEqual([
    400,
    expect.stringContaining('index.html')
  ]);
});
