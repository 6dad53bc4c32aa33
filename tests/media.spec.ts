import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { readProjectFile } from '../src/core/formats/project-file';
import { registry } from '../src/core/whole';
import { exported } from './support/exported';
import { expect, test, type Locator, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { Bench } from './support/workbench';

// Films as files of the project, and pictures by their address. The film is made by the browser that runs the
// tests.

async function film(page: Page): Promise<Buffer> {
  const bytes = await page.evaluate(async () => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [160, 90];
    const context = canvas.getContext('2d')!;
    const recorder = new MediaRecorder(canvas.captureStream(20), { mimeType: 'video/webm' });
    const parts: Blob[] = [];
    recorder.ondataavailable = ({ data }) => parts.push(data);
    const done = new Promise((resolve) => (recorder.onstop = resolve));
    recorder.start();
    for (let n = 0; n < 12; n += 1) {
      context.fillStyle = `hsl(${n * 30} 60% 50%)`;
      context.fillRect(0, 0, 160, 90);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    recorder.stop();
    await done;
    return [...new Uint8Array(await new Blob(parts).arrayBuffer())];
  });
  return Buffer.from(bytes);
}

function read(file: Buffer) {
  const opened = readProjectFile(registry, new Uint8Array(file));
  if (!opened.ok) throw new Error(opened.sentence);
  expect(opened.notes).toEqual([]);
  return opened;
}

/** A new page with an image in it, whose picture is about to be chosen. */
async function withImage(page: Page): Promise<{ bench: Bench; field: Locator }> {
  const bench = await Bench.openNew(page);
  await bench.pick('First section');
  await bench.insert('image');
  await bench.view('Fill');
  const field = page.getByRole('group', { name: 'Picture', exact: true });
  await field.getByRole('button').first().click();
  return { bench, field };
}

/** Adds a PNG from disk in the open field of a picture. */
async function addPicture(page: Page, field: Locator, name: string, buffer: Buffer): Promise<void> {
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    field.getByRole('button', { name: 'Add a picture' }).first().click()
  ]);
  await chooser.setFiles({ name, mimeType: 'image/png', buffer });
}

/** Saves the project file by hand and opens what it exports to. */
async function openExport(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Export' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the project file (.kymation)' }).click();
  const { project, bytes } = read(readFileSync((await (await download).path())!));
  const made = await exported(project, bytes);
  expect(made.problems).toEqual([]);
  await page.goto(made.url);
}

test(
  'a film of the project plays in the preview and in the export, as a piece and behind a section',
  inTurn(4),
  async ({ page }) => {
    const bench = await Bench.openNew(page);
    const bytes = await film(page);
    await bench.pick('First section');
    await bench.insert('video');
    await bench.view('Fill');
    const field = page.getByRole('group', { name: 'Film', exact: true });
    const add = async (name: string, mimeType: string, buffer: Buffer) => {
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        field.getByRole('button', { name: 'Add a film' }).first().click()
      ]);
      await chooser.setFiles({ name, mimeType, buffer });
    };
    await field.getByRole('button').first().click();
    await add('notes.webm', 'video/webm', Buffer.from('no film at all'));
    await expect(field.getByRole('alert')).toContainText('notes.webm is no picture or film Kymation can use');
    await add('Blossom time.webm', 'video/webm', bytes);
    await expect(field.getByRole('button', { name: 'blossom-time.webm', exact: true })).toHaveAttribute(
      'aria-pressed',
      'true'
    );
    await expect(bench.preview.locator('video')).toHaveJSProperty('readyState', 4);
    await bench.pick('First section');
    const behind = page.getByRole('group', { name: 'Background film' });
    await behind.getByRole('button').first().click();
    await behind.getByRole('button', { name: 'blossom-time.webm', exact: true }).click();
    await expect
      .poll(() =>
        bench.preview.locator('section > video').evaluate((each: HTMLVideoElement) => each.currentTime)
      )
      .toBeGreaterThan(0);
    await bench.saved();

    // Taken out of use it can go; before that it says where it is.
    await behind.getByRole('button', { name: /^Delete blossom-time/ }).click();
    await expect(behind.getByRole('alert')).toContainText('Video');

    await openExport(page);
    await expect
      .poll(() => page.locator('section > video').evaluate((each: HTMLVideoElement) => each.currentTime))
      .toBeGreaterThan(0);
    await expect(page.locator('video[controls]')).toHaveJSProperty('videoWidth', 160);
  }
);

test.describe('a picture by its address', () => {
  let web: Server;
  let base = '';
  test.beforeAll(async () => {
    web = createServer((request, response) => {
      if (request.url === '/pictures/old%20press.svg')
        response.end(
          '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="30"><script>alert(1)</script><rect width="40" height="30" fill="#556b2f"/></svg>'
        );
      else if (request.url !== '/slow.png') response.writeHead(404).end();
    });
    await new Promise<void>((resolve) => web.listen(0, '127.0.0.1', resolve));
    base = `http://127.0.0.1:${(web.address() as AddressInfo).port}`;
  });
  test.afterAll(() => {
    web.closeAllConnections();
    web.close();
  });

  test(
    'is fetched once, cleaned and kept; a wrong one says why, a slow one can be stopped',
    inTurn(3),
    async ({ page }) => {
      const { bench, field } = await withImage(page);
      await field.getByRole('button', { name: 'From an address…' }).click();
      const address = field.getByRole('textbox', { name: 'Address of the picture' });
      const give = async (text: string) => {
        await address.fill(text);
        await address.press('Enter');
      };
      await give('orchard.png');
      await expect(field.getByRole('alert')).toContainText('It starts with https://');
      await give(`${base}/none.png`);
      await expect(field.getByRole('alert')).toContainText('answered 404');
      await give(`${base}/slow.png`);
      await field.getByRole('button', { name: 'Stop' }).click();
      await expect(field.getByRole('button', { name: 'Fetch it' })).toBeVisible();
      await give(`${base}/pictures/old%20press.svg`);
      await expect(field.getByRole('button', { name: 'old-press.svg', exact: true })).toHaveAttribute(
        'aria-pressed',
        'true'
      );
      await expect(bench.preview.locator('img')).toHaveJSProperty('naturalWidth', 40);
      await page.keyboard.press('Control+z');
      await page.keyboard.press('Control+z');
      await expect(bench.preview.locator('img')).toHaveCount(0);
    }
  );
});

