import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import type { Fragment, PageId, Project } from '../src/core/project/types';
import { exported, partIn } from './support/exported';
import { random, randomPages } from './support/random';
import { expect, test, type Page } from './support/test';
import { Bench } from './support/workbench';

const make = makeWith({ exactIds: true });
const [FROM, TO] = [280, 1920];

const WORDS = ['apple', 'press', 'orchardkeepers', 'oak', 'wassail', 'in', 'the', 'seedlings', 'barn', 'a'];

/** A page of some sections, each with columns of headings and buttons of random words; some are far too long. */
function randomPage(seed: number): Project {
  const pick = random(seed);
  const words = (most: number) =>
    Array.from({ length: 1 + pick(most) }, () => WORDS[pick(WORDS.length)]!).join(' ');
  const headings = { next: 0 };
  const column = (): Fragment =>
    make(
      'column',
      `Column ${headings.next}`,
      {},
      {
        content: [
          make('heading', `Heading ${(headings.next += 1)}`, { text: words(12), level: '2' }),
          make('button', `Button ${headings.next}`, { label: words(6).repeat(1 + pick(3)) })
        ]
      }
    );
  const section = (n: number): Fragment => {
    const columns = Array.from({ length: 1 + pick(4) }, column);
    return make(
      'section',
      `Section ${n}`,
      {},
      { content: [make('columns', `Columns ${n}`, {}, { columns })] }
    );
  };
  const page = make('page', 'Page', {}, { sections: [1, 2, 3].map(section) });
  return createProject(`Random ${seed}`, page, { page: 'page' as PageId });
}

const headingsOf = ({ nodes }: Project): readonly string[] =>
  Object.values(nodes).flatMap(({ kind, id }) => (kind === 'heading' ? [id] : []));

interface Seen {
  readonly lines: readonly number[];
  readonly isSideways: boolean;
}

/** What the exported page shows at every single width, from the narrowest on. */
async function everyWidth(page: Page, project: Project): Promise<readonly Seen[]> {
  const { url, problems } = await exported(project, new Map(), false, true);
  expect(problems).toEqual([]);
  await page.goto(url);
  const selectors = headingsOf(project).map((id) => partIn('export', id, 'root'));
  const seen: Seen[] = [];
  for (let width = FROM; width <= TO; width += 1) {
    await page.setViewportSize({ width, height: 800 });
    seen.push(
      await page.evaluate((all) => {
        const { scrollWidth, clientWidth } = document.documentElement;
        const lines = all.map((selector) => {
          const element = document.querySelector<HTMLElement>(selector)!;
          return Math.round(element.offsetHeight / parseFloat(getComputedStyle(element).lineHeight));
        });
        return { lines, isSideways: scrollWidth > clientWidth };
      }, selectors)
    );
  }
  return seen;
}

/** Runs of what stays the same, as the bars are called. */
function runsOf(values: readonly string[]): readonly string[] {
  let from = FROM;
  return values.flatMap((value, i) => {
    if (values[i + 1] === value) return [];
    const run = `${from} to ${FROM + i} px: ${value}`;
    from = FROM + i + 1;
    return [run];
  });
}

const titlesOf = (page: Page, lane: string): Promise<readonly (string | null)[]> =>
  page.locator(`${lane} .bar`).evaluateAll((bars) => bars.map((bar) => bar.getAttribute('title')));

const linesInWords = (count: number): string => (count === 1 ? '1 line' : `${count} lines`);

for (let seed = 1; seed <= randomPages(1); seed += 1)
  test(`every edge of a random page is where Chromium has it, page ${seed}`, async ({ page }) => {
    test.setTimeout(240_000);
    const project = randomPage(seed);
    const seen = await everyWidth(page, project);
    await page.setViewportSize({ width: 1280, height: 800 });
    const bench = new Bench(page);
    await bench.importProject(project);
    await bench.view('Widths');
    await expect(page.getByText(/^swept in /)).toBeVisible({ timeout: 60_000 });
    await expect(page.getByRole('button', { name: 'Sweep again' })).toBeVisible({ timeout: 60_000 });

    for (const [i, id] of headingsOf(project).entries()) {
      const runs = runsOf(seen.map(({ lines }) => linesInWords(lines[i]!)));
      // What never changes is not told.
      expect(await titlesOf(page, `[data-lane="heading ${id} root"]`)).toEqual(runs.length > 1 ? runs : []);
    }
    const widths = await titlesOf(page, '[data-lane^="sideways"]');
    const told = widths.map((title) => /^(\d+) to (\d+) px/.exec(title!)!.slice(1).map(Number));
    const isTold = (px: number) => told.some(([from, to]) => px >= from! && px <= to!);
    expect(seen.map((_each, i) => isTold(FROM + i))).toEqual(seen.map(({ isSideways }) => isSideways));
  });
