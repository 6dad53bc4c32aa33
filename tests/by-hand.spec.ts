import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import stylelint from 'stylelint';
import type { PageId } from '../src/core/project/types';
import { exported } from './support/exported';
import { figuresOf } from './support/figures';
import { idleDeclarations } from './support/idle';
import { expect, test } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { bytes, demo } from './support/visit';

/** The visit page of the demo, written by hand with the same look and behaviour: the measure of what leaves. */
const HAND = new URL('./by-hand/', import.meta.url).pathname;
const read = (file: string) => readFileSync(join(HAND, file), 'utf8');

/** The visit page alone, as it leaves. */
const visit = () => exported({ ...demo, info: { ...demo.info, pageOrder: ['visit' as PageId] } }, bytes);

test('the style sheet of the visit page reads as one written by hand', async () => {
  const { files } = await visit();
  const css = files.get('style.css')!;
  const hand = read('index.css');
  const [own, measure] = [figuresOf(css), figuresOf(hand)];
  expect(css.length / hand.length).toBeLessThanOrEqual(1.25);
  expect(gzipSync(css).length / gzipSync(hand).length).toBeLessThanOrEqual(1.25);
  expect(own.rules / measure.rules).toBeLessThanOrEqual(1.4);
  expect(own.declarations / measure.declarations).toBeLessThanOrEqual(1.4);
  expect(own.distinct).toBeGreaterThanOrEqual(0.6);
  expect(own.twice).toEqual([]);
});

test('the markup of the visit page is no longer than a third more than by hand', async () => {
  const { files } = await visit();
  expect(files.get('index.html')!.length / read('index.html').length).toBeLessThanOrEqual(1.3);
});

test('style sheets of the demo pass stylelint-config-standard', inTurn(8), async () => {
  for (const { files } of [await visit(), await exported(demo, bytes)]) {
    const { results } = await stylelint.lint({
      code: files.get('style.css')!,
      config: { extends: 'stylelint-config-standard' }
    });
    expect(results.flatMap(({ warnings }) => warnings.map(({ line, text }) => `${line}: ${text}`))).toEqual(
      []
    );
  }
});

test('hardly any declaration changes nothing', thorough, async ({ page }) => {
  const { folder, files } = await visit();
  const declarations = figuresOf(files.get('style.css')!).declarations;
  const idle = await idleDeclarations(page, folder, 'style.css', async () => {
    const menu = page.getByRole('button', { name: 'Menu' });
    if (await menu.isVisible()) await menu.click();
    await page.locator('[id="summer-tab"]:visible, [id="summer-header"]:visible').click();
    await page.evaluate(() => scrollTo(0, document.body.scrollHeight));
  });
  expect(idle.length / declarations, idle.join('\n')).toBeLessThanOrEqual(0.03);
});

test('the page by hand is measured by the same yard', inTurn(7), async ({ blank: page }) => {
  const folder = mkdtempSync(join(tmpdir(), 'by-hand-'));
  cpSync(HAND, folder, { recursive: true });
  const idle = await idleDeclarations(page, folder, 'index.css', async () => {
    const menu = page.getByRole('button', { name: 'Menu' });
    if (await menu.isVisible()) await menu.click();
    await page.locator('[id="summer-tab"]:visible, [id="summer-heading"]:visible').click();
    await page.evaluate(() => scrollTo(0, document.body.scrollHeight));
  });
  rmSync(folder, { recursive: true });
  expect(idle.length / figuresOf(read('index.css')).declarations, idle.join('\n')).toBeLessThanOrEqual(0.06);
});
