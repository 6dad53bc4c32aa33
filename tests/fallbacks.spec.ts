import { apply } from '../src/core/commands/apply';
import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import type { ConditionName, Project, StateName } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { axeViolations } from './support/axe';
import { bytes, demo } from './support/demo';
import { exported } from './support/exported';
import { forcing } from './support/states';
import { expect, test, type Page } from './support/test';
import { inTurn, inTurnUnless, isThorough, thorough } from './support/thorough';
import { Bench } from './support/workbench';

const set = (
  key: string,
  value: unknown,
  condition: ConditionName = 'always',
  id = 'season-tabs'
): Command => ({
  type: 'set-setting',
  id,
  key,
  value,
  condition
});

function changed(...commands: Command[]): Project {
  const outcome = apply(registry, demo, { type: 'batch', label: '', commands });
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

const open = async (page: Page, project: Project, width = 1280) => {
  await page.setViewportSize({ width, height: 900 });
  await page.goto((await exported(project, bytes)).url);
};

const STATES: readonly StateName[] = ['hover', 'focus', 'pressed'];

test.describe('forms of the exported tabs', () => {
  /** Each form of the tabs, and what a person sees of it. */
  const FORMS = [
    ['tabs', async (page: Page) => await expect(page.getByRole('tab')).toHaveCount(4)],
    [
      'scroll',
      async (page: Page) => await expect(page.getByRole('tablist')).toHaveCSS('flex-wrap', 'nowrap')
    ],
    [
      'accordion',
      async (page: Page) => await expect(page.locator('.season-tabs [aria-expanded]')).toHaveCount(4)
    ],
    [
      'open',
      async (page: Page) => {
        await expect(page.getByText('Toast in the branches')).toBeVisible();
        await expect(page.getByRole('heading', { name: 'Wassail', exact: true })).toBeVisible();
        await expect(page.getByRole('tab')).toHaveCount(0);
        await expect(page.locator('main button[aria-expanded]')).toHaveCount(0);
      }
    ]
  ] as const;

  for (const [i, [form, check]] of FORMS.entries()) {
    test(
      `${form}: what a person gets, and axe-core has nothing to say, wherever it is looked at`,
      inTurnUnless(form === 'tabs', i),
      async ({ blank: page, browser }) => {
        const project = changed(
          set('form', form),
          set('foldUnder', 0),
          set('disabled', true, 'always', 'wassail')
        );
        await open(page, project);
        await check(page);
        const force = await forcing(page);
        const elsewhere = isThorough ? STATES : [];
        const inStates = async (condition: string, states: readonly StateName[]) => {
          expect([condition, await axeViolations(page)]).toEqual([condition, []]);
          for (const state of states) {
            await force('[role=tab], button[aria-expanded]', state);
            expect([condition, state, await axeViolations(page, '.season-tabs')]).toEqual([
              condition,
              state,
              []
            ]);
          }
          await force('[role=tab], button[aria-expanded]', 'rest');
        };
        await inStates('1280 px', STATES);
        for (const width of [900, 420]) {
          await page.setViewportSize({ width, height: 900 });
          await inStates(`${width} px`, elsewhere);
        }
        await page.emulateMedia({ reducedMotion: 'reduce' });
        await inStates('less motion', elsewhere);
        await page.emulateMedia({ media: 'print' });
        await inStates('print', elsewhere);
        const context = await browser.newContext({
          hasTouch: true,
          isMobile: true,
          viewport: { width: 420, height: 900 }
        });
        const phone = await context.newPage();
        await phone.goto((await exported(project, bytes)).url);
        await check(phone);
        expect(await axeViolations(phone)).toEqual([]);
        await context.close();
      }
    );
  }
});

test('settings differ by band: sides, gaps and forms, each kept by the narrower one until it says otherwise', async ({
  blank: page
}) => {
  const project = changed(set('side', 'left', 'medium'), set('form', 'open', 'narrow'), set('foldUnder', 0), {
    type: 'set-style',
    id: 'season-tabs',
    part: 'list',
    state: 'rest',
    condition: 'medium',
    property: 'gap',
    value: '12px'
  });
  await open(page, project);
  await expect(page.locator('.season-tabs')).toHaveCSS('flex-direction', 'column');
  await expect(page.locator('.season-tabs-list')).toHaveCSS('gap', '4px');
  await page.setViewportSize({ width: 900, height: 900 });
  await expect(page.locator('.season-tabs')).toHaveCSS('flex-direction', 'row');
  await expect(page.locator('.season-tabs-list')).toHaveCSS('gap', '12px');
  await expect(page.getByRole('tablist')).toHaveAttribute('aria-orientation', 'vertical');
  await page.getByRole('tab', { name: 'Blossom' }).press('ArrowDown');
  await expect(page.getByRole('tab', { selected: true })).toHaveText('Summer');
  await page.setViewportSize({ width: 600, height: 900 });
  await expect(page.getByText('Toast in the branches')).toBeVisible();
  await page.setViewportSize({ width: 1280, height: 900 });
  await expect(page.getByRole('tab', { selected: true })).toHaveText('Summer');
  await expect(page.getByRole('tablist')).not.toHaveAttribute('aria-orientation');
});

test(
  'bands can follow the place a piece stands in instead of the window',
  inTurn(7),
  async ({ blank: page }) => {
    const make = makeWith({ exactIds: true });
    const half = make(
      'columns',
      'Halves',
      { stack: 'never' },
      {
        columns: [
          make('column', 'Left half', {}, { content: [] }),
          make('column', 'Right half', {}, { content: [] })
        ]
      }
    );
    const project = changed(
      { type: 'insert', fragment: half, at: { parent: 'plan-a-visit', slot: 'content', index: 2 } },
      { type: 'move', ids: ['season-tabs'], at: { parent: 'left-half', slot: 'content', index: 0 } },
      set('widths', 'place'),
      set('foldUnder', 600)
    );
    // In a window of 1280 px the column is 544 px wide, so the tabs fold; at the full width they would not.
    await open(page, project);
    await expect(page.locator('.season-tabs [aria-expanded]')).toHaveCount(4);
    await page.getByRole('button', { name: 'Summer' }).click();
    await expect(page.getByText('Long grass, shade and picnics')).toBeVisible();
    await open(page, changed(set('widths', 'place'), set('foldUnder', 600)));
    await expect(page.getByRole('tab')).toHaveCount(4);
  }
);

test('equal panel height is that of the tallest, goes when folded, and nothing below jumps', async ({
  blank: page
}) => {
  await open(page, changed({ type: 'remove', ids: ['wassail-picture'] }));
  const heights = async () => {
    const found: number[] = [];
    for (const name of ['Blossom', 'Summer', 'Harvest', 'Wassail']) {
      await page.getByRole('tab', { name }).click();
      found.push(Math.round((await page.locator('.season-tabs').boundingBox())!.height));
    }
    return found;
  };
  expect(new Set(await heights()).size).toBe(1);
  await page.setViewportSize({ width: 500, height: 900 });
  const panel = async (name: string) => {
    await page.getByRole('button', { name, exact: true }).click();
    return Math.round((await page.locator(`#${name.toLowerCase()}`).boundingBox())!.height);
  };
  expect(await panel('Summer')).not.toBe(await panel('Wassail'));
});

test('a link opens its panel, at load and later, and the browser’s own search finds closed panels', async ({
  blank: page
}) => {
  const project = changed(
    set('link', true),
    set('equal', false),
    set('out', { form: 'none', ms: 0, delay: 0, easing: 'ease', step: 0, from: 'first' })
  );
  const { url } = await exported(project, bytes);
  await page.goto(`${url}#harvest`);
  await expect(page.getByText('Pick, sort and press')).toBeVisible();
  await page.evaluate(() => (location.hash = '#wassail'));
  await expect(page.getByText('Toast in the branches')).toBeVisible();
  expect(await page.locator('#summer').getAttribute('hidden')).toBe('until-found');
  // What Chromium sends to the element before it shows a match.
  await page
    .locator('#summer')
    .evaluate((panel) => panel.dispatchEvent(new Event('beforematch', { bubbles: true })));
  await expect(page.getByRole('tab', { selected: true })).toHaveText('Summer');
  // A closed panel takes no room and no clicks.
  await expect(page.locator('#wassail')).toHaveCSS('pointer-events', 'none');
  const [panels, open] = [
    await page.locator('#summer').locator('..').boundingBox(),
    await page.locator('#summer').boundingBox()
  ];
  expect(Math.round(panels!.height)).toBe(Math.round(open!.height));
});

test('icons stand beside the words, and another one where the tab is chosen', async ({ blank: page }) => {
  await open(page, demo);
  const opacity = (name: string, which: string) =>
    page.locator(`#${name}-tab svg${which}`).evaluate((svg) => getComputedStyle(svg).opacity);
  expect([
    await opacity('blossom', '[data-chosen]'),
    await opacity('blossom', ':not([data-chosen])')
  ]).toEqual(['1', '0']);
  expect([await opacity('summer', '[data-chosen]'), await opacity('summer', ':not([data-chosen])')]).toEqual([
    '0',
    '1'
  ]);
  await expect(page.getByRole('tab', { name: 'Blossom', exact: true })).toBeVisible();
});

test('tabs in tabs each mind their own', thorough, async ({ blank: page }) => {
  const make = makeWith({ exactIds: true });
  const inner = make(
    'tabs',
    'Inner',
    {},
    {
      panels: ['Morning', 'Evening'].map((name) =>
        make(
          'panel',
          name,
          {},
          { content: [make('text', `${name} text`, { html: `<p>In the ${name.toLowerCase()}</p>` })] }
        )
      )
    }
  );
  await open(
    page,
    changed({ type: 'insert', fragment: inner, at: { parent: 'summer', slot: 'content', index: 0 } })
  );
  await page.getByRole('tab', { name: 'Summer' }).click();
  await page.getByRole('tab', { name: 'Evening' }).click();
  await expect(page.getByText('In the evening')).toBeVisible();
  await expect(page.getByRole('tab', { name: 'Summer' })).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByText('In the morning')).toBeVisible();
  await expect(page.getByRole('tab', { name: 'Summer' })).toHaveAttribute('aria-selected', 'true');
  await page.setViewportSize({ width: 500, height: 900 });
  await page.getByRole('button', { name: 'Evening' }).click();
  await expect(page.getByText('In the evening')).toBeVisible();
  expect(await axeViolations(page)).toEqual([]);
});

