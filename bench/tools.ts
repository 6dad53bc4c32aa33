import type { Browser, Page } from '@playwright/test';
import { writeProjectFile } from '../src/core/formats/project-file';
import type { Project } from '../src/core/project/types';
import { projectOf } from './projects';

export const median = (values: readonly number[]) =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

export function timed(work: () => void): number {
  const from = performance.now();
  work();
  return performance.now() - from;
}

/**
 * The least of some rounds: on a machine shared with others one round may be slowed to half by what is none
 * of ours.
 * @param rounds as many as it takes to see the machine at its own speed.
 */
export async function steady<T>(
  rounds: number,
  round: () => Promise<T> | T,
  key: (value: T) => number
): Promise<T> {
  let least: T | undefined;
  for (let n = 0; n < rounds; n += 1) {
    const value = await round();
    if (least === undefined || key(value) < key(least)) least = value;
  }
  return least!;
}

/**
 * A page that gives up rather than hangs. The TypeScript loader names functions with a helper that a page
 * does not have.
 */
export async function newPage(browser: Browser): Promise<Page> {
  const target = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  target.setDefaultTimeout(30_000);
  await target.addInitScript('globalThis.__name = (each) => each');
  return target;
}

/** @param first a piece of it, which is waited for. */
export async function openProject(
  target: Page,
  address: string,
  project: Project,
  first = 'tabs-0'
): Promise<void> {
  await target.goto(address);
  await target.locator('input[type=file]').setInputFiles({
    name: 'bench.kymation',
    mimeType: 'application/zip',
    buffer: Buffer.from(writeProjectFile(project, new Map()))
  });
  await target.getByRole('link', { name: `Open ${project.info.name}` }).click();
  await target.frameLocator('iframe[title^="Preview of"]').locator(`[data-k="${first}"]`).waitFor();
  await target.waitForTimeout(1500);
}

export interface Edits {
  /** ms of work: command, print, and the frame's patch with style and layout. */
  readonly work: number;
  /** The same, by what does it: command, print, patch. */
  readonly shares: readonly number[];
  /** From the key to the frame that paints the change, in frames of 1/60 s. */
  readonly frames: number;
}

export interface Seen {
  readonly name: string;
  readonly duration: number;
  readonly at: number;
}

export const HANDS = ['cell', 'label', 'fold'] as const;
export type Hand = (typeof HANDS)[number];

/**
 * What a hand edits: a cell of the state sheet, a label, and a fold width, which is a media query in the page.
 */
export const hands: Readonly<Record<Hand, (target: Page) => Promise<void>>> = {
  async cell(target) {
    await target.keyboard.press('3');
    await target
      .getByRole('group', { name: 'Parts' })
      .getByRole('button', { name: 'tab list', exact: true })
      .click();
    await target.locator('[data-property="gap"][data-state="rest"]').click();
  },
  async label(target) {
    await target.keyboard.press('1');
    await target.getByRole('textbox', { name: 'Label 1', exact: true }).focus();
  },
  async fold(target) {
    await target.keyboard.press('6');
    await target.getByRole('textbox', { name: 'Fold under' }).focus();
  }
};

/** Edits a page of so many widgets. */
export const edits = (browser: Browser, address: string, widgets: number, hand: Hand): Promise<Edits> =>
  editsOf(browser, address, projectOf(widgets), 'tabs-0', hand);

/** Edits one piece by keys, eighty times, and reads the app's own measures. */
export async function editsOf(
  browser: Browser,
  address: string,
  project: Project,
  piece: string,
  hand: Hand
): Promise<Edits> {
  const target = await newPage(browser);
  await openProject(target, address, project, piece);
  await target.locator(`[data-row="${piece}"]`).click();
  await target.evaluate(() => {
    const seen: Seen[] = [];
    Object.assign(window, { seen });
    new PerformanceObserver((list) => {
      for (const { name, duration, detail } of list.getEntries() as PerformanceMeasure[]) {
        // The page’s frame says itself when it was painted; word of it comes later.
        if (name.startsWith('kymation'))
          seen.push({
            name,
            duration,
            at: typeof detail === 'number' ? detail - performance.timeOrigin : performance.now()
          });
      }
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
          const seen = (window as unknown as { seen: Seen[] }).seen;
          setTimeout(() => {
            const names = seen.map(({ name }) => name).join(', ') || 'nothing';
            const at = document.activeElement?.outerHTML.slice(0, 200);
            reject(new Error(`no patch within 5 s; seen: ${names}; the focus is on ${at}`));
          }, 5000);
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
            field.dispatchEvent(
              types
                ? new InputEvent('input', { bubbles: true })
                : new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true, cancelable: true })
            );
            const watch = () =>
              seen.some((each) => each.name === 'kymation patch')
                ? resolve({ start, pace, seen: [...seen] })
                : setTimeout(watch, 4);
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
  // A loop of fixed length says whether the machine ran at its own speed just then; what it did slowed down
  // says nothing of us.
  const own = median(
    paces
      .slice(10)
      .toSorted((a, b) => a - b)
      .slice(0, 20)
  );
  const counted = <T>(values: readonly T[]) =>
    values.filter((_value, n) => n >= 10 && paces[n]! < own * 1.25);
  return {
    work: median(counted(works).map((each) => each.reduce((sum, ms) => sum + ms, 0))),
    shares: [0, 1, 2].map((n) => median(counted(works).map((each) => each[n]!))),
    frames: median(counted(frames))
  };
}
