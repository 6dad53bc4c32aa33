import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import type { AssetId, Asset, Project } from '../src/core/project/types';
import { apply } from '../src/core/commands/apply';
import { registry } from '../src/core/whole';
import { readFace } from '../src/server/typefaces';
import { exported } from './support/exported';
import { expect, test } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { bytes as demoBytes, demo } from './support/visit';
import { Bench } from './support/workbench';

const PATH = resolve('node_modules/@fontsource-variable/fraunces/files/fraunces-latin-wght-normal.woff2');
const FILE = new Uint8Array(readFileSync(PATH));

/** The demo with Fraunces as a file, on all of its pages. */
function withFraunces(late: 'changes' | null): Project {
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
      { type: 'set-face-late', id: asset.id, late },
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

const made = (late: 'changes' | null = null) =>
  exported(withFraunces(late), new Map([...demoBytes, ['fraunces' as AssetId, FILE]]));

test(
  'a typeface goes along with the letters of the page, and Chromium draws it',
  inTurn(3),
  async ({ blank: page }) => {
    const { url, files, problems, folder } = await made('changes');
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
    expect(await drawnIn(page, 'main p')).toEqual([expect.stringContaining('Fraunces')]);
  }
);

/** Names of the typefaces that Chromium drew an element’s letters in. */
async function drawnIn(page: Page, selector: string): Promise<readonly string[]> {
  const session = await page.context().newCDPSession(page);
  await session.send('DOM.enable');
  await session.send('CSS.enable');
  const { root } = await session.send('DOM.getDocument');
  const { nodeId } = await session.send('DOM.querySelector', { nodeId: root.nodeId, selector });
  const { fonts } = await session.send('CSS.getPlatformFontsForNode', { nodeId });
  return fonts.map(({ familyName }) => familyName);
}

/** The page while its typeface is held back, and after it has come. */
async function late(page: Page, late: 'changes' | null) {
  const { url } = await made(late);
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
  const boxes = () =>
    page.evaluate(() =>
      [...document.querySelectorAll('body *')].map((each) => {
        const { x, y, width, height } = each.getBoundingClientRect();
        return { name: each.localName, x, y, width, height };
      })
    );
  await page.waitForFunction(() => performance.getEntriesByName('first-contentful-paint').length > 0);
  const before = await boxes();
  const came = page.waitForEvent('requestfinished', (request) => request.url().endsWith('fraunces.woff2'));
  release();
  await came;
  await page.evaluate(() => document.fonts.ready);
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  const shifts = await page.evaluate(() => (window as unknown as { shifts: number[] }).shifts);
  return { before, after: await boxes(), shift: shifts.reduce((sum, each) => sum + each, 0) };
}

test('is asked for first where it is drawn from the start or not at all', inTurn(8), async ({ page }) => {
  const { url, files } = await made();
  expect(files.get('index.html')).toContain(
    '<link rel="preload" href="assets/fraunces.woff2" as="font" crossorigin="anonymous">'
  );
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url().split('/').at(-1)!));
  await page.goto(url);
  expect(asked.slice(0, 2)).toEqual([expect.any(String), 'fraunces.woff2']);
});

test('nothing moves where it comes late, and nothing shifts, as Chromium reports it', async ({ page }) => {
  const { before, after, shift } = await late(page, null);
  expect(before.length).toBeGreaterThan(50);
  expect(after).toEqual(before);
  expect(shift).toBe(0);
});

test('where the page changes over to it, less than a thousandth shifts', thorough, async ({ page }) => {
  const { before, after, shift } = await late(page, 'changes');
  const heights = (all: typeof before) => all.filter(({ name }) => /^(?:p|h[12])$/.test(name));
  // Letters have other widths one by one, so a line that is full to the last may break a word earlier.
  const moved = heights(after).filter(({ height }, i) => height !== heights(before)[i]!.height);
  expect(moved.length).toBeLessThanOrEqual(1);
  expect(after).not.toEqual(before);
  expect(shift).toBeLessThan(0.001);
});

test(
  'is added by hand, used on the page, and drawn in the preview; what is none is refused',
  inTurn(6),
  async ({ page }) => {
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
    const choice = panel.getByRole('combobox', { name: 'If it comes late' });
    await choice.selectOption({ label: 'the page changes over to it' });
    await expect(choice).toHaveValue('changes');
    await bench.saved();
    await bench.reopen();
    await expect.poll(drawn).toEqual([expect.stringMatching(/loaded$/)]);
  }
);
