import { readFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import { loadRules, runFindings } from '../src/core/findings/run';
import { NO_FACTS } from '../src/core/kinds/finding';
import { makeWith } from '../src/core/kinds/make';
import type { PageId } from '../src/core/project/types';
import { printSpecification } from '../src/core/specification/page';
import { specificationOf } from '../src/core/specification/specification';
import { registry } from '../src/core/whole';
import { bytes, demo as project } from './support/demo';
import { axeViolations } from './support/axe';
import { exported, partIn } from './support/exported';
import { printed, squeezed } from './support/paper';
import { expect, test } from './support/test';
import { inTurn, inTurnUnless, thorough } from './support/thorough';
import { changed, put } from './support/visit';
import { Bench } from './support/workbench';

const page = 'visit' as PageId;

test.beforeAll(() => loadRules(registry));

const specification = (of = page) =>
  specificationOf(registry, project, {
    page: of,
    piece: null,
    measured: { facts: NO_FACTS, width: 1120 },
    lanes: [
      {
        what: 'heading',
        node: 'welcome-heading',
        part: 'root',
        runs: [{ from: 280, to: 612, value: 2, at: 280 }]
      }
    ],
    findings: runFindings(registry, project),
    files: []
  });

const html = (of = page) =>
  printSpecification(specification(of), { registry, project, page: of, pictureOf: () => null });

// Chromium's computed styles of the exported page are the reference.
test('what a specification says of every part at rest is what the exported page has', async ({
  page: tab
}) => {
  const { url } = await exported(project, bytes, false, true);
  await tab.goto(url);
  const said = specification().pieces.flatMap(({ node, parts }) =>
    parts.map(({ part, rows }) => ({
      selector: partIn('export', node, part),
      values: rows.map(({ property, values }) => [property, values[0]!.value] as const)
    }))
  );
  const wrong = await tab.evaluate((parts) => {
    const found: string[] = [];
    const bare = document.body.appendChild(document.createElement('div'));
    for (const { selector, values } of parts) {
      // Of tabs the first is chosen; the last is at rest.
      const element = [...document.querySelectorAll(selector)].at(-1);
      if (!element) continue;
      const style = getComputedStyle(element);
      for (const [property, value] of values) {
        // What a length is a share of, or grows with, stands in the page and not beside it.
        if (
          !/^(background-color|color|border-radius|padding|font-weight|outline-offset|opacity)$/.test(
            property
          )
        )
          continue;
        bare.style.cssText = `all: initial; ${property}: ${value}`;
        const is = style.getPropertyValue(property);
        const should = getComputedStyle(bare).getPropertyValue(property);
        if (is !== should) found.push(`${selector} ${property}: ${is}, said ${should}`);
      }
    }
    return found;
  }, said);
  expect(said.length).toBeGreaterThan(30);
  expect(wrong).toEqual([]);
});

test('every state is drawn with the values that stand below it, and everything can be read', async ({
  page: tab
}) => {
  await tab.setContent(html());
  const { count, wrong } = await tab.evaluate(() => {
    const wrong: string[] = [];
    let count = 0;
    const bare = document.body.appendChild(document.createElement('div'));
    for (const table of document.querySelectorAll('table')) {
      const [looks, ...rows] = [...table.tBodies[0]!.rows];
      const drawn = [...looks!.cells].slice(1).map((cell) => cell.querySelector('[data-k-force]'));
      if (!drawn.some(Boolean)) continue;
      for (const row of rows) {
        const property = { Background: 'background-color', Text: 'color' }[row.cells[0]!.textContent!];
        if (!property) continue;
        drawn.forEach((element, i) => {
          const cell = row.cells[i + 1]!;
          const told = cell.querySelector('.s-value') ?? row.cells[1]!.querySelector('.s-value');
          if (!element) return;
          bare.style.cssText = `all: initial; ${property}: ${told!.textContent}`;
          const [is, should] = [element, bare].map((each) =>
            getComputedStyle(each).getPropertyValue(property)
          );
          count += 1;
          if (is !== should)
            wrong.push(
              `${table.previousElementSibling!.textContent} ${i} ${property}: ${is}, told ${should}`
            );
        });
      }
    }
    bare.remove();
    return { count, wrong };
  });
  expect(count).toBeGreaterThan(20);
  expect(wrong).toEqual([]);
  expect(await axeViolations(tab)).toEqual([]);
});

test(
  'what is drawn at its own size, tabs and buttons in each state, is whole in its cell',
  inTurn(5),
  async ({ page: tab }) => {
    await tab.setContent(html());
    const { count, cut } = await tab.evaluate(() => {
      const cells = [...document.querySelectorAll('.s-cell:has(> .s-small)')];
      const cut = cells.filter((cell) => {
        const { left, right } = cell.getBoundingClientRect();
        const drawn = [...cell.querySelectorAll('.ks *')].map((each) => each.getBoundingClientRect());
        const shown = drawn.filter((box) => box.width > 0);
        const isMissing = cell.textContent.trim() !== '' && shown.length === 0;
        return isMissing || shown.some((box) => box.left < left || box.right > right);
      });
      return { count: cells.length, cut: cut.map((cell) => cell.textContent) };
    });
    expect(count).toBeGreaterThan(30);
    expect(cut).toEqual([]);
  }
);

test('a part is drawn on what it lies on, from which its own background stands out', async ({
  page: tab
}) => {
  await tab.setContent(html());
  const { count, same } = await tab.evaluate(() => {
    const filled = [...document.querySelectorAll('.s-cell')].flatMap((cell) => {
      const part = cell.querySelector('[data-k-force]');
      const [own, ground] = [part, cell].map((each) => each && getComputedStyle(each).backgroundColor);
      return own && own !== 'rgba(0, 0, 0, 0)' ? [{ own, ground, words: cell.textContent }] : [];
    });
    return { count: filled.length, same: filled.filter(({ own, ground }) => own === ground) };
  });
  expect(count).toBeGreaterThan(10);
  expect(same).toEqual([]);
});

test(
  'a tab whose icon is another once it is chosen has that in its selected states alone',
  inTurn(8),
  async ({ page: tab }) => {
    await tab.setContent(html());
    const shown = await tab.evaluate(() =>
      [...document.querySelectorAll('.ks-season-tabs-tab[data-k-force]:has([data-chosen])')].map((part) => ({
        state: part.getAttribute('data-k-force')!.split(' ').at(-1),
        isChosen: getComputedStyle(part.querySelector('[data-chosen]')!).opacity === '1'
      }))
    );
    expect(shown.map(({ state }) => state)).toContain('rest');
    for (const { state, isChosen } of shown)
      expect([state, isChosen]).toEqual([state, state!.startsWith('selected')]);
  }
);

test('the words of a tab stand in one line in each of its states', inTurn(3), async ({ page: tab }) => {
  await tab.setContent(html());
  const lines = await tab.evaluate(() =>
    [...document.querySelectorAll('.ks-season-tabs-tab[data-k-force] span[dir]')].map((words) => {
      const range = document.createRange();
      range.selectNodeContents(words);
      return new Set([...range.getClientRects()].map(({ top }) => Math.round(top))).size;
    })
  );
  expect(lines).toEqual([1, 1, 1, 1, 1, 1, 1]);
});

test(
  'what a part holds is in the state it has on the page: one of the tabs is chosen',
  inTurn(4),
  async ({ page: tab }) => {
    await tab.setContent(html());
    const grounds = await tab
      .locator('.ks-season-tabs-list[data-k-force] .ks-season-tabs-tab')
      .evaluateAll((tabs) => tabs.map((each) => getComputedStyle(each).backgroundColor));
    const [chosen, ...others] = grounds;
    expect(others).toHaveLength(3);
    expect(new Set(others).size).toBe(1);
    expect(others).not.toContain(chosen);
  }
);

for (const [i, { id: pageId, name }] of Object.values(project.pages).entries())
  test(
    `every part of ${name} that is drawn is seen in its cell`,
    inTurnUnless(pageId === page, i),
    async ({ page: tab }) => {
      await tab.setContent(html(pageId));
      const { count, unseen } = await tab.evaluate(() => {
        const cells = [...document.querySelectorAll('.s-cell')].filter((cell) =>
          cell.querySelector('[data-k-force]')
        );
        const isSeen = (cell: Element) => {
          const room = cell.getBoundingClientRect();
          return [...cell.querySelectorAll('[data-k-force]')].some((drawn) => {
            const box = drawn.getBoundingClientRect();
            const isDrawn =
              box.width > 0 && box.height > 0 && getComputedStyle(drawn).visibility === 'visible';
            return isDrawn && box.top >= room.top - 1 && box.top < room.bottom;
          });
        };
        const unseen = cells.filter((cell) => !isSeen(cell)).map((cell) => cell.innerHTML.slice(0, 400));
        return { count: cells.length, unseen };
      });
      expect(count).toBeGreaterThan(20);
      expect(unseen).toEqual([]);
    }
  );

test(
  'it prints on A4 with every page numbered, no line cut and no word lost',
  inTurn(6),
  async ({ page: tab }) => {
    await tab.setContent(html());
    const { sheets, cut } = await printed(tab, 'A4');
    expect(sheets.length).toBeGreaterThan(5);
    sheets.forEach((words, i) => expect(words.replace(/\s+/g, '')).toContain(`${i + 1}/${sheets.length}`));
    // Number and title stand in the margin, and nothing else.
    const inMargin = sheets.flatMap((_words, i) => [
      `${i + 1}: ${i + 1} / ${sheets.length}`,
      `${i + 1}: ${project.info.name} · Visit page`
    ]);
    expect(cut.filter((line) => !inMargin.includes(line))).toEqual([]);
    const words = (await tab.locator('body').innerText()).split(/\s+/);
    const onPaper = squeezed(sheets.join(''));
    expect(words.length).toBeGreaterThan(1000);
    expect(words.filter((word) => !onPaper.includes(squeezed(word)))).toEqual([]);
  }
);

test(
  'from the workbench it is shown where nothing of it can run, of the page or one piece, and saved',
  inTurn(1),
  async ({ page: tab }) => {
    const bench = await Bench.openDemo(tab);
    await bench.pick('Season tabs');
    await tab.keyboard.press('Control+Shift+E');
    const dialog = tab.getByRole('dialog', { name: 'Specification sheet' });
    const sheet = dialog.frameLocator('iframe');
    await expect(sheet.getByRole('heading', { level: 1 })).toHaveText('Visit page');
    await expect(sheet.getByRole('heading', { name: 'Files of the export' })).toBeAttached();
    await dialog.getByRole('tab', { name: 'Season tabs' }).click();
    await expect(sheet.getByRole('heading', { level: 1 })).toHaveText('Season tabs, of Visit page');
    await expect(dialog.locator('iframe')).toHaveAttribute('sandbox', '');
    const saving = tab.waitForEvent('download');
    await dialog.getByRole('button', { name: 'Save as CSV' }).click();
    const saved = await saving;
    expect(saved.suggestedFilename()).toBe('visit-page-season-tabs-specification.csv');
    expect(readFileSync(await saved.path(), 'utf8')).toContain('style,Season tabs,Tabs,tab,hover,always,');
  }
);

test(
  'a page that was swept has the chart of what goes wrong over all widths in its sheet',
  thorough,
  async ({ page: tab }) => {
    const bench = new Bench(tab);
    const label = 'Seedlingorchardkeepersassociationmembership';
    await bench.importProject(changed(put(makeWith()('button', 'Wide button', { label }))), bytes);
    await bench.view('Widths');
    await expect(tab.getByText(/^swept in /)).toBeVisible();
    await expect(tab.getByRole('button', { name: 'Sweep again' })).toBeVisible();
    await tab.keyboard.press('Control+Shift+E');
    const sheet = tab.getByRole('dialog', { name: 'Specification sheet' }).frameLocator('iframe');
    const chart = sheet.getByRole('img', {
      name: /^What goes wrong over all widths\. Most goes wrong from 280/
    });
    await expect(chart).toHaveAttribute('src', /^data:image\/png;base64,/);
    const [, drawn] = (await chart.getAttribute('src'))!.split(',');
    const { data, width } = PNG.sync.read(Buffer.from(drawn!, 'base64'));
    // Three dots for each px, for paper; its axis and figures are drawn.
    expect(width).toBe(2040);
    const inked = data.filter((value, i) => i % 4 === 3 && value > 0).length;
    expect(inked).toBeGreaterThan(2000);
  }
);