test.describe('the table', () => {
  test('sets a form under a condition, shows it drawn for real, and takes it back', async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs');
    await bench.view('Fallbacks');
    await page.getByRole('combobox', { name: 'Form, touch' }).selectOption('accordion');
    const drawing = page.frameLocator('iframe[title="Season tabs, touch"]');
    await expect(drawing.locator('.season-tabs [aria-expanded]')).toHaveCount(4);
    await expect(page.frameLocator('iframe[title="Season tabs, wide"]').getByRole('tab')).toHaveCount(4);
    await expect(bench.preview.getByRole('tab')).toHaveCount(4);
    await page.getByRole('button', { name: 'Touch' }).click();
    await expect(bench.preview.locator('.season-tabs [aria-expanded]')).toHaveCount(4);
    await page.getByRole('combobox', { name: 'Form, touch' }).selectOption('');
    await expect(bench.preview.getByRole('tab')).toHaveCount(4);
    await expect(page.locator('td.fixed[title*="without script all panels lie open"]').first()).toHaveText(
      'all open'
    );
  });

  test('a movement differs under a condition by its form and its ms', thorough, async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs');
    await bench.view('Fallbacks');
    await page.getByRole('combobox', { name: 'New panel in, touch' }).selectOption('wipe');
    await page.getByRole('textbox', { name: 'New panel in, touch, ms' }).fill('450');
    await page.keyboard.press('Tab');
    await page.getByRole('button', { name: 'Touch' }).click();
    await page.keyboard.press('t');
    await bench.preview.locator('#summer-tab').click();
    await expect(bench.preview.locator('#summer')).toHaveCSS('animation-name', 'k-wipe');
    await expect(bench.preview.locator('#summer')).toHaveCSS('animation-duration', '0.45s');
  });
});

