import { gzipSync } from 'node:zlib';
import { performance } from 'node:perf_hooks';
import { chromium, type Browser, type Page } from '@playwright/test';
import { apply } from '../src/core/commands/apply';
import { createPreviewSession } from '../src/core/compile/preview';
import { printPage } from '../src/core/compile/page';
import { writeProjectFile } from '../src/core/formats/project-file';
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
  readonly work: number;
  readonly frames: number;
}

/** Edits one value by keys, forty times, and reads the app's own measures: command, print, patch with style and layout. */
async function edits(browser: Browser, address: string, widgets: number): Promise<Edits> {
  const target = await newPage(browser);
  await openProject(target, address, projectOf(widgets));
  await target.locator('[data-row="tabs-0"]').click();
  await target.keyboard.press('4');
  await target.evaluate(() => {
    const seen: { name: string; start: number; duration: number; at: number }[] = [];
    Object.assign(window, { seen });
    new PerformanceObserver((list) => {
      for (const { name, startTime, duration } of list.getEntries()) if (name.startsWith('kymation')) seen.push({ name, start: startTime, duration, at: performance.now() });
    }).observe({ entryTypes: ['measure'] });
  });
  const field = target.getByRole('textbox', { name: 'Fold under' });
  await field.focus();
  const works: number[] = [];
  const frames: number[] = [];
  for (let n = 0; n < 40; n += 1) {
    await target.evaluate(() => void ((window as unknown as { seen: unknown[] }).seen.length = 0));
    const from = await target.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const input = document.activeElement!;
          requestAnimationFrame(() => {
            const start = performance.now();
            input.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true, cancelable: true }));
            const watch = () => {
              const seen = (window as unknown as { seen: { name: string; at: number }[] }).seen;
              const patch = seen.find((each) => each.name === 'kymation patch');
              if (patch) resolve((performance.now() - start) / (1000 / 60));
              else requestAnimationFrame(watch);
            };
            requestAnimationFrame(watch);
          });
        })
    );
    const seen = await target.evaluate(() => (window as unknown as { seen: { name: string; duration: number }[] }).seen);
    const of = (name: string) => seen.find((each) => each.name === `kymation ${name}`)?.duration ?? 0;
    works.push(of('dispatch') + of('print') + of('patch'));
    frames.push(from);
  }
  await target.close();
  return { work: median(works.slice(5)), frames: median(frames.slice(5)) };
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
  await opened.waitForTimeout(800);
  for (const [url, kind] of found) sums[kind] += gzipSync(Buffer.from(await (await fetch(url)).arrayBuffer()), { level: 9 }).length;
  await opened.close();
  return { ...sums, usable };
}

async function main(): Promise<void> {
  const figures: Figure[] = [];
  const script = (await pageScript(['tabs']))!;
  figures.push({ name: 'script of an exported tabs page', value: gzipSync(script, { level: 9 }).length, unit: 'bytes gzip', limit: 1300 });
  const [small, large] = [recompile(20), recompile(1000)];
  figures.push({ name: 'recompile after one edit, 1,000 widgets against 20', value: large / small, unit: 'ratio', limit: 1.5 });
  figures.push({ name: 'full compile of 1,000 widgets', value: fullCompile(1000), unit: 'ms', limit: 150 });

  buildApp();
  const { address, server } = await startServer(await freePort(4400));
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync']
  });
  const load = await firstLoad(browser, address);
  figures.push({ name: 'first load of the workbench, script', value: load.script / 1000, unit: 'kB gzip', limit: 300 });
  figures.push({ name: 'first load of the workbench, style', value: load.style / 1000, unit: 'kB gzip', limit: 45 });
  figures.push({ name: 'demo open to usable', value: load.usable, unit: 'ms', limit: 1500 });
  const [few, many] = [await edits(browser, address, 200), await edits(browser, address, 1000)];
  figures.push({ name: 'one edit to patched preview, 200 widgets, work', value: few.work, unit: 'ms', limit: 4 });
  figures.push({ name: 'one edit to patched preview, 200 widgets', value: few.frames, unit: 'frames', limit: 2 });
  figures.push({ name: 'one edit to patched preview, 1,000 widgets', value: many.frames, unit: 'frames', limit: 2 });
  await browser.close();
  server.kill();

  for (const { name, value, unit, limit } of figures) {
    console.log(`${value <= limit ? 'ok  ' : 'OVER'}  ${name.padEnd(52)} ${value.toFixed(value < 10 ? 2 : 0).padStart(8)} ${unit} (limit ${limit})`);
  }
  process.exitCode = figures.some(({ value, limit }) => value > limit) ? 1 : 0;
  process.exit();
}

await main();