test(
  'a picture behind a section is repeated, each as wide as it should be, in the preview and in the export',
  thorough,
  async ({ page }) => {
    // Left half red, right half blue; one of them is to be 40 px wide.
    const picture = await sharp({ create: { width: 20, height: 20, channels: 3, background: '#ff0000' } })
      .composite([
        { input: { create: { width: 10, height: 20, channels: 3, background: '#0000ff' } }, left: 10, top: 0 }
      ])
      .png()
      .toBuffer();
    const bench = await Bench.openNew(page);
    await bench.pick('First section');
    await bench.view('Fill');
    const field = page.getByRole('group', { name: 'Background picture' });
    await field.getByRole('button').first().click();
    await addPicture(page, field, 'halves.png', picture);
    await expect(field.getByRole('button', { name: 'halves.png', exact: true })).toHaveAttribute(
      'aria-pressed',
      'true'
    );
    await page
      .getByRole('combobox', { name: 'The picture', exact: true })
      .selectOption({ label: 'is repeated' });
    await page.getByRole('textbox', { name: 'One of it is this wide' }).fill('40');
    await page.keyboard.press('Enter');
    await expect(bench.preview.locator('section > div[data-k-part="picture"]')).toHaveCSS(
      'background-size',
      '40px auto'
    );
    await expect(bench.preview.locator('section > div[data-k-part="picture"]')).toHaveCSS(
      'background-image',
      /^url\("blob:/
    );
    await bench.saved();
    await openExport(page);
    await page.setViewportSize({ width: 400, height: 300 });
    await page.evaluate(() =>
      document.querySelector<HTMLElement>('section > div')!.style.setProperty('background-position', '0 0')
    );
    const { data, info } = await sharp(
      await page.screenshot({ clip: { x: 0, y: 0, width: 200, height: 40 } })
    )
      .raw()
      .toBuffer({ resolveWithObject: true });
    const at = (x: number) => [
      ...data.subarray((20 * info.width + x) * info.channels, (20 * info.width + x) * info.channels + 3)
    ];
    for (const start of [0, 40, 120])
      expect([at(start + 8), at(start + 32)]).toEqual([
        [255, 0, 0],
        [0, 0, 255]
      ]);
  }
);

test(
  'a picture is cut to a shape in some widths, says how much of it is gone, and moves nothing as it comes',
  thorough,
  async ({ page }) => {
    // Twice as wide as high: its left half red, its right half blue.
    const picture = await sharp({ create: { width: 400, height: 200, channels: 3, background: '#ff0000' } })
      .composite([
        {
          input: { create: { width: 200, height: 200, channels: 3, background: '#0000ff' } },
          left: 200,
          top: 0
        }
      ])
      .png()
      .toBuffer();
    const { bench, field } = await withImage(page);
    await addPicture(page, field, 'halves.png', picture);
    await expect(bench.preview.locator('img')).toHaveJSProperty('naturalWidth', 400);
    await page.keyboard.press('Escape');
    await expect(page.getByText(/cut off$/)).toHaveCount(0);
    await page.getByRole('combobox', { name: 'Shape', exact: true }).selectOption({ label: '1 : 1' });
    await expect(page.getByText('50 % cut off', { exact: true })).toBeVisible();
    const point = page.getByRole('textbox', { name: 'What stays in sight' });
    await point.fill('0% 50%');
    await point.press('Enter');
    await bench.view('Fallbacks');
    await page.getByRole('combobox', { name: 'Shape, narrow' }).selectOption({ label: 'its own' });
    await bench.view('Fill');
    await expect(
      page.getByText('cut off: wide 50 %, medium 50 %, narrow 0 %', { exact: true })
    ).toBeVisible();
    await bench.saved();

    await openExport(page);
    const shown = page.locator('img');
    const box = async () => (await shown.boundingBox())!;
    /** Colours of the picture as it is drawn, at its left and at its right. */
    const ends = async () => {
      const { data, info } = await sharp(await shown.screenshot())
        .raw()
        .toBuffer({ resolveWithObject: true });
      return [0.1, 0.9].map((share) => {
        const at =
          (Math.floor(info.height / 2) * info.width + Math.floor(share * info.width)) * info.channels;
        // What is made smaller for the page is written anew, and off by a little.
        return data[at]! > data[at + 2]! ? 'red' : 'blue';
      });
    };
    for (const [width, ratio, colours] of [
      [1280, 1, ['red', 'red']],
      [600, 2, ['red', 'blue']]
    ] as const) {
      await page.setViewportSize({ width, height: 800 });
      await expect(shown).toHaveJSProperty('complete', true);
      const there = await box();
      expect(there.width / there.height).toBeCloseTo(ratio, 2);
      expect(await ends()).toEqual(colours);
      // As high before it has come.
      await page.route('**/*.{png,webp,avif}', () => {});
      await page.reload({ waitUntil: 'commit' });
      await expect.poll(box).toEqual(there);
      await page.unrouteAll({ behavior: 'ignoreErrors' });
      await page.reload();
    }
  }
);
