import { gzipSync } from 'node:zlib';
import { chromium, type Browser, type Page } from '@playwright/test';
import { apply } from '../src/core/commands/apply';
import { createPreviewSession } from '../src/core/compile/preview';
import { printPage } from '../src/core/compile/page';
import { fitFrom, rowWidth } from '../src/core/layout/fit';
import type { PageId, Project } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { pageScript } from '../src/server/bundle';
// @ts-expect-error plain JavaScript, shared with npm start
import { buildApp, findChromium, freePort, startServer } from '../scripts/lib.mjs';
import { bigPage, duplicateMs, whileImporting } from './big';
import { finishing, insertOpens } from './finishing';
import { slowestPress } from './pressing';
import { moving } from './moving';
import { scrolled } from './scrolling';
import { longestFrame, recalcsAtRest, roundDrawn, sliderOf } from './turning';
import { projectOf } from './projects';
import { publishMs, sheetMs } from './handover';
import { listOfProjects } from './listing';
import { sweep } from './sweep';
import { tables } from './tables';
import {
  edits,
  editsOf,
  HANDS,
  hands,
  median,
  newPage,
  openProject,
  steady,
  timed,
  type Edits,
  type Seen
} from './tools';

interface Figure {
  readonly name: string;
  readonly value: number;
  readonly unit: string;
  readonly limit: number;
}

const page = 'page' as PageId;

