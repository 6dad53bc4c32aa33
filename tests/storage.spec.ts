import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { readProjectFile } from '../src/core/formats/project-file';
import { registry } from '../src/core/whole';
import { alone, expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { Bench } from './support/workbench';

// Every context of these tests is a private window: nothing of it outlives it. So they all show that one
// works there.

const heading = (page: Page) => page.getByRole('textbox', { name: 'Text', exact: true });

/** Saves the project as a file, as the export offers it. @returns its words. */
async function takenAway(page: Page): Promise<string> {
  await page.keyboard.press('Control+e');
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the project file (.kymation)' }).click();
  const read = readProjectFile(registry, new Uint8Array(readFileSync(await (await waiting).path())));
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  return read.ok ? JSON.stringify(read.project) : read.sentence;
}

test(
  'storage forbidden from the start: told in every view, one can work, and take the work away',
  inTurn(4),
  async ({ page }) => {
    await page.addInitScript(() => {
      // What a browser does whose user blocks the data of all sites.
      const denied = () => {
        throw new DOMException('denied', 'SecurityError');
      };
      IDBFactory.prototype.open = denied;
      for (const name of ['localStorage', 'sessionStorage'])
        Object.defineProperty(window, name, { get: denied });
    });
    await page.goto('/');
    await expect(page.getByText('This browser lets no site store data here')).toBeVisible();
    await page.getByRole('link', { name: 'Open Quillmere Orchard' }).click();
    const bench = new Bench(page);
    await expect(page.getByText('Kept in this window only')).toBeVisible();
    await expect(page.getByText('This browser lets no site store data here')).toBeVisible();
    await bench.pick('Plan heading');
    await bench.view('Fill');
    await heading(page).fill('Plan your day');
    await expect(bench.preview.locator('.plan-heading')).toHaveText('Plan your day');
    expect(await takenAway(page)).toContain('"Plan your day"');
  }
);

test('storage that fails for another reason is no empty list: it says so, and projects are there when it answers', async ({
  page
}) => {
  await page.addInitScript(() => {
    const open = IDBFactory.prototype.open;
    IDBFactory.prototype.open = function (this: IDBFactory, ...args: [string, number?]) {
      if (localStorage.getItem('disk') === 'sick')
        throw new DOMException('Internal error opening backing store', 'UnknownError');
      return open.apply(this, args);
    };
  });
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Open Quillmere Orchard' })).toBeVisible();
  await page.evaluate(() => localStorage.setItem('disk', 'sick'));
  await page.reload();
  await expect(page.getByRole('alert')).toContainText('did not answer, so your projects could not be read');
  await expect(page.getByText(/lets no site store data|no projects in this browser/)).toHaveCount(0);
  await page.evaluate(() => localStorage.removeItem('disk'));
  await page.reload();
  await expect(page.getByRole('link', { name: 'Open Quillmere Orchard' })).toBeVisible();
});

// In a profile of its own: Chromium goes by the room it knew of up to half a minute ago (from memory).
alone(
  'a real quota that runs full: told, still exportable, and saved when there is room',
  thorough,
  async ({ page }) => {
    const devtools = await page.context().newCDPSession(page);
    const origin = new URL(test.info().project.use.baseURL!).origin;
    await devtools.send('Storage.overrideQuotaForOrigin', { origin, quotaSize: 2_000_000 });
    const bench = await Bench.openDemo(page);
    await bench.pick('Welcome');
    await bench.view('Fill');
    const field = page.getByRole('group', { name: 'Background picture' });
    await field.getByRole('button').first().click();
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      field.getByRole('button', { name: 'Add a picture' }).first().click()
    ]);
    // Noise does not pack: larger than the quota.
    const buffer = await sharp(randomBytes(1200 * 1000 * 3), {
      raw: { width: 1200, height: 1000, channels: 3 }
    })
      .png()
      .toBuffer();
    await chooser.setFiles({ name: 'noise.png', mimeType: 'image/png', buffer });
    await expect(page.getByText('storage is full').first()).toBeVisible();
    await bench.pick('Plan heading');
    await heading(page).fill('Plan your day');
    await expect(bench.preview.locator('.plan-heading')).toHaveText('Plan your day');
    expect(await takenAway(page)).toMatch(/noise\.png.*"Plan your day"|"Plan your day".*noise\.png/);
    await devtools.send('Storage.overrideQuotaForOrigin', { origin });
    await heading(page).fill('Plan your day out');
    await bench.saved();
    await page.reload();
    await expect(bench.preview.locator('.plan-heading')).toHaveText('Plan your day out');
    await bench.pick('Welcome');
    await bench.view('Fill');
    await field.getByRole('button').first().click();
    await expect(field.getByRole('button', { name: 'noise.png', exact: true })).toHaveAttribute(
      'aria-pressed',
      'true'
    );
  }
);