test(
  'three widths at once are scrolled together, and the full window shows the page alone',
  inTurn(8),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await page.getByRole('button', { name: '3 widths' }).click();
    const narrow = page.frameLocator('iframe[title$=", narrow"]');
    await expect(narrow.locator('.season-tabs')).toBeVisible();
    await bench.preview.locator('body').evaluate(() => window.scrollTo(0, 200));
    await expect.poll(() => narrow.locator('body').evaluate(() => scrollY)).toBeGreaterThan(20);
    await page.getByRole('button', { name: 'Full window' }).click();
    await expect(page.getByRole('button', { name: 'Back to the workbench' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('tree')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Back to the workbench' })).toHaveCount(0);
  }
);

test('pictures that do not come leave their words, and come back', inTurn(1), async ({ page }) => {
  const bench = await Bench.openDemo(page);
  const picture = bench.preview.locator('img[alt^="The press house"]');
  const width = () => picture.evaluate((image) => (image as HTMLImageElement).naturalWidth);
  await expect.poll(width).toBeGreaterThan(0);
  await page.getByRole('button', { name: 'No pictures' }).click();
  await expect.poll(width).toBe(0);
  await page.getByRole('button', { name: 'No pictures' }).click();
  await expect.poll(width).toBeGreaterThan(0);
});
