import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import type { Fragment, PageId, Project } from '../src/core/project/types';
import { exported, partIn } from './support/exported';
import { random } from './support/random';
import { thorough } from './support/thorough';
import { expect, test, type Page } from './support/test';
import { everyWidth, lineRuns, widthsIn } from './support/widths';
import { Bench } from './support/workbench';

const make = makeWith({ exactIds: true });

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

const titlesOf = (page: Page, lane: string): Promise<readonly (string | null)[]> =>
  page.locator(`${lane} .bar`).evaluateAll((bars) => bars.map((bar) => bar.getAttribute('title')));

for (let seed = 1; seed <= 20; seed += 1)
  test(`every edge of a random page is where Chromium has it, page ${seed}`, thorough, async ({ page }) => {
    const project = randomPage(seed);
    const ids = headingsOf(project);
    const { url, problems } = await exported(project, new Map(), false, true);
    expect(problems).toEqual([]);
    await page.goto(url);
    const seen = await everyWidth(
      page,
      ids.map((id) => partIn('export', id, 'root'))
    );
    await page.setViewportSize({ width: 1280, height: 800 });
    const bench = new Bench(page);
    await bench.importProject(project);
    await bench.view('Widths');
    await expect(page.getByText(/^swept in /)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Sweep again' })).toBeVisible();

    for (const [i, id] of ids.entries()) {
      const runs = lineRuns(seen.map(({ lines }) => lines[i]!));
      // What never changes is not told.
      expect(await titlesOf(page, `[data-lane="heading ${id} root"]`)).toEqual(runs.length > 1 ? runs : []);
    }
    const sideways = await titlesOf(page, '[data-lane^="sideways"]');
    expect(widthsIn(sideways)).toEqual(seen.map(({ isSideways }) => isSideways));
  });
