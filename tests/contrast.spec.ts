import { expect, test } from '@playwright/test';
import sharp from 'sharp';
import { textContrast } from '../src/core/cascade/contrast';
import { contrast } from '../src/core/colour/contrast';
import { TONE_GRID } from '../src/core/colour/tones';
import { apply } from '../src/core/commands/apply';
import type { Command } from '../src/core/commands/define';
import { makeWith } from '../src/core/kinds/make';
import type { AssetId, NodeId, PageId, Project, ProjectId } from '../src/core/project/types';
import { createProject } from '../src/core/project/create';
import { registry } from '../src/core/registry';
import { readTones } from '../src/server/tones';
import { exported } from './support/exported';

// Contrast over a picture is held to the pixels Chromium paints: the section is drawn without its words, brought down to the same
// grid, and the formula of WCAG 2.2 is applied to every cell.

const make = makeWith({ exactIds: true });
const WORDS = '#f6efe0';

/** A picture of many tones and hues, the same at every run. */
async function photo(): Promise<Uint8Array> {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="640" height="400"><defs><linearGradient id="a" x2="1" y2="1"><stop stop-color="#0d2b12"/><stop offset=".5" stop-color="#c23b22"/><stop offset="1" stop-color="#fff3c4"/></linearGradient></defs><rect width="640" height="400" fill="url(#a)"/><rect x="60" y="40" width="160" height="120" fill="#1440a8"/><rect x="400" y="220" width="180" height="140" fill="#f2f2f2"/></svg>`;
  return new Uint8Array(await sharp(Buffer.from(svg)).png().toBuffer());
}

async function projectWith(settings: Record<string, string | number>): Promise<{ project: Project; bytes: Map<AssetId, Uint8Array> }> {
  const id = 'photo' as AssetId;
  const bytes = await photo();
  const section = make('section', 'Band', { height: '400px', ...settings }, { content: [make('heading', 'Words', { text: 'Orchard', level: '1' })] });
  let project = createProject('Over a picture', make('page', 'Page', {}, { sections: [] }), { project: 'over' as ProjectId, page: 'page-one' as PageId });
  const run = (command: Command) => {
    const outcome = apply(registry, project, command);
    if (!outcome.ok) throw new Error(outcome.refusal.sentence);
    project = outcome.project;
  };
  run({ type: 'add-asset', asset: { id, file: 'photo.png', type: 'image/png', width: 640, height: 400, bytes: bytes.length, tones: await readTones(bytes) } });
  run({ type: 'insert', fragment: section, at: { parent: 'page', slot: 'sections', index: 0 } });
  run({ type: 'set-setting', id: 'band', key: 'picture', value: id });
  run({ type: 'set-style', id: 'words', part: 'root', state: 'rest', condition: 'always', property: 'color', value: WORDS });
  return { project, bytes: new Map([[id, bytes]]) };
}

const words = { r: 0xf6 / 255, g: 0xef / 255, b: 0xe0 / 255, alpha: 1 };

for (const [name, settings] of [
  ['bare', {}],
  ['under 60 % black', { layer: '#000000', opacity: 60 }],
  ['multiplied', { layer: '#2b55a0', opacity: 80, blend: 'multiply' }],
  ['screened', { layer: '#2b55a0', opacity: 80, blend: 'screen' }],
  ['under overlay', { layer: '#8a3b1e', opacity: 100, blend: 'overlay' }],
  ['under soft light', { layer: '#8a3b1e', opacity: 100, blend: 'soft-light' }],
  ['coloured', { layer: '#2b55a0', opacity: 100, blend: 'color' }],
  ['under luminosity', { layer: '#2b55a0', opacity: 50, blend: 'luminosity' }]
] as const) {
  test(`least and greatest contrast over a picture, ${name}`, async ({ page }) => {
    const { project, bytes } = await projectWith(settings);
    await page.setViewportSize({ width: 640, height: 400 });
    await page.goto((await exported(project, bytes)).url);
    await page.evaluate(() => (document.querySelector('h1')!.style.visibility = 'hidden'));
    await page.evaluate(() => Promise.all([...document.images].map((image) => image.decode())));
    const shot = await page.locator('section').screenshot();
    const pixels = await sharp(shot).resize({ ...TONE_GRID, fit: 'fill' }).removeAlpha().raw().toBuffer();
    const seen: number[] = [];
    for (let at = 0; at < pixels.length; at += 3) seen.push(contrast(words, { r: pixels[at]! / 255, g: pixels[at + 1]! / 255, b: pixels[at + 2]! / 255, alpha: 1 }));
    const said = textContrast(registry, project, { node: 'words' as NodeId, part: 'root' })!;
    expect(said.least / Math.min(...seen)).toBeGreaterThan(0.9);
    expect(said.least / Math.min(...seen)).toBeLessThan(1.1);
    expect(said.most / Math.max(...seen)).toBeGreaterThan(0.9);
    expect(said.most / Math.max(...seen)).toBeLessThan(1.1);
  });
}
