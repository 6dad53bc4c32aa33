import type { Command } from '../src/core/commands/commands';
import { expect, test } from './support/test';
import { inTurn, sample, thorough } from './support/thorough';
import { makeWith } from '../src/core/kinds/make';
import { apply } from '../src/core/commands/apply';
import { createProject } from '../src/core/project/create';
import type { PageId, Project, ProjectId } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { exported } from './support/exported';
import { Bench } from './support/workbench';

// The width from which labels fit is what Chromium really does: thirty random sets of labels in three fonts,
// each wrapping in the
// exported page at the width the workbench names, to the px.

const make = makeWith({ exactIds: true });
const FONTS = ['serif', 'sans-serif', 'monospace'];

/** A small generator of numbers that are the same at every run (mulberry32, from memory). */
function random(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** How many sets of labels are tried. */
const SETS = sample(12, 30);

function project(): Project {
  const next = random(7);
  const words = [
    'Apple',
    'Pear',
    'Quince',
    'Medlar',
    'Wassail',
    'Long grass',
    'Windfall',
    'Ím',
    'Keeping cellar',
    'Mill'
  ];
  const tabs = Array.from({ length: SETS }, (_, n) =>
    make(
      'tabs',
      `Set ${n}`,
      { foldUnder: 0 },
      {
        panels: Array.from({ length: 3 + Math.floor(next() * 4) }, (_unused, i) =>
          make(
            'panel',
            `${words[Math.floor(next() * words.length)]} ${n}.${i}`,
            {},
            { content: [make('text', `Text ${n} ${i}`, { html: '<p>x</p>' })] }
          )
        )
      }
    )
  );
  const page = make(
    'page',
    'Page',
    {},
    {
      sections: [
        make(
          'section',
          'Section',
          {},
          { content: [make('heading', 'Sets', { level: '1', text: 'Sets' }), ...tabs] }
        )
      ]
    }
  );
  const start = createProject('Sets', page, { project: 'sets' as ProjectId, page: 'first' as PageId });
  return tabs.reduce((now, { root }, n) => {
    const set = (part: string, property: string, value: string): Command => ({
      type: 'set-style',
      id: root,
      part,
      state: 'rest',
      condition: 'always',
      property,
      value
    });
    const outcome = apply(registry, now, {
      type: 'batch',
      label: '',
      commands: [
        set('tab', 'font-family', FONTS[n % 3]!),
        set('tab', 'font-size', `${13 + (n % 5)}px`),
        set('list', 'gap', `${n % 7}px`),
        set('tab', 'letter-spacing', n % 4 === 0 ? '0.7px' : 'normal')
      ]
    });
    if (!outcome.ok) throw new Error(outcome.refusal.sentence);
    return outcome.project;
  }, start);
}

test(
  `${SETS} sets of labels in three fonts wrap at the width the findings name`,
  inTurn(3),
  async ({ page, browser }) => {
    const sets = project();
    const bench = new Bench(page);
    await bench.importProject(sets);
    await expect(page.getByRole('button', { name: /\d\d findings/ })).toBeVisible();
    await page.getByRole('button', { name: /\d\d findings/ }).click();
    const heads = page.getByRole('dialog', { name: 'Findings' }).locator('h3');
    await page.getByRole('button', { name: `${SETS} places` }).click();
    // They come when the labels have been measured.
    await expect(heads.filter({ hasText: /The labels of Set \d+ wrap/ })).toHaveCount(SETS);
    const texts = await heads.allTextContents();
    const named = new Map(
      texts.flatMap((text) => {
        const match = /The labels of Set (\d+) wrap under (\d+) px/.exec(text);
        return match ? [[Number(match[1]), Number(match[2])] as const] : [];
      })
    );
    expect(named.size).toBe(SETS);

    const real = await browser.newPage({ viewport: { width: 1300, height: 900 } });
    await real.goto((await exported(sets)).url);
    const wrapsAt = async (width: number): Promise<boolean[]> => {
      await real.setViewportSize({ width, height: 900 });
      return real.evaluate(() =>
        [...document.querySelectorAll('[role=tablist]')].map(
          (list) => new Set([...list.children].map((tab) => (tab as HTMLElement).offsetTop)).size > 1
        )
      );
    };
    for (const [n, width] of named) {
      const [below, at] = [(await wrapsAt(width - 1))[n], (await wrapsAt(width))[n]];
      expect({ n, width, below, at }).toEqual({ n, width, below: true, at: false });
    }
    await real.close();
  }
);

test('the width stands on the ruler, moves with a label, a font and a gap, and is offered as the fold width', async ({
  page
}) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Season tabs');
  const need = async () => {
    await expect(page.locator('.fit')).toHaveText(/labels need \d+/);
    return Number(/\d+/.exec((await page.locator('.fit').textContent())!)![0]);
  };
  const before = await need();
  await bench.view('Fill');
  await page
    .getByRole('textbox', { name: 'Label 2', exact: true })
    .fill('Summer in the long grass under the walnut tree');
  await expect.poll(need).toBeGreaterThan(before + 100);
  const longer = await need();
  await bench.pick('Season tabs', 'tab list');
  await bench.view('States');
  await bench.set('gap', 'Gap', 'rest', '24');
  // A colour moves nothing, and keeps nothing from being found out.
  await bench.set('background-color', 'Background', 'rest', '#e4ddc8');
  await expect.poll(need).toBe(longer + 3 * 20);
  await bench.view('Fallbacks');
  await page.getByRole('button', { name: /Fold at \d+/ }).click();
  await expect(page.getByRole('slider', { name: 'Season tabs folds' })).toHaveAttribute(
    'aria-valuenow',
    String(longer + 60)
  );
  await page.getByRole('button', { name: 'Never fold' }).click();
  await expect(page.getByRole('slider', { name: 'Season tabs folds' })).toHaveCount(0);
  await expect(page.getByText(/below that they wrap onto more lines/)).toBeVisible();
});

test('labels that never fit are said to, and scrolling is offered', thorough, async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Season tabs');
  await bench.view('Fill');
  for (const n of [1, 2, 3, 4])
    await page
      .getByRole('textbox', { name: `Label ${n}`, exact: true })
      .fill(`A label of eighty letters and no fewer, which no tab list will take on one line ${n}`);
  await expect(page.locator('.fit')).toHaveText('labels never fit');
  await page.getByRole('button', { name: /finding/ }).click();
  await page.getByRole('button', { name: 'Let the list scroll' }).click();
  await expect(bench.preview.locator('.season-tabs-list')).toHaveCSS('flex-wrap', 'nowrap');
  const [inside, outside] = await bench.preview
    .locator('.season-tabs-list')
    .evaluate((list) => [list.scrollWidth, list.clientWidth]);
  expect(inside).toBeGreaterThan(outside!);
});

test('a finding stays under the hand that presses its button', thorough, async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Season tabs');
  await bench.view('Fill');
  await page
    .getByRole('textbox', { name: 'Label 1', exact: true })
    .fill('A label that fits nowhere. '.repeat(9));
  await page.getByRole('button', { name: /finding/ }).click();
  await page.getByRole('button', { name: 'Let the list scroll' }).hover();
  await page.mouse.down();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();
  await page.mouse.up();
  await expect(bench.preview.locator('.season-tabs-list')).toHaveCSS('flex-wrap', 'nowrap');
  await expect(page.getByRole('button', { name: 'Let the list scroll' })).toHaveCount(0);
});
