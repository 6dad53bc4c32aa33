import sharp from 'sharp';
import { ringContrast, textContrast } from '../src/core/cascade/contrast';
import { contrast, maybeColour } from '../src/core/colour/contrast';
import { TONE_GRID } from '../src/core/colour/tones';
import { apply } from '../src/core/commands/apply';
import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import type { AssetId, Fragment, NodeId, PageId, Project, ProjectId } from '../src/core/project/types';
import { createProject } from '../src/core/project/create';
import { styled } from '../src/core/testing/project';
import { registry } from '../src/core/whole';
import { readTones } from '../src/server/tones';
import { exported } from './support/exported';
import { expect, test, type Page } from './support/test';
import { inTurn, inTurnUnless } from './support/thorough';

// Contrast over a picture is held to the pixels Chromium paints: the section is drawn without its words,
// brought down to the same
// grid, and the formula of WCAG 2.2 is applied to every cell.

const make = makeWith({ exactIds: true });
const WORDS = '#f6efe0';

/** A picture of many tones and hues, the same at every run. */
async function photo(): Promise<Uint8Array> {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="640" height="400"><defs><linearGradient id="a" x2="1" y2="1"><stop stop-color="#0d2b12"/><stop offset=".5" stop-color="#c23b22"/><stop offset="1" stop-color="#fff3c4"/></linearGradient></defs><rect width="640" height="400" fill="url(#a)"/><rect x="60" y="40" width="160" height="120" fill="#1440a8"/><rect x="400" y="220" width="180" height="140" fill="#f2f2f2"/></svg>`;
  return new Uint8Array(await sharp(Buffer.from(svg)).png().toBuffer());
}

const PHOTO = 'photo' as AssetId;
const heading = make('heading', 'Words', { text: 'Orchard', level: '1' });

async function projectOf(
  section: Fragment,
  ...commands: readonly Command[]
): Promise<{ project: Project; bytes: Map<AssetId, Uint8Array> }> {
  const bytes = await photo();
  let project = createProject('Over a picture', make('page', 'Page', {}, { sections: [] }), {
    project: 'over' as ProjectId,
    page: 'page-one' as PageId
  });
  const run = (command: Command) => {
    const outcome = apply(registry, project, command);
    if (!outcome.ok) throw new Error(outcome.refusal.sentence);
    project = outcome.project;
  };
  run({
    type: 'add-asset',
    asset: {
      id: PHOTO,
      file: 'photo.png',
      type: 'image/png',
      width: 640,
      height: 400,
      bytes: bytes.length,
      tones: await readTones(bytes)
    }
  });
  run({ type: 'insert', fragment: section, at: { parent: 'page', slot: 'sections', index: 0 } });
  for (const each of commands) run(each);
  return { project, bytes: new Map([[PHOTO, bytes]]) };
}

const look = (id: string, property: string, value: string, part = 'root', state = 'rest'): Command =>
  styled(id, part, state, property, value);

const projectWith = (settings: Record<string, string | number>) =>
  projectOf(
    make('section', 'Band', { height: '400px', ...settings }, { content: [heading] }),
    { type: 'set-setting', id: 'band', key: 'picture', value: PHOTO },
    look('words', 'color', WORDS)
  );

/**
 * Least and greatest contrast of the words' colour with what Chromium paints in a place, read on the grid of
 * tones.
 */
async function painted(page: Page, place: string): Promise<{ least: number; most: number }> {
  await page.evaluate(() => (document.querySelector('h1')!.style.visibility = 'hidden'));
  await page.evaluate(() => Promise.all([...document.images].map((image) => image.decode())));
  const shot = await page.locator(place).screenshot();
  const pixels = await sharp(shot)
    .resize({ ...TONE_GRID, fit: 'fill' })
    .removeAlpha()
    .raw()
    .toBuffer();
  const seen: number[] = [];
  for (let at = 0; at < pixels.length; at += 3)
    seen.push(
      contrast(words, { r: pixels[at]! / 255, g: pixels[at + 1]! / 255, b: pixels[at + 2]! / 255, alpha: 1 })
    );
  return { least: Math.min(...seen), most: Math.max(...seen) };
}

function expectSame(said: { least: number; most: number }, seen: { least: number; most: number }): void {
  for (const end of ['least', 'most'] as const) {
    expect(said[end] / seen[end]).toBeGreaterThan(0.9);
    expect(said[end] / seen[end]).toBeLessThan(1.1);
  }
}

const words = { r: 0xf6 / 255, g: 0xef / 255, b: 0xe0 / 255, alpha: 1 };

/** What every run tries: a veil that is mixed in the usual way, and one that is not. */
const USUAL: readonly string[] = ['under 60 % black', 'multiplied'];

/** What lies over a picture. */
const VEILS = [
  ['bare', {}],
  ['under 60 % black', { layer: '#000000', opacity: 60 }],
  ['multiplied', { layer: '#2b55a0', opacity: 80, blend: 'multiply' }],
  ['screened', { layer: '#2b55a0', opacity: 80, blend: 'screen' }],
  ['under overlay', { layer: '#8a3b1e', opacity: 100, blend: 'overlay' }],
  ['under soft light', { layer: '#8a3b1e', opacity: 100, blend: 'soft-light' }],
  ['coloured', { layer: '#2b55a0', opacity: 100, blend: 'color' }],
  ['under luminosity', { layer: '#2b55a0', opacity: 50, blend: 'luminosity' }]
] as const;

for (const [i, [name, settings]] of VEILS.entries()) {
  test(
    `least and greatest contrast over a picture, ${name}`,
    inTurnUnless(USUAL.includes(name), i),
    async ({ blank: page }) => {
      const { project, bytes } = await projectWith(settings);
      await page.setViewportSize({ width: 640, height: 400 });
      await page.goto((await exported(project, bytes)).url);
      expectSame(
        textContrast(registry, project, { node: 'words' as NodeId, part: 'root' })!,
        await painted(page, 'section')
      );
    }
  );
}

test('least and greatest contrast in a layer over a picture in a layer below, under a veil of its own', async ({
  blank: page
}) => {
  const cover = make(
    'layers',
    'Cover',
    {},
    {
      layers: [
        make(
          'layer',
          'Base',
          { width: '100%' },
          { content: [make('image', 'Orchard', { asset: PHOTO, decorative: true })] }
        ),
        make('layer', 'Over', { width: '100%' }, { content: [heading] })
      ]
    }
  );
  const { project, bytes } = await projectOf(
    make('section', 'Band', { span: 'bleed' }, { content: [cover] }),
    look('over', 'color', WORDS),
    look('over', 'background-color', '#00000080'),
    look('band', 'padding', '0'),
    look('words', 'line-height', '60px'),
    look('over', 'padding', '170px 0')
  );
  await page.setViewportSize({ width: 640, height: 400 });
  await page.goto((await exported(project, bytes)).url);
  const said = textContrast(registry, project, { node: 'words' as NodeId, part: 'root' })!;
  expect(await page.locator('h1').evaluate((element) => getComputedStyle(element).color)).toBe(
    'rgb(246, 239, 224)'
  );
  // As large as the picture, so what is seen is all of it.
  expect((await page.locator('.over').boundingBox())!).toMatchObject({ width: 640, height: 400 });
  expectSame(said, await painted(page, '.over'));
});

/**
 * Contrast of the pixels that something changes, each with what it was before: the middle one. WCAG 2.2, 2.4.13 asks
 * for that of an indicator of the focus.
 */
async function changeBy(page: Page, act: () => Promise<void>): Promise<number> {
  const pixels = async () =>
    sharp(await page.screenshot())
      .removeAlpha()
      .raw()
      .toBuffer();
  const before = await pixels();
  await act();
  const after = await pixels();
  const colourIn = (from: Buffer, at: number) => ({
    r: from[at]! / 255,
    g: from[at + 1]! / 255,
    b: from[at + 2]! / 255,
    alpha: 1
  });
  const changed: number[] = [];
  for (let at = 0; at < before.length; at += 3)
    if (before.compare(after, at, at + 3, at, at + 3) !== 0)
      changed.push(contrast(colourIn(before, at), colourIn(after, at)));
  return changed.toSorted((a, b) => a - b)[Math.floor(changed.length / 2)]!;
}

const panel = (name: string) =>
  make('panel', name, {}, { content: [make('text', `${name} words`, { html: `<p>${name}</p>` })] });

for (const [name, ring] of [
  ['as it comes', {}],
  ['blue, inside', { outline: '3px solid #2b55a0', 'outline-offset': '-5px' }],
  ['blue, outside', { outline: '3px solid #2b55a0', 'outline-offset': '4px' }],
  ['without a colour, inside', { outline: '3px double', 'outline-offset': '-7px' }]
] as const) {
  for (const state of ['selected', 'rest'] as const) {
    test(`the ring of a ${state} tab, ${name}, changes what is painted by the contrast that is told`, async ({
      blank: page
    }) => {
      const pair = make('tabs', 'Pair', {}, { panels: [panel('First'), panel('Second')] });
      const band = make('section', 'Band', {}, { content: [pair] });
      const rings = Object.entries(ring).map(([property, value]) =>
        look('pair', property, value, 'tab', 'focus')
      );
      const { project, bytes } = await projectOf(band, ...rings);
      await page.setViewportSize({ width: 640, height: 400 });
      await page.goto((await exported(project, bytes)).url);
      const tab = page.getByRole('tab', { selected: state === 'selected' });
      const said = ringContrast(registry, project, {
        node: 'pair' as NodeId,
        part: 'tab',
        state: 'focus',
        besides: [state]
      });
      expect((await changeBy(page, () => tab.focus())) / said!).toBeCloseTo(1, 1);
    });
  }
}

/** Contrast of a text with the ground Chromium paints at its upper left corner, where no letter stands. */
async function seenContrast(page: Page, words: string): Promise<number> {
  const text = page.getByText(words, { exact: true });
  const [r, g, b] = await sharp(await text.screenshot())
    .removeAlpha()
    .raw()
    .toBuffer();
  const colour = await text.evaluate((element) => getComputedStyle(element).color);
  return contrast(maybeColour(colour)!, { r: r! / 255, g: g! / 255, b: b! / 255, alpha: 1 });
}

test(
  'words are read on the ground of what they stand on as it is: pointed at, or open',
  inTurn(5),
  async ({ blank: page }) => {
    const box = make('stack', 'Box', {}, { content: [make('text', 'Boxed', { html: '<p>In a box</p>' })] });
    const item = make(
      'panel',
      'Item',
      {},
      { content: [make('text', 'Told', { html: '<p>In an item</p>' })] }
    );
    const ask = make('accordion', 'Ask', {}, { panels: [item] });
    const { project, bytes } = await projectOf(
      make('section', 'Band', {}, { content: [box, ask] }),
      look('box', 'background-color', '#22372b', 'root', 'hover'),
      look('box', 'color', '#c9b98a', 'root', 'hover'),
      look('ask', 'background-color', '#22372b', 'item', 'rest'),
      look('ask', 'background-color', '#d9e3c4', 'item', 'open'),
      look('ask', 'color', '#7a2f16', 'item', 'open')
    );
    const text = (id: string) => ({ node: id as NodeId, part: 'root' });
    const said = (at: Parameters<typeof textContrast>[2]) => textContrast(registry, project, at)!.least;
    await page.setViewportSize({ width: 640, height: 400 });
    await page.goto((await exported(project, bytes)).url);
    await page.mouse.move(1, 399);
    await expect.poll(() => seenContrast(page, 'In a box')).toBeCloseTo(said(text('boxed')), 1);
    await page.getByText('In a box').hover();
    const around = { node: 'box' as NodeId, part: 'root', state: 'hover' };
    await expect
      .poll(() => seenContrast(page, 'In a box'))
      .toBeCloseTo(said({ ...text('boxed'), around }), 1);
    await page.locator('details').evaluate((item: HTMLDetailsElement) => (item.open = true));
    await page.mouse.move(1, 399);
    await expect.poll(() => seenContrast(page, 'In an item')).toBeCloseTo(said(text('told')), 1);
  }
);
