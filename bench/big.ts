import type { Browser, Page } from '@playwright/test';
import { apply } from '../src/core/commands/apply';
import { createPreviewSession } from '../src/core/compile/preview';
import type { PageId } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { projectOf } from './projects';
import { edits, hands, median, newPage, openProject, steady, timed } from './tools';

const page = 'page' as PageId;

/**
 * A page of 2,000 nodes: time until all of it is on show, an edit, and the frames while a row is dragged over
 * the outline.
 */
export async function bigPage(
  browser: Browser,
  address: string
): Promise<{ open: number; edit: number; drag: number }> {
  const project = projectOf(400);
  const edit = (
    await steady(
      2,
      () => edits(browser, address, 400, 'cell'),
      ({ work }) => work
    )
  ).work;
  const target = await newPage(browser);
  await target.addInitScript(noteWhole);
  await openProject(target, address, project);
  const open = await steady(3, () => reopened(target), Number);
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

/**
 * Runs in every window: a preview writes down when the frame with the last piece of the page in it has been
 * painted.
 */
function noteWhole(): void {
  if (window === window.top) return;
  const look = () => {
    if (document.querySelector('[data-k="tabs-399"]'))
      requestAnimationFrame(() =>
        Object.assign(window, { whole: performance.timeOrigin + performance.now() })
      );
    else requestAnimationFrame(look);
  };
  requestAnimationFrame(look);
}

/**
 * ms from asking for the workbench to the whole page painted; the first screen of it comes a good deal
 * earlier.
 */
async function reopened(target: Page): Promise<number> {
  await target.reload();
  const frame = await (await target.locator('iframe[title^="Preview of"]').elementHandle())!.contentFrame();
  await frame!.waitForFunction(() => (window as unknown as { whole?: number }).whole);
  const whole = await frame!.evaluate(() => (window as unknown as { whole: number }).whole);
  return whole - (await target.evaluate(() => performance.timeOrigin));
}

/** Median time to duplicate a section of 500 nodes and to work out what the preview then lacks, ms. */
export function duplicateMs(): number {
  const project = projectOf(100, 100);
  const size = Object.keys(project.nodes).length;
  if (size < 500) throw new Error(`duplicateMs: the section has ${size} nodes`);
  const session = createPreviewSession(registry);
  session.patchFor(project, page);
  const { id } = Object.values(project.nodes).find(({ kind }) => kind === 'section')!;
  return median(
    Array.from({ length: 25 }, () => {
      const ms = timed(() => {
        const outcome = apply(registry, project, { type: 'duplicate', ids: [id] });
        if (!outcome.ok) throw new Error(outcome.refusal.sentence);
        session.patchFor(outcome.project, page);
      });
      // Back to where it was, as the frame would be.
      session.patchFor(project, page);
      return ms;
    })
  );
}

/**
 * How much later an edit is painted while a hundred pictures come in than while none do, in frames: medians,
 * from the key to the frame that paints the change. Waiting for the next frame alone takes up to one,
 * whatever else goes on.
 */
export async function whileImporting(browser: Browser, address: string): Promise<number> {
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
      data.items.add(
        new File([await canvas.convertToBlob({ type: 'image/jpeg' })], `row-${n}.jpg`, { type: 'image/jpeg' })
      );
    }
    const painted: number[] = [];
    Object.assign(window, { painted });
    new PerformanceObserver((list) => {
      for (const { name } of list.getEntries())
        if (name === 'kymation patch') painted.push(performance.now());
    }).observe({ entryTypes: ['measure'] });
    Object.assign(window, { data });
  });
  const alone = await target.evaluate(editing, 25);
  await target.evaluate(() =>
    document.dispatchEvent(
      new DragEvent('drop', {
        dataTransfer: (window as unknown as { data: DataTransfer }).data,
        bubbles: true,
        cancelable: true
      })
    )
  );
  const frames = await target.evaluate(editing, 0);
  await target.close();
  return Math.max(0, median(frames) - median(alone));
}

/** Runs in the page: edits a label until no picture comes in any more, or so many times. */
async function editing(times: number): Promise<number[]> {
  const { painted } = window as unknown as { painted: number[] };
  const found: number[] = [];
  for (let n = 0; n < 400 && (times > 0 ? n < times : n < 5 || document.querySelector('progress')); n += 1) {
    await new Promise((resolve) => setTimeout(resolve, 60));
    await new Promise(requestAnimationFrame);
    const start = performance.now();
    painted.length = 0;
    const field = document.querySelector<HTMLInputElement>('input[aria-label="Label 1"]');
    // What came in is picked, and the field is gone.
    if (!field) break;
    field.value = `${field.value.slice(0, 10)}${Math.round(start)}`;
    field.dispatchEvent(new InputEvent('input', { bubbles: true }));
    while (painted.length === 0) await new Promise((resolve) => setTimeout(resolve, 2));
    found.push((painted[0]! - start) / (1000 / 60));
  }
  return found;
}
