import type { Page } from './test';

const [FROM, TO] = [280, 1920];

/** What a page shows at one width. */
export interface AtWidth {
  /** Lines of each heading. */
  readonly lines: readonly number[];
  readonly isSideways: boolean;
}

/** @returns what the page that is open shows at every single width from 280 to 1920 px. */
export async function everyWidth(page: Page, headings: readonly string[]): Promise<readonly AtWidth[]> {
  const seen: AtWidth[] = [];
  for (let width = FROM; width <= TO; width += 1) {
    await page.setViewportSize({ width, height: 800 });
    seen.push(await page.evaluate(look, headings));
  }
  return seen;
}

/** Runs in the page. */
function look(headings: readonly string[]): AtWidth {
  const { scrollWidth, clientWidth } = document.documentElement;
  const lines = headings.map((selector) => {
    const element = document.querySelector<HTMLElement>(selector)!;
    const { lineHeight, fontSize } = getComputedStyle(element);
    return Math.round(element.offsetHeight / (parseFloat(lineHeight) || parseFloat(fontSize) * 1.2));
  });
  return { lines, isSideways: scrollWidth > clientWidth };
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
