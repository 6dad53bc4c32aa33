import { gzipSync } from 'node:zlib';
import { performance } from 'node:perf_hooks';
import { chromium, type Browser, type Page } from '@playwright/test';
import { apply } from '../src/core/commands/apply';
import { createPreviewSession } from '../src/core/compile/preview';
import { printPage } from '../src/core/compile/page';
import { writeProjectFile } from '../src/core/formats/project-file';
import { fitFrom, rowWidth } from '../src/core/layout/fit';
import type { PageId, Project } from '../src/core/project/types';
import { registry } from '../src/core/registry';
import { pageScript } from '../src/server/bundle';
// @ts-expect-error plain JavaScript, shared with npm start
import { buildApp, freePort, startServer } from '../scripts/lib.mjs';
import { projectOf } from './projects';

interface Figure {
  readonly name: string;
  readonly value: number;
  readonly unit: string;
  readonly limit: number;
}

const page = 'page' as PageId;
const median = (values: readonly number[]) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

function timed(work: () => void): number {
  const from = performance.now();
  work();
  return performance.now() - from;
}

function edited(project: Project, n: number): Project {
  const outcome = apply(registry, project, { type: 'set-style', id: 'tabs-0', part: 'tab', state: 'rest', condition: 'always', property: 'padding', value: `${n}px` });
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

/** Median time to work out what the preview lacks after one edit, in ms. */
function recompile(widgets: number): number {
  let project = projectOf(widgets);
  const session = createPreviewSession(registry);
  session.patchFor(project, page);
  const times: number[] = [];
  for (let n = 1; n <= 300; n += 1) {
    project = edited(project, n);
    times.push(timed(() => session.patchFor(project, page)));
  }
  return median(times.slice(50));
}

function fullCompile(widgets: number): number {
  const compile = () => {
    // A project nobody has seen: nothing of it is remembered.
    const fresh = projectOf(widgets);
    return timed(() => printPage(registry, fresh, page, { addressOf: (asset) => asset.file }));
  };
  return median(Array.from({ length: 9 }, compile));
}

/**
 * The least of some rounds: on a machine shared with others one round may be slowed to half by what is none of ours.
 * @param rounds as many as it takes to see the machine at its own speed.
 */
async function steady<T>(rounds: number, round: () => Promise<T> | T, key: (value: T) => number): Promise<T> {
  let least: T | undefined;
  for (let n = 0; n < rounds; n += 1) {
    const value = await round();
    if (least === undefined || key(value) < key(least)) least = value;
  }
  return least!;
}

/** A page that gives up rather than hangs. The TypeScript loader names functions with a helper that a page does not have. */
async function newPage(browser: Browser): Promise<Page> {
  const target = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  target.setDefaultTimeout(30_000);
  await target.addInitScript('globalThis.__name = (each) => each');
  return target;
}

async function openProject(target: Page, address: string, project: Project): Promise<void> {
  await target.goto(address);
  await target.locator('input[type=file]').setInputFiles({ name: 'bench.kymation', mimeType: 'application/zip', buffer: Buffer.from(writeProjectFile(project, new Map())) });
  await target.getByRole('link', { name: `Open ${project.info.name}` }).click();
  await target.frameLocator('iframe[title^="Preview of"]').locator('[data-k="tabs-0"]').waitFor();
  await target.waitForTimeout(1500);
}

interface Edits {
  /** ms of work: command, print, and the frame's patch with style and layout. */
  readonly work: number;
  /** The same, by what does it: command, print, patch. */
  readonly shares: readonly number[];
  /** From the key to the frame that paints the change, in frames of 1/60 s. */
  readonly frames: number;
}

interface Seen {
  readonly name: string;
  readonly duration: number;
  readonly at: number;
}

const HANDS = ['cell', 'label', 'fold'] as const;
type Hand = (typeof HANDS)[number];

/** What a hand edits: a cell of the state sheet, a label, and a fold width, whose media query needs a new style sheet. */
const hands: Readonly<Record<Hand, (target: Page) => Promise<void>>> = {
  async cell(target) {
    await target.keyboard.press('3');
    await target.getByRole('group', { name: 'Parts' }).getByRole('button', { name: 'tab list', exact: true }).click();
    await target.locator('[data-property="gap"][data-state="rest"]').click();
  },
  async label(target) {
    await target.keyboard.press('1');
    await target.getByRole('textbox', { name: 'Label 1' }).focus();
  },
  async fold(target) {
    await target.keyboard.press('5');
    await target.getByRole('textbox', { name: 'Fold under' }).focus();
  }
};

/** Edits by keys, eighty times, and reads the app's own measures. */
async function edits(browser: Browser, address: string, widgets: number, hand: Hand): Promise<Edits> {
  const target = await newPage(browser);
  await openProject(target, address, projectOf(widgets));
  await target.locator('[data-row="tabs-0"]').click();
  await target.evaluate(() => {
    const seen: Seen[] = [];
    Object.assign(window, { seen });
    new PerformanceObserver((list) => {
      for (const { name, duration } of list.getEntries()) if (name.startsWith('kymation')) seen.push({ name, duration, at: performance.now() });
    }).observe({ entryTypes: ['measure'] });
  });
  await hands[hand](target);
  const works: (readonly number[])[] = [];
  const frames: number[] = [];
  const paces: number[] = [];
  for (let n = 0; n < 80; n += 1) {
    // A hand's pace: what the last edit left to paint is done by now.
    await target.waitForTimeout(80);
    const { start, seen, pace } = await target.evaluate(
      (types: boolean) =>
        new Promise<{ start: number; seen: Seen[]; pace: number }>((resolve, reject) => {
          setTimeout(() => reject(new Error('no patch within 5 s')), 5000);
          const seen = (window as unknown as { seen: Seen[] }).seen;
          requestAnimationFrame(() => {
            seen.length = 0;
            const from = performance.now();
            let sum = 0;
            for (let i = 0; i < 400_000; i += 1) sum += i % 7;
            Object.assign(window, { sum });
            const start = performance.now();
            const pace = start - from;
            const field = document.activeElement as HTMLInputElement;
            if (types) field.value = `${field.value.slice(0, 10)}${Math.round(start)}`;
            field.dispatchEvent(types ? new InputEvent('input', { bubbles: true }) : new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true, cancelable: true }));
            const watch = () => (seen.some((each) => each.name === 'kymation patch') ? resolve({ start, pace, seen: [...seen] }) : setTimeout(watch, 4));
            watch();
          });
        }),
      hand === 'label'
    );
    const of = (name: string) => seen.find((each) => each.name === `kymation ${name}`)!;
    works.push(['dispatch', 'print', 'patch'].map((name) => of(name).duration));
    frames.push((of('patch').at - start) / (1000 / 60));
    paces.push(pace);
  }
  await target.close();
  // A loop of fixed length says whether the machine ran at its own speed just then; what it did slowed down says nothing of us.
  const own = median(paces.slice(10).toSorted((a, b) => a - b).slice(0, 20));
  const counted = <T>(values: readonly T[]) => values.filter((_value, n) => n >= 10 && paces[n]! < own * 1.25);
  return {
    work: median(counted(works).map((each) => each.reduce((sum, ms) => sum + ms, 0))),
    shares: [0, 1, 2].map((n) => median(counted(works).map((each) => each[n]!))),
    frames: median(counted(frames))
  };
}

