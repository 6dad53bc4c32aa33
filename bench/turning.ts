import type { Browser, Page } from '@playwright/test';
import { makeDemo } from '../demo/make';
import { apply } from '../src/core/commands/apply';
import type { Command } from '../src/core/commands/commands';
import { makeWith, panelWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import type { Fragment, PageId, Project, ProjectId } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { exported } from '../tests/support/exported';
import { median, newPage, openProject } from './tools';

const make = makeWith({ exactIds: true });
/** How much slower than this machine the reader's is. */
const SLOWER = 4;

const slides = (count: number): Fragment[] =>
  Array.from({ length: count }, (_, i) => panelWith(make, `Slide ${i + 1}`, 'A few words that are read.'));

/** A page with one slider that plays. */
export function sliderOf(count: number): Project {
  const slider = make('slider', 'Slider', { plays: true }, { panels: slides(count) });
  const section = make('section', 'Section', {}, { content: [slider] });
  return createProject(`Slides ${count}`, make('page', 'Page', {}, { sections: [section] }), {
    project: `slides-${count}` as ProjectId,
    page: 'page' as PageId
  });
}

/** Run in the window. From the press to what it draws, laid out, ms. */
function drawnRound(): Promise<number> {
  const tab = (name: string) =>
    [...document.querySelectorAll<HTMLElement>('[role=tab]')].find(
      (each) => each.textContent?.trim() === name
    )!;
  tab('Fill').click();
  return new Promise((resolve) => {
    requestAnimationFrame(() => {
      const from = performance.now();
      const watch = new MutationObserver(() => {
        const round = document.querySelector('[aria-label="One round"]');
        if (!round) return;
        watch.disconnect();
        round.getBoundingClientRect();
        resolve(performance.now() - from);
      });
      watch.observe(document.body, { childList: true, subtree: true });
      tab('Timing').click();
    });
  });
}

/** What a round of 50 slides adds to the drawing of Timing, over one of two, ms. */
export async function roundDrawn(browser: Browser, address: string): Promise<number> {
  const few = await timingDrawn(browser, address, 2);
  return (await timingDrawn(browser, address, 50)) - few;
}

/** From the press on Timing until the round is drawn, ms. */
async function timingDrawn(browser: Browser, address: string, count: number): Promise<number> {
  const target = await newPage(browser);
  await openProject(target, address, sliderOf(count), 'slider');
  await target.locator('[data-row="slider"]').click();
  const times: number[] = [];
  for (let n = 0; n < 12; n += 1) {
    await target.waitForTimeout(200);
    times.push(await target.evaluate(drawnRound));
  }
  await target.close();
  return median(times.slice(2));
}

/** Twelve two-sided cards, three in sight, on the demo's own page. */
function twelveCards(): Project {
  const card = (n: number) =>
    make(
      'panel',
      `Place ${n}`,
      {},
      {
        content: [
          make(
            'card',
            `Card ${n}`,
            {},
            {
              front: [make('heading', `Front ${n}`, { text: `Card ${n}`, level: '3' })],
              back: [make('text', `Back ${n}`, { html: '<p>What there is to know of it.</p>' })]
            }
          )
        ]
      }
    );
  const slider = make(
    'slider',
    'Twelve cards',
    { visible: 3 },
    {
      panels: Array.from({ length: 12 }, (_, i) => card(i + 1))
    }
  );
  const command = {
    type: 'insert',
    fragment: slider,
    at: { parent: 'welcome', slot: 'content', index: 0 }
  } as Command;
  const outcome = apply(registry, makeDemo().project, command);
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

/** Presses an arrow and watches the frames until it has come to rest. @returns gaps between frames, ms. */
const move = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number[]>((resolve) => {
        const gaps: number[] = [];
        let last = 0;
        const watch = (now: number) => {
          if (last) gaps.push(now - last);
          last = now;
          if (gaps.length < 45) requestAnimationFrame(watch);
          else resolve(gaps);
        };
        document.querySelector<HTMLElement>('[data-k-to="1"]')!.click();
        requestAnimationFrame(watch);
      })
  );

/** The longest frame while a slider of twelve cards moves three times, 4× slower, in frames of 1/60 s. */
export async function longestFrame(browser: Browser): Promise<number> {
  const { bytes } = makeDemo();
  const { url } = await exported(twelveCards(), bytes);
  const page = await newPage(browser);
  const session = await page.context().newCDPSession(page);
  await page.goto(url);
  await page.locator('[data-k-slider][data-k-on]').waitFor();
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  // The first is the browser's own warming up.
  await move(page);
  const gaps = [...(await move(page)), ...(await move(page)), ...(await move(page))];
  await page.close();
  return Math.max(...gaps) / (1000 / 60);
}

/** How often a second the demo's page that plays works its style out while it rests. */
export async function recalcsAtRest(browser: Browser): Promise<number> {
  const { project, bytes } = makeDemo();
  const { url } = await exported(project, bytes);
  const page = await newPage(browser);
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  const count = async () => {
    const { metrics } = await session.send('Performance.getMetrics');
    return metrics.find(({ name }) => name === 'RecalcStyleCount')!.value;
  };
  await page.goto(new URL('varieties.html', url).href);
  await page.waitForTimeout(1000);
  const before = await count();
  await page.waitForTimeout(2000);
  const found = ((await count()) - before) / 2;
  await page.close();
  return found;
}