function edited(project: Project, n: number): Project {
  const outcome = apply(registry, project, {
    type: 'set-style',
    id: 'tabs-0',
    part: 'tab',
    state: 'rest',
    condition: 'always',
    property: 'padding',
    value: `${n}px`
  });
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

/** Working out the fit width of 60 labels from what was measured, ms. */
function fitMs(): number {
  const widths = Array.from({ length: 60 }, (_, i) => 40 + (i % 17) * 3.37);
  return median(
    Array.from({ length: 200 }, () =>
      timed(
        () => void fitFrom({ needed: rowWidth(widths, 4, 2), available: 1072, viewport: 1120, heights: [] })
      )
    )
  );
}

/**
 * On a page of 200 widgets: time of the rules after an edit, of measuring one widget's labels, and of a
 * condition's switch.
 */
async function tuningFigures(
  browser: Browser,
  address: string
): Promise<{ findings: number; measured: number; switched: number }> {
  const target = await newPage(browser);
  await openProject(target, address, projectOf(200));
  await target.locator('[data-row="tabs-0"]').click();
  await target.evaluate(() => {
    const seen: Seen[] = [];
    Object.assign(window, { seen });
    new PerformanceObserver((list) => {
      for (const { name, duration } of list.getEntries())
        seen.push({ name, duration, at: performance.now() });
    }).observe({ entryTypes: ['measure'] });
  });
  await hands.cell(target);
  for (let n = 0; n < 15; n += 1) {
    await target.keyboard.press('ArrowUp');
    await target.waitForTimeout(450);
  }
  const findings = median(
    (await target.evaluate(() => (window as unknown as { seen: Seen[] }).seen))
      .filter(({ name }) => name === 'kymation findings')
      .map(({ duration }) => duration)
      .slice(2)
  );
  await target.keyboard.press('Escape');
  const frame = target.frames().find((each) => each.url().endsWith('/frame') && each.parentFrame())!;
  const measured = await frame.evaluate(() => {
    const list = document.querySelector('[data-k="tabs-0"] [role=tablist]')!;
    const times: number[] = [];
    for (let n = 0; n < 40; n += 1) {
      const from = performance.now();
      const copy = list.cloneNode(true) as HTMLElement;
      Object.assign(copy.style, {
        position: 'absolute',
        visibility: 'hidden',
        width: 'max-content',
        flexWrap: 'nowrap'
      });
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
    const changed = frame.evaluate(
      () =>
        new Promise<number>((resolve) => {
          const watch = new MutationObserver(() => {
            watch.disconnect();
            requestAnimationFrame(() => resolve(performance.timeOrigin + performance.now()));
          });
          watch.observe(document.documentElement, { attributeFilter: ['data-k-touch'] });
        })
    );
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

/** Run in a window or a frame. @returns what it asked for, by address, and when (ms since 1970). */
function requested(): [address: string, at: number][] {
  return performance
    .getEntriesByType('resource')
    .map(({ name, startTime }) => [name, performance.timeOrigin + startTime]);
}

/** @returns addresses of what the page and the frames in it had asked for when the page was on show. */
async function requestedUntilShown(page: Page): Promise<Set<string>> {
  const shown = await page.evaluate(
    () => performance.timeOrigin + performance.getEntriesByName('kymation shown')[0]!.startTime
  );
  const all = await Promise.all(page.frames().map((frame) => frame.evaluate(requested)));
  return new Set(
    all
      .flat()
      .filter(([, at]) => at <= shown)
      .map(([address]) => address)
  );
}

async function firstLoad(
  browser: Browser,
  address: string
): Promise<{ script: number; style: number; usable: number }> {
  const sums = { script: 0, style: 0 };
  const opened = await newPage(browser);
  await opened.goto(address);
  await opened.getByRole('link', { name: 'Open Quillmere Orchard' }).waitFor();
  const link = (await opened.getByRole('link', { name: 'Open Quillmere Orchard' }).getAttribute('href'))!;
  const found = new Map<string, 'script' | 'style'>();
  opened.on('response', (response) => {
    const type = response.headers()['content-type'] ?? '';
    const kind = (['script', 'style'] as const).find((each) =>
      type.includes(each === 'script' ? 'javascript' : 'css')
    );
    if (kind) found.set(response.url(), kind);
  });
  const from = performance.now();
  await opened.goto(new URL(link, address).href);
  await opened.frameLocator('iframe[title^="Preview of"]').locator('.season-tabs').waitFor();
  const usable = performance.now() - from;
  // What comes when the page is on show, and for views nobody has opened, does not hold it up.
  const asked = await requestedUntilShown(opened);
  const first = [...found].filter(([url]) => asked.has(url));
  for (const [url, kind] of first)
    sums[kind] += gzipSync(Buffer.from(await (await fetch(url)).arrayBuffer()), { level: 9 }).length;
  await opened.close();
  return { ...sums, usable };
}

/**
 * What is measured, a part at a time: `npm run bench -- edits big` does two of them, without a name all are
 * done.
 */
const PARTS = {
  async core(): Promise<Figure[]> {
    // First, while nothing else has left anything to be cleared away.
    const duplicate = await steady(3, duplicateMs, Number);
    const script = (await pageScript(['tabs'], true))!;
    const [small, large] = [recompile(20), recompile(1000)];
    return [
      {
        name: 'script of an exported tabs page',
        value: gzipSync(script, { level: 9 }).length,
        unit: 'bytes gzip',
        limit: 1300
      },
      {
        name: 'recompile after one edit, 1,000 widgets against 20',
        value: large / small,
        unit: 'ratio',
        limit: 1.5
      },
      {
        name: 'gathering and printing a page of 2,000 nodes',
        value: await steady(3, () => fullCompile(645), Number),
        unit: 'ms',
        limit: 200
      },
      {
        name: 'full compile of 1,000 widgets',
        value: await steady(3, () => fullCompile(1000), Number),
        unit: 'ms',
        limit: 150
      },
      { name: 'duplicate of a section of 500 nodes', value: duplicate, unit: 'ms', limit: 30 }
    ];
  },
  async load(browser: Browser, address: string): Promise<Figure[]> {
    const load = await steady(
      3,
      () => firstLoad(browser, address),
      ({ usable }) => usable
    );
    return [
      { name: 'first load of the workbench, script', value: load.script / 1000, unit: 'kB gzip', limit: 300 },
      { name: 'first load of the workbench, style', value: load.style / 1000, unit: 'kB gzip', limit: 45 },
      { name: 'demo open to usable', value: load.usable, unit: 'ms', limit: 1200 },
      {
        name: 'insert drawer, from the key to the frame that shows it',
        value: await insertOpens(browser, address),
        unit: 'ms',
        limit: 80
      }
    ];
  },
  async finishing(_browser: Browser, address: string): Promise<Figure[]> {
    const { whole, half, waited } = await finishing(address);
    return [
      { name: 'finishing a page of 20,000 nodes', value: whole, unit: 'ms', limit: 4000 },
      { name: 'finishing 10,000 nodes against 20,000', value: half, unit: 'ratio', limit: 0.6 },
      { name: 'another request meanwhile, the longest', value: waited, unit: 'ms', limit: 100 }
    ];
  },
  async edits(browser: Browser, address: string): Promise<Figure[]> {
    const few: Edits[] = [];
    const many: Edits[] = [];
    for (const hand of HANDS) {
      const least = (widgets: number) =>
        steady(
          widgets < 1000 ? 3 : 2,
          () => edits(browser, address, widgets, hand),
          ({ work }) => work
        );
      few.push(await least(200));
      many.push(await least(1000));
      const said = ({ work, shares }: Edits) =>
        `${work.toFixed(2)} ms of work (${shares.map((ms) => ms.toFixed(2)).join(' + ')})`;
      console.log(`      a ${hand}: ${said(few.at(-1)!)} at 200 widgets, ${said(many.at(-1)!)} at 1,000`);
    }
    return [
      {
        name: 'one edit to patched preview, 200 widgets, work',
        value: median(few.map(({ work }) => work)),
        unit: 'ms',
        limit: 4
      },
      {
        name: 'a fold width to patched preview, 1,000 widgets, work',
        value: many[HANDS.indexOf('fold')]!.work,
        unit: 'ms',
        limit: 8
      },
      {
        name: 'one edit to painted, 200 widgets, the slowest kind',
        value: Math.max(...few.map(({ frames }) => frames)),
        unit: 'frames',
        limit: 2
      },
      {
        name: 'one edit to painted, 1,000 widgets, the slowest kind',
        value: Math.max(...many.map(({ frames }) => frames)),
        unit: 'frames',
        limit: 2
      }
    ];
  },
  async tuning(browser: Browser, address: string): Promise<Figure[]> {
    const tuning = await tuningFigures(browser, address);
    return [
      {
        name: 'findings after one edit, in the worker, 200 widgets',
        value: tuning.findings,
        unit: 'ms',
        limit: 20
      },
      { name: 'fit width worked out again from a measurement', value: fitMs(), unit: 'ms', limit: 5 },
      {
        name: 'measuring the labels of one widget in the page',
        value: tuning.measured,
        unit: 'ms',
        limit: 5
      },
      {
        name: 'a condition switched to painted, 200 widgets',
        value: tuning.switched,
        unit: 'frames',
        limit: 2
      }
    ];
  },
  async big(browser: Browser, address: string): Promise<Figure[]> {
    const big = await bigPage(browser, address);
    return [
      { name: 'page of 2,000 nodes, open to all of it on show', value: big.open, unit: 'ms', limit: 1500 },
      { name: 'page of 2,000 nodes, one edit, work', value: big.edit, unit: 'ms', limit: 8 },
      {
        name: 'page of 2,000 nodes, a row dragged over the outline',
        value: big.drag,
        unit: 'ms a frame',
        limit: 17
      }
    ];
  },
  async pressing(browser: Browser): Promise<Figure[]> {
    return [
      {
        name: 'a press on the exported demo to its picture, 4× slower',
        value: await slowestPress(browser),
        unit: 'ms',
        limit: 50
      }
    ];
  },
  async turning(browser: Browser, address: string): Promise<Figure[]> {
    const edited = await steady(
      3,
      () => editsOf(browser, address, sliderOf(50), 'slider', 'label'),
      ({ work }) => work
    );
    return [
      { name: 'an edit in a slider of 50 slides, work', value: edited.work, unit: 'ms', limit: 4 },
      {
        name: 'one round of 50 slides, drawn in Timing',
        value: await roundDrawn(browser, address),
        unit: 'ms',
        limit: 16
      },
      {
        name: 'a slider of 12 cards while it moves, the longest frame, 4× slower',
        value: await steady(3, () => longestFrame(browser), Number),
        unit: 'frames',
        limit: 1.05
      },
      {
        name: 'a page that plays, while it rests, styles worked out',
        value: await recalcsAtRest(browser),
        unit: 'a second',
        limit: 10
      }
    ];
  },
  async scrolling(browser: Browser): Promise<Figure[]> {
    const native = await scrolled(browser, true);
    const scripted = await scrolled(browser, false);
    const named = (how: string) => `a page scrolled through ${how}, 4× slower`;
    return [
      { name: `${named('natively')}, the longest frame`, value: native.longest, unit: 'frames', limit: 1.05 },
      { name: `${named('natively')}, layouts`, value: native.layouts, unit: 'in 240 frames', limit: 0 },
      {
        name: `${named('by script')}, the longest frame`,
        value: scripted.longest,
        unit: 'frames',
        limit: 1.05
      },
      { name: `${named('by script')}, layouts`, value: scripted.layouts, unit: 'in 240 frames', limit: 0 },
      {
        name: 'the same at rest, styles worked out',
        value: Math.max(native.atRest, scripted.atRest),
        unit: 'a second',
        limit: 0
      }
    ];
  },
  async moving(browser: Browser, address: string): Promise<Figure[]> {
    const { map, late, boxes } = await moving(browser, address);
    return [
      { name: 'an edit to the scroll map of 60 effects', value: map, unit: 'frames', limit: 2 },
      {
        name: 'the preview of 60 effects scrolled, frames that came late',
        value: 100 * late,
        unit: '% of 120',
        limit: 5
      },
      { name: 'boxes of 1,000 pieces read', value: boxes, unit: 'ms', limit: 45 }
    ];
  },
  async listing(browser: Browser, address: string): Promise<Figure[]> {
    const { drawn, longest } = await listOfProjects(browser, address);
    return [
      { name: 'thirty projects listed, those in view drawn', value: drawn, unit: 'ms', limit: 4500 },
      { name: 'the same, longest without an answer', value: longest, unit: 'ms', limit: 200 }
    ];
  },
  async sweep(browser: Browser, address: string): Promise<Figure[]> {
    const { first, answered, again } = await sweep(browser, address);
    return [
      { name: 'the visit page swept over all widths', value: first, unit: 'ms', limit: 3000 },
      { name: 'the same after an edit: a first answer', value: answered, unit: 'ms', limit: 500 },
      { name: 'the same after an edit, all of it', value: again, unit: 'ms', limit: 500 }
    ];
  },
  async tables(): Promise<Figure[]> {
    const { read, query, edit } = tables();
    return [
      { name: 'a table of 50,000 rows read', value: read, unit: 'ms', limit: 2000 },
      { name: 'a query over 50,000 rows', value: query, unit: 'ms', limit: 50 },
      { name: 'an edit of the template of 200 rows, work', value: edit, unit: 'ms', limit: 16 }
    ];
  },
  async handover(): Promise<Figure[]> {
    return [
      {
        name: 'specification of the visit page',
        value: await steady(3, sheetMs, Number),
        unit: 'ms',
        limit: 2000
      },
      { name: 'publishing all pages', value: await steady(3, publishMs, Number), unit: 'ms', limit: 1000 }
    ];
  },
  async import(browser: Browser, address: string): Promise<Figure[]> {
    return [
      {
        name: 'an edit painted later while 100 pictures come in',
        value: await whileImporting(browser, address),
        unit: 'frames',
        limit: 1
      }
    ];
  }
};

async function main(): Promise<void> {
  const asked = process.argv.slice(2);
  const strange = asked.filter((name) => !Object.hasOwn(PARTS, name));
  if (strange.length > 0)
    throw new Error(
      `The bench has no part called ${strange.join(' or ')}. It has ${Object.keys(PARTS).join(', ')}.`
    );
  buildApp();
  const { address, server } = await startServer(await freePort(4400));
  const browser = await chromium.launch({
    executablePath: findChromium(),
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync'
    ]
  });
  const figures: Figure[] = [];
  for (const [name, part] of Object.entries(PARTS))
    if (asked.length === 0 || asked.includes(name)) figures.push(...(await part(browser, address)));
  await browser.close();
  server.kill();

  for (const { name, value, unit, limit } of figures) {
    console.log(
      `${value <= limit ? 'ok  ' : 'OVER'}  ${name.padEnd(58)} ${value.toFixed(value < 10 ? 2 : 0).padStart(8)} ${unit} (limit ${limit})`
    );
  }
  process.exitCode = figures.some(({ value, limit }) => value > limit) ? 1 : 0;
  process.exit();
}

await main();
