import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import type { AssetId, Asset, Project } from '../src/core/project/types';
import { apply } from '../src/core/commands/apply';
import { registry } from '../src/core/whole';
import { readFace } from '../src/server/typefaces';
import { exported } from './support/exported';
import { expect, test } from './support/test';
import { bytes as demoBytes, demo } from './support/visit';
import { Bench } from './support/workbench';

const PATH = resolve('node_modules/@fontsource-variable/fraunces/files/fraunces-latin-wght-normal.woff2');
const FILE = new Uint8Array(readFileSync(PATH));

/** The demo with Fraunces as a file, on all of its pages. */
function withFraunces(): Project {
  const read = readFace(FILE);
  if (!read.ok) throw new Error(read.sentence);
  const asset: Asset = {
    id: 'fraunces' as AssetId,
    file: 'fraunces.woff2',
    type: 'font/woff2',
    width: null,
    height: null,
    bytes: FILE.length,
    face: { ...read.face, family: 'Fraunces' }
  };
  const outcome = apply(registry, demo, {
    type: 'batch',
    label: '',
    commands: [
      { type: 'add-asset', asset },
      {
        type: 'set-style',
        id: 'visit-page',
        part: 'root',
        state: 'rest',
        condition: 'always',
        property: 'font-family',
        value: '"Fraunces", serif'
      }
    ]
  });
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

const made = () => exported(withFraunces(), new Map([...demoBytes, ['fraunces' as AssetId, FILE]]));

test('a typeface goes along with the letters of the page, and Chromium draws it', async ({ page }) => {
  const { url, files, problems, folder } = await made();
  expect(problems).toEqual([]);
  expect(files.get('style.css')).toContain('font-family: "Fraunces", "Fraunces fallback", serif;');
  const shipped = readFileSync(resolve(folder, 'assets/fraunces.woff2'));
  expect(shipped.length).toBeLessThan(FILE.length);
  await page.goto(url);
  const drawn = await page.evaluate(async () => {
    await document.fonts.ready;
    const face = [...document.fonts].find(({ family }) => /Fraunces"?$/.test(family))!;
    return [face.status, face.weight];
  });
  expect(drawn).toEqual(['loaded', '100 900']);
});

test('hardly anything shifts when it comes: Chromium reports less than a thousandth', async ({ page }) => {
  const { url } = await made();
  // The file is held back until the page stands in its fall-back.
  let release = () => {};
  const held = new Promise<void>((resolve) => (release = resolve));
  await page.route(/fraunces\.woff2$/, async (route) => {
    await held;
    await route.continue();
  });
  await page.addInitScript(() => {
    const shifts: number[] = ((window as unknown as { shifts: number[] }).shifts = []);
    new PerformanceObserver((list) => {
      for (const each of list.getEntries()) shifts.push((each as unknown as { value: number }).value);
    }).observe({ type: 'layout-shift', buffered: true });
  });
  await page.goto(url, { waitUntil: 'domcontentloaded' });
  const heights = () =>
    page.evaluate(() =>
      [...document.querySelectorAll('p, h1, h2')].map((each) => each.getBoundingClientRect().height)
    );
  const before = await heights();
  release();
  await page.waitForFunction(() =>
    [...document.fonts].some(({ status, family }) => status === 'loaded' && !/fallback/.test(family))
  );
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  // Letters have other widths one by one, so a line that is full to the last may break a word earlier.
  const after = await heights();
  expect(after.filter((height, i) => height !== before[i]).length).toBeLessThanOrEqual(1);
  const shifts = await page.evaluate(() => (window as unknown as { shifts: number[] }).shifts);
  expect(shifts.reduce((sum, each) => sum + each, 0)).toBeLessThan(0.001);
});

test('is added by hand, used on the page, and drawn in the preview; what is none is refused', async ({
  page
}) => {
  const bench = await Bench.openDemo(page);
  await page.keyboard.press('Shift+T');
  const panel = page.getByRole('dialog', { name: 'Tokens' });
  const input = panel.locator('input[type=file][accept*="woff2"]');
  await input.setInputFiles({
    name: 'broken.woff2',
    mimeType: 'font/woff2',
    buffer: Buffer.from('wOF2 and no more')
  });
  await expect(panel.getByRole('alert')).toContainText('broken.woff2 is damaged or no typeface');
  await input.setInputFiles(PATH);
  await expect(panel.locator('[data-face]')).toContainText(/Fraunces/);
  await expect(panel.getByRole('alert')).toHaveCount(0);
  await panel.getByRole('button', { name: 'Use on this page' }).click();
  const drawn = () =>
    bench.preview
      .locator('body')
      .evaluate(() => [...document.fonts].map(({ family, status }) => `${family} ${status}`));
  await expect.poll(drawn).toEqual([expect.stringMatching(/^"?Fraunces.* loaded$/)]);
  await expect
    .poll(() => bench.preview.locator('body').evaluate((body) => getComputedStyle(body).fontFamily))
    .toMatch(/^"?Fraunces/);
  await bench.saved();
  await page.reload();
  await expect.poll(drawn).toEqual([expect.stringMatching(/loaded$/)]);
});
