import type { Browser, Page } from '@playwright/test';
import { apply } from '../src/core/commands/apply';
import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import type { Fragment, PageId, Project, ProjectId } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { boxReader } from '../tests/support/boxes';
import { exported } from '../tests/support/exported';
import { median, newPage, openProject } from './tools';

const make = makeWith({ exactIds: true });

/** After an edit the page is measured in other windows too, ms. */
const AT_REST = 3000;
const SECTIONS = 60;
/** With the page, its sections and their stacks: 1,000 pieces and a few. */
const TEXTS = 15;

const section = (n: number): Fragment =>
  make(
    'section',
    `Section ${n}`,
    {},
    {
      content: [
        make(
          'stack',
          `Stack ${n}`,
          {},
          {
            content: Array.from({ length: TEXTS }, (_, i) =>
              make('text', `Text ${n} ${i}`, { html: '<p>What stands in this line.</p>' })
            )
          }
        )
      ]
    }
  );

/** A page of 1,000 pieces with 60 effects: of each section something follows the scroll or drifts. */
export function sixtyEffects(): Project {
  const sections = Array.from({ length: SECTIONS }, (_, n) => section(n));
  const project = createProject('Sixty effects', make('page', 'Page', {}, { sections }), {
    project: 'sixty-effects' as ProjectId,
    page: 'page' as PageId
  });
  const commands = Array.from({ length: SECTIONS }, (_, n) => ({
    type: 'add-effect',
    id: `stack-${n}`,
    effect: n % 2 === 0 ? 'follow' : 'drift'
  })) as unknown as Command[];
  const outcome = apply(registry, project, { type: 'batch', label: 'Effects', commands });
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

/**
 * Run in the window. Sets a start one px further. @returns frames until the map shows it, from the beginning of one
 * to the beginning of another.
 */
function mapFollows(): Promise<number> {
  const field = document.querySelector<HTMLInputElement>('input[aria-label$="starts at, px"]')!;
  const map = document.querySelector('svg[aria-label^="Scroll map of"]')!;
  return new Promise((resolve) => {
    requestAnimationFrame((from) => {
      const watch = new MutationObserver(() => {
        watch.disconnect();
        requestAnimationFrame((shown) => resolve(Math.round((100 * (shown - from)) / (1000 / 60)) / 100));
      });
      watch.observe(map, { attributes: true, childList: true, subtree: true });
      const value = Number(field.value.replace(/\D/g, ''));
      field.value = String(value + 60);
      field.dispatchEvent(new Event('change', { bubbles: true }));
    });
  });
}

/** Run in the preview. Scrolls a second and a half of it. @returns frames that took longer than one, as a share. */
async function scrollPreview(): Promise<number> {
  const gaps: number[] = [];
  let last = await new Promise<number>(requestAnimationFrame);
  for (let n = 0; n < 120; n += 1) {
    scrollBy(0, 40);
    const now = await new Promise<number>(requestAnimationFrame);
    gaps.push(now - last);
    last = now;
  }
  return gaps.filter((gap) => gap > 1.5 * (1000 / 60)).length / gaps.length;
}

async function ofWorkbench(target: Page): Promise<{ map: number; late: number }> {
  await target.locator('[data-row="stack-0"]').click();
  await target.getByRole('tab', { name: 'Scroll' }).click();
  await target.keyboard.press('m');
  await target.locator('svg[aria-label^="Scroll map of"]').waitFor();
  await target.waitForTimeout(1500);
  const frames: number[] = [];
  for (let n = 0; n < 12; n += 1) {
    frames.push(await target.evaluate(mapFollows));
    await target.waitForTimeout(AT_REST);
  }
  const frame = target.frames().find((each) => each.url().endsWith('/frame') && each.parentFrame())!;
  return { map: median(frames.slice(2)), late: await frame.evaluate(scrollPreview) };
}

/** ms to read the boxes of all pieces of the page that have any to tell, in one layout, as after an edit. */
async function boxesRead(browser: Browser, project: Project): Promise<number> {
  const { url } = await exported(project, new Map(), false, true);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(url);
  await page.addScriptTag({ content: await boxReader() });
  const times = await page.evaluate(async () => {
    const read = (window as unknown as { boxes: { readBoxes(of: unknown): unknown[] } }).boxes;
    const all = [...document.querySelectorAll<HTMLElement>('[data-node]')];
    if (all.length < 1000) throw new Error(`The page has ${all.length} pieces.`);
    // Sections, and what follows the scroll: what the workbench asks about.
    const asked = all
      .filter(({ dataset }) => /^(?:section|stack)/.test(dataset.node!))
      .map((each) => [each.dataset.node!, each]);
    const found: number[] = [];
    for (let n = 0; n < 12; n += 1) {
      await new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)));
      await new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)));
      const from = performance.now();
      read.readBoxes(asked);
      found.push(performance.now() - from);
    }
    return found;
  });
  await page.close();
  return median(times);
}

export interface Moving {
  /** From an edit to the map that shows it, frames. */
  readonly map: number;
  /** Share of frames that came late while the preview was scrolled. */
  readonly late: number;
  /** Reading 1,000 boxes, ms. */
  readonly boxes: number;
}

export async function moving(browser: Browser, address: string): Promise<Moving> {
  const project = sixtyEffects();
  const target = await newPage(browser);
  await openProject(target, address, project, 'stack-0');
  const found = await ofWorkbench(target);
  await target.close();
  return { ...found, boxes: await boxesRead(browser, project) };
}
