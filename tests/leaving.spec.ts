import type { ConditionName } from '../src/core/project/types';
import type { Command } from '../src/core/commands/commands';
import { createServer, type Server } from 'node:http';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { HtmlValidate } from 'html-validate';
import { trackOf } from '../src/core/motion/track';
import { makeWith } from '../src/core/kinds/make';
import { exported } from './support/exported';
import { printed, squeezed } from './support/paper';
import { expect, test } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { bytes, changed, demo, open, put } from './support/visit';

const make = makeWith({ exactIds: true });
const PANELS = ['Blossom', 'Summer', 'Harvest', 'Wassail'];
const setTabs = (key: string, value: unknown, condition?: ConditionName): Command => ({
  type: 'set-setting',
  id: 'season-tabs',
  key,
  value,
  condition: condition ?? 'always'
});

/** Words that stand in the panels, and in a navigation and a side panel that are closed. */
const WORDS = [
  'An orchard that has kept its old names',
  'oldest planted in 1874',
  'Dogs on a lead are welcome',
  'the small press takes thirty kilos at a time',
  'Toast in the branches, cider on the roots',
  'Seasons',
  'How to find us',
  'Two rakes and a ladder'
];

const drawer = put(
  make(
    'drawer',
    'Tools',
    { label: 'Tools' },
    { content: [make('text', 'In the shed', { html: '<p>Two rakes and a ladder.</p>' })] }
  )
);

const VARIANTS = {
  'as it is': [],
  'scrolling tabs when narrow': [setTabs('foldInto', 'scroll')],
  'an accordion wherever it is narrow': [setTabs('form', 'accordion', 'narrow'), setTabs('foldUnder', 0)],
  'tabs at the left in the medium band': [setTabs('side', 'left', 'medium'), setTabs('equal', false)],
  'everything moving': [
    ...(['out', 'enter', 'rise', 'height'] as const).map((key) =>
      setTabs(key, trackOf({ form: key === 'height' ? 'grow' : 'fade', ms: 300 }))
    )
  ]
};

/** The variant that takes its turn: all there is has been folded away in it. */
const USUAL = 'as it is';

for (const [name, commands] of Object.entries(VARIANTS)) {
  test(
    `on A4, A5 and Letter all words are there: ${name}`,
    name === USUAL ? inTurn(3) : thorough,
    async ({ blank: page }) => {
      await open(page, changed(drawer, ...commands), 1280);
      // Paper of a page that someone has used: another panel is chosen, and the narrow window is the sheet.
      await page.getByRole('tab', { name: 'Harvest' }).click();
      for (const format of ['A4', 'A5', 'Letter'] as const) {
        const { sheets } = await printed(page, format);
        const all = squeezed(sheets.join(' '));
        expect(
          WORDS.filter((words) => !all.includes(squeezed(words))),
          format
        ).toEqual([]);
      }
    }
  );
}

test(
  'a side panel that is open while the page is printed stands once, where it stands',
  inTurn(1),
  async ({ blank: page }) => {
    await open(page, changed(drawer));
    await page.getByRole('button', { name: 'Tools' }).click();
    const { sheets } = await printed(page, 'A5');
    expect(sheets.filter((words) => squeezed(words).includes('Tworakesandaladder'))).toHaveLength(1);
    // A sheet of paper opens and closes nothing.
    expect(sheets.filter((words) => /Tools|Close/.test(words))).toEqual([]);
  }
);

