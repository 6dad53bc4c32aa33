import { basename, dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Page } from './test';

const [FROM, TO] = [280, 1920];

/** What a page shows at one width. */
export interface AtWidth {
  /** Lines of each heading. */
  readonly lines: readonly number[];
  readonly isSideways: boolean;
}

/** Where nothing answers but what is given to it. */
const HOST = 'http://widths.invalid/';

/**
 * Takes the exported page that is open into a frame, which is then as wide as each width in turn: a window that is made
 * wider by the test is drawn each time, which takes ten times as long.
 * @returns what it shows at every single width from 280 to 1920 px.
 */
export async function everyWidth(page: Page, headings: readonly string[]): Promise<readonly AtWidth[]> {
  const open = fileURLToPath(page.url());
  await page.route(`${HOST}**`, (route) => {
    const { pathname } = new URL(route.request().url());
    if (pathname === '/') return route.fulfill({ contentType: 'text/html', body: '<!doctype html>' });
    return route.fulfill({ path: join(dirname(open), decodeURIComponent(pathname)) });
  });
  await page.goto(HOST);
  return page.evaluate(lookAtEach, { src: HOST + basename(open), headings, from: FROM, to: TO });
}

interface Looks {
  readonly src: string;
  readonly headings: readonly string[];
  readonly from: number;
  readonly to: number;
}

/** Runs in the window. */
async function lookAtEach({ src, headings, from, to }: Looks): Promise<readonly AtWidth[]> {
  const frame = document.createElement('iframe');
  Object.assign(frame.style, { border: '0', width: '1280px', height: '800px' });
  const loaded = new Promise((resolve) => frame.addEventListener('load', resolve));
  frame.src = src;
  document.body.append(frame);
  await loaded;
  const { document: own, getComputedStyle } = frame.contentWindow!;
  await own.fonts.ready;
  const linesOf = (selector: string): number => {
    const element = own.querySelector<HTMLElement>(selector)!;
    const { lineHeight, fontSize } = getComputedStyle(element);
    return Math.round(element.offsetHeight / (parseFloat(lineHeight) || parseFloat(fontSize) * 1.2));
  };
  return Array.from({ length: to - from + 1 }, (_each, i) => {
    frame.style.width = `${from + i}px`;
    const { scrollWidth, clientWidth } = own.documentElement;
    return { lines: headings.map(linesOf), isSideways: scrollWidth > clientWidth };
  });
}

/** @returns runs of widths at which a heading has as many lines, as the bars of its lane are called. */
export function lineRuns(counts: readonly number[]): readonly string[] {
  let from = FROM;
  return counts.flatMap((count, i) => {
    if (counts[i + 1] === count) return [];
    const run = `${from} to ${FROM + i} px: ${count === 1 ? '1 line' : `${count} lines`}`;
    from = FROM + i + 1;
    return [run];
  });
}

/** @returns whether a width is in one of the runs that bars are called by, for every width. */
export function widthsIn(titles: readonly (string | null)[]): readonly boolean[] {
  const runs = titles.map((title) => /^(\d+) to (\d+) px/.exec(title!)!.slice(1).map(Number));
  const isIn = (px: number) => runs.some(([from, to]) => px >= from! && px <= to!);
  return Array.from({ length: TO - FROM + 1 }, (_each, i) => isIn(FROM + i));
}