/** Working out the fit width of 60 labels from what was measured, ms. */
function fitMs(): number {
  const widths = Array.from({ length: 60 }, (_, i) => 40 + (i % 17) * 3.37);
  return median(Array.from({ length: 200 }, () => timed(() => void fitFrom({ needed: rowWidth(widths, 4, 2), available: 1072, viewport: 1120, heights: [] }))));
}

/** On a page of 200 widgets: time of the rules after an edit, of measuring one widget's labels, and of a condition's switch. */
async function tuningFigures(browser: Browser, address: string): Promise<{ findings: number; measured: number; switched: number }> {
  const target = await newPage(browser);
  await openProject(target, address, projectOf(200));
  await target.locator('[data-row="tabs-0"]').click();
  await target.evaluate(() => {
    const seen: Seen[] = [];
    Object.assign(window, { seen });
    new PerformanceObserver((list) => {
      for (const { name, duration } of list.getEntries()) seen.push({ name, duration, at: performance.now() });
    }).observe({ entryTypes: ['measure'] });
  });
  await hands.cell(target);
  for (let n = 0; n < 15; n += 1) {
    await target.keyboard.press('ArrowUp');
    await target.waitForTimeout(450);
  }
  const findings = median((await target.evaluate(() => (window as unknown as { seen: Seen[] }).seen)).filter(({ name }) => name === 'kymation findings').map(({ duration }) => duration).slice(2));
  await target.keyboard.press('Escape');
  const frame = target.frames().find((each) => each.url().endsWith('/frame') && each.parentFrame())!;
  const measured = await frame.evaluate(() => {
    const list = document.querySelector('[data-k="tabs-0"] [role=tablist]')!;
    const times: number[] = [];
    for (let n = 0; n < 40; n += 1) {
      const from = performance.now();
      const copy = list.cloneNode(true) as HTMLElement;
      Object.assign(copy.style, { position: 'absolute', visibility: 'hidden', width: 'max-content', flexWrap: 'nowrap' });
      list.parentElement!.append(copy);
      copy.getBoundingClientRect();
      copy.remove();
      times.push(performance.now() - from);
    }
    return times.sort((a, b) => a - b)[20]!;
  });
  const switches: number[] = [];
  for (let n = 0; n < 12; n += 1) {
    await target.waitForTimeout(120);
    // Both clocks are read in the window, once when it is pressed and once when the page has painted.
    const changed = frame.evaluate(() => new Promise<number>((resolve) => {
      const watch = new MutationObserver(() => {
        watch.disconnect();
        requestAnimationFrame(() => resolve(performance.timeOrigin + performance.now()));
      });
      watch.observe(document.documentElement, { attributeFilter: ['data-k-touch'] });
    }));
    await target.waitForTimeout(30);
    const from = await target.evaluate(() => {
      const at = performance.timeOrigin + performance.now();
      [...document.querySelectorAll('button')].find((each) => each.textContent === 'Touch')!.click();
      return at;
    });
    switches.push(((await changed) - from) / (1000 / 60));
  }
  await target.close();
  return { findings, measured, switched: median(switches) };
}