test.describe('a script that never comes', () => {
  let server: Server;
  let folder = '';
  test.beforeAll(async () => {
    ({ folder } = await exported(demo, bytes));
    server = createServer((request, response) => {
      const path = new URL(request.url!, 'http://stand-in').pathname;
      // It hangs, as a script does behind a wall that drops what it does not like.
      if (path.endsWith('.js')) return;
      const type = { html: 'text/html', css: 'text/css', svg: 'image/svg+xml', avif: 'image/avif' }[
        path.split('.').at(-1)!
      ];
      response.setHeader('content-type', type ?? 'application/octet-stream');
      try {
        response.end(readFileSync(join(folder, path)));
      } catch {
        response.writeHead(404).end();
      }
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  });
  test.afterAll(() => {
    server.closeAllConnections();
    server.close();
  });

  for (const width of [1280, 400]) {
    test(`leaves everything open, one below the other, at ${width} px`, async ({ blank: page }) => {
      await page.setViewportSize({ width, height: 900 });
      await page.goto(`http://127.0.0.1:${(server.address() as { port: number }).port}/index.html`, {
        waitUntil: 'commit'
      });
      const panel = (name: string) => page.locator(`#${name.toLowerCase()}`);
      await expect(panel('Blossom')).toBeVisible();
      await expect(panel('Wassail')).toBeHidden();
      await page.evaluate(() => document.getAnimations().forEach((each) => each.finish()));
      const boxes = [];
      for (const name of PANELS) {
        await expect(panel(name)).toBeVisible();
        await expect(page.locator(`#${name.toLowerCase()}-header`)).toBeVisible();
        boxes.push((await panel(name).boundingBox())!);
      }
      for (const [i, box] of boxes.slice(1).entries())
        expect(box.y).toBeGreaterThanOrEqual(boxes[i]!.y + boxes[i]!.height);
      await expect(page.locator('.season-tabs-list')).toBeHidden();
      // Nothing looks as if it could be pressed that cannot.
      expect(await page.locator('#summer-header').evaluate((header) => getComputedStyle(header).cursor)).toBe(
        'auto'
      );
    });
  }
});

test('without script headers are headings, and no role says otherwise', async ({ browser }) => {
  const context = await browser.newContext({ javaScriptEnabled: false });
  const page = await context.newPage();
  await open(page, demo);
  for (const name of PANELS) await expect(page.locator(`#${name.toLowerCase()}`)).toBeVisible();
  expect(await page.locator('#summer-header').evaluate((header) => getComputedStyle(header).cursor)).toBe(
    'auto'
  );
  for (const role of ['tab', 'tablist', 'tabpanel'] as const)
    await expect(page.getByRole(role, { includeHidden: true })).toHaveCount(0);
  await context.close();
});

test('the markup holds by itself: no tab without its panel, whichever validator looks', async () => {
  const { files } = await exported(demo, bytes);
  const html = files.get('index.html')!;
  expect(html).not.toMatch(/role="tab|aria-selected/);
  const report = await new HtmlValidate({
    extends: ['html-validate:recommended'],
    rules: {
      'no-trailing-whitespace': 'off',
      'long-title': 'off',
      'require-sri': 'off',
      'prefer-native-element': 'off',
      'no-redundant-role': 'off',
      'no-inline-style': 'off',
      'doctype-style': 'off',
      'attribute-boolean-style': 'off'
    }
  }).validateString(html);
  expect(
    report.results.flatMap(({ messages }) => messages.map(({ message, ruleId }) => `${message} (${ruleId})`))
  ).toEqual([]);
});

for (const support of ['widely', 'newly'] as const) {
  test(`a folded panel on its way out shows its words, for ${support} available`, async ({ blank: page }) => {
    await open(
      page,
      changed(setTabs('out', trackOf({ form: 'fade', ms: 600 })), { type: 'set-support', support }),
      400
    );
    // Pressed and held in one go: between two messages to a busy machine the whole movement may be over.
    const shown = await page.getByRole('button', { name: 'Summer' }).evaluate(async (button: HTMLElement) => {
      button.click();
      await new Promise(requestAnimationFrame);
      const panel = document.getElementById('blossom')!;
      panel.getAnimations().forEach((each) => each.pause());
      return {
        height: panel.getBoundingClientRect().height,
        words: panel.querySelector('p')!.checkVisibility()
      };
    });
    expect(shown.words).toBe(true);
    expect(shown.height).toBeGreaterThan(100);
  });
}

test('the link to the last section is marked where the page ends, and each of them has its turn', async ({
  blank: page
}) => {
  await open(page, demo, 1280);
  const current = page.locator('nav a[aria-current]');
  const seen: string[] = [];
  const height = await page.evaluate(() => document.documentElement.scrollHeight - innerHeight);
  for (let share = 0; share <= 20; share += 1) {
    await page.evaluate((y) => scrollTo(0, y), (height * share) / 20);
    await page.evaluate(
      () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))
    );
    const words = (await current.count()) > 0 ? (await current.textContent())!.trim() : '';
    if (words !== seen.at(-1)) seen.push(words);
  }
  expect(seen.filter(Boolean)).toEqual(['Seasons', 'The press', 'How to find us']);
});