/** A page of 2,000 nodes: time until it is on show, an edit, and the frames while a row is dragged over the outline. */
async function bigPage(browser: Browser, address: string): Promise<{ open: number; edit: number; drag: number }> {
  const project = projectOf(400);
  const edit = (await steady(2, () => edits(browser, address, 400, 'cell'), ({ work }) => work)).work;
  const target = await newPage(browser);
  await openProject(target, address, project);
  const from = performance.now();
  await target.reload();
  await target.frameLocator('iframe[title^="Preview of"]').locator('[data-k="tabs-0"]').waitFor();
  const open = performance.now() - from;
  await target.waitForTimeout(1500);
  const row = (await target.locator('[data-row="tabs-0"]').boundingBox())!;
  await target.mouse.move(row.x + 60, row.y + 10);
  await target.mouse.down();
  await target.evaluate(() => {
    const frames: number[] = [];
    Object.assign(window, { frames });
    let before = performance.now();
    const tick = () => {
      const now = performance.now();
      frames.push(now - before);
      before = now;
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  for (let n = 0; n < 90; n += 1) {
    await target.mouse.move(row.x + 60, row.y + 10 + ((n * 9) % 500));
    await target.waitForTimeout(12);
  }
  const frames = await target.evaluate(() => (window as unknown as { frames: number[] }).frames.slice(3));
  await target.keyboard.press('Escape');
  await target.mouse.up();
  await target.close();
  return { open, edit, drag: median(frames) };
}

/** Median time to duplicate a section of 500 nodes and to work out what the preview then lacks, ms. */
function duplicateMs(): number {
  const project = projectOf(100, 100);
  const size = Object.keys(project.nodes).length;
  if (size < 500) throw new Error(`duplicateMs: the section has ${size} nodes`);
  const session = createPreviewSession(registry);
  session.patchFor(project, page);
  const { id } = Object.values(project.nodes).find(({ kind }) => kind === 'section')!;
  return median(
    Array.from({ length: 15 }, () =>
      timed(() => {
        const outcome = apply(registry, project, { type: 'duplicate', ids: [id] });
        if (!outcome.ok) throw new Error(outcome.refusal.sentence);
        session.patchFor(outcome.project, page);
      })
    )
  );
}

/** Frames while a hundred pictures come in and a hand goes on editing: from the key to the frame that paints the change, median. */
async function whileImporting(browser: Browser, address: string): Promise<number> {
  const target = await newPage(browser);
  await openProject(target, address, projectOf(20));
  await target.locator('[data-row="tabs-0"]').click();
  await hands.label(target);
  await target.evaluate(async () => {
    const data = new DataTransfer();
    for (let n = 0; n < 100; n += 1) {
      const canvas = new OffscreenCanvas(1600, 1000);
      const context = canvas.getContext('2d')!;
      context.fillStyle = `hsl(${n * 3} 60% 60%)`;
      context.fillRect(0, 0, 1600, 1000);
      data.items.add(new File([await canvas.convertToBlob({ type: 'image/jpeg' })], `row-${n}.jpg`, { type: 'image/jpeg' }));
    }
    const painted: number[] = [];
    Object.assign(window, { painted });
    new PerformanceObserver((list) => {
      for (const { name } of list.getEntries()) if (name === 'kymation patch') painted.push(performance.now());
    }).observe({ entryTypes: ['measure'] });
    document.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
  });
  const frames = await target.evaluate(async () => {
    const { painted } = window as unknown as { painted: number[] };
    const found: number[] = [];
    for (let n = 0; n < 400 && (n < 5 || document.querySelector('progress')); n += 1) {
      await new Promise((resolve) => setTimeout(resolve, 60));
      await new Promise(requestAnimationFrame);
      const start = performance.now();
      painted.length = 0;
      const field = document.activeElement as HTMLInputElement;
      field.value = `${field.value.slice(0, 10)}${Math.round(start)}`;
      field.dispatchEvent(new InputEvent('input', { bubbles: true }));
      while (painted.length === 0) await new Promise((resolve) => setTimeout(resolve, 2));
      found.push((painted[0]! - start) / (1000 / 60));
    }
    return found;
  });
  await target.close();
  return median(frames);
}

async function firstLoad(browser: Browser, address: string): Promise<{ script: number; style: number; usable: number }> {
  const sums = { script: 0, style: 0 };
  const opened = await newPage(browser);
  await opened.goto(address);
  await opened.getByRole('link', { name: 'Open Quillmere Orchard' }).waitFor();
  const link = (await opened.getByRole('link', { name: 'Open Quillmere Orchard' }).getAttribute('href'))!;
  const found = new Map<string, 'script' | 'style'>();
  opened.on('response', (response) => {
    const type = response.headers()['content-type'] ?? '';
    const kind = /javascript/.test(type) ? 'script' : /css/.test(type) ? 'style' : null;
    if (kind) found.set(response.url(), kind);
  });
  const from = performance.now();
  await opened.goto(new URL(link, address).href);
  await opened.frameLocator('iframe[title^="Preview of"]').locator('.season-tabs').waitFor();
  const usable = performance.now() - from;
  // What comes later, for findings and for views nobody has opened, does not hold up the first.
  const first = [...found];
  for (const [url, kind] of first) sums[kind] += gzipSync(Buffer.from(await (await fetch(url)).arrayBuffer()), { level: 9 }).length;
  await opened.close();
  return { ...sums, usable };
}

async function main(): Promise<void> {
  const figures: Figure[] = [];
  const script = (await pageScript(['tabs']))!;
  figures.push({ name: 'script of an exported tabs page', value: gzipSync(script, { level: 9 }).length, unit: 'bytes gzip', limit: 1300 });
  const [small, large] = [recompile(20), recompile(1000)];
  figures.push({ name: 'recompile after one edit, 1,000 widgets against 20', value: large / small, unit: 'ratio', limit: 1.5 });
  figures.push({ name: 'full compile of 1,000 widgets', value: await steady(3, () => fullCompile(1000), Number), unit: 'ms', limit: 150 });

  buildApp();
  const { address, server } = await startServer(await freePort(4400));
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync']
  });
  const load = await steady(3, () => firstLoad(browser, address), ({ usable }) => usable);
  figures.push({ name: 'first load of the workbench, script', value: load.script / 1000, unit: 'kB gzip', limit: 300 });
  figures.push({ name: 'first load of the workbench, style', value: load.style / 1000, unit: 'kB gzip', limit: 45 });
  figures.push({ name: 'demo open to usable', value: load.usable, unit: 'ms', limit: 1500 });
  const few: Edits[] = [];
  const many: Edits[] = [];
  for (const hand of HANDS) {
    const least = (widgets: number) => steady(widgets < 1000 ? 3 : 2, () => edits(browser, address, widgets, hand), ({ work }) => work);
    few.push(await least(200));
    many.push(await least(1000));
    const said = ({ work, shares }: Edits) => `${work.toFixed(2)} ms of work (${shares.map((ms) => ms.toFixed(2)).join(' + ')})`;
    console.log(`      a ${hand}: ${said(few.at(-1)!)} at 200 widgets, ${said(many.at(-1)!)} at 1,000`);
  }
  figures.push({ name: 'one edit to patched preview, 200 widgets, work', value: median(few.map(({ work }) => work)), unit: 'ms', limit: 4 });
  figures.push({ name: 'one edit to painted, 200 widgets, the slowest kind', value: Math.max(...few.map(({ frames }) => frames)), unit: 'frames', limit: 2 });
  figures.push({ name: 'one edit to painted, 1,000 widgets, the slowest kind', value: Math.max(...many.map(({ frames }) => frames)), unit: 'frames', limit: 2 });
  const tuning = await tuningFigures(browser, address);
  figures.push({ name: 'findings after one edit, in the worker, 200 widgets', value: tuning.findings, unit: 'ms', limit: 20 });
  figures.push({ name: 'fit width worked out again from a measurement', value: fitMs(), unit: 'ms', limit: 5 });
  figures.push({ name: 'measuring the labels of one widget in the page', value: tuning.measured, unit: 'ms', limit: 5 });
  figures.push({ name: 'a condition switched to painted, 200 widgets', value: tuning.switched, unit: 'frames', limit: 2 });
  const big = await bigPage(browser, address);
  figures.push({ name: 'page of 2,000 nodes, open to on show', value: big.open, unit: 'ms', limit: 1500 });
  figures.push({ name: 'page of 2,000 nodes, one edit, work', value: big.edit, unit: 'ms', limit: 8 });
  figures.push({ name: 'page of 2,000 nodes, a row dragged over the outline', value: big.drag, unit: 'ms a frame', limit: 17 });
  figures.push({ name: 'duplicate of a section of 500 nodes', value: duplicateMs(), unit: 'ms', limit: 30 });
  figures.push({ name: 'an edit to painted while 100 pictures come in', value: await whileImporting(browser, address), unit: 'frames', limit: 1 });
  await browser.close();
  server.kill();

  for (const { name, value, unit, limit } of figures) {
    console.log(`${value <= limit ? 'ok  ' : 'OVER'}  ${name.padEnd(58)} ${value.toFixed(value < 10 ? 2 : 0).padStart(8)} ${unit} (limit ${limit})`);
  }
  process.exitCode = figures.some(({ value, limit }) => value > limit) ? 1 : 0;
  process.exit();
}

await main();
