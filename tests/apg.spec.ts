import { apply } from '../src/core/commands/apply';
import type { Command } from '../src/core/commands/commands';
import { pageFile } from '../src/core/project/files';
import type { Project } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { demo } from './support/demo';
import { exportedDemo } from './support/exported';
import { alone, expect, test, type Page } from './support/test';
import { inTurn } from './support/thorough';
import { exportedVisit } from './support/visit';

// W3C ARIA Authoring Practices Guide, patterns "Tabs" (https://www.w3.org/WAI/ARIA/apg/patterns/tabs/) and
// "Accordion"
// (https://www.w3.org/WAI/ARIA/apg/patterns/accordion/): every key and every role, state and property, on the
// exported page.

function changed(...commands: Command[]): Project {
  return commands.reduce((project, command) => {
    const outcome = apply(registry, project, command);
    if (!outcome.ok) throw new Error(outcome.refusal.sentence);
    return outcome.project;
  }, demo);
}

const set = (key: string, value: string | number | boolean, id = 'season-tabs'): Command => ({
  type: 'set-setting',
  id,
  key,
  value
});
const tab = (page: Page, name: string) => page.getByRole('tab', { name, exact: true });
const header = (page: Page, name: string) => page.getByRole('button', { name, exact: true });
const chosen = (page: Page) => page.getByRole('tab', { selected: true });
const openPanels = (page: Page) =>
  page
    .locator('[role="tabpanel"]:not([hidden]), [role="region"]:not([hidden])')
    .evaluateAll((panels) => panels.map((panel) => panel.id));

test.describe('tabs', () => {
  test('roles, states and properties', async ({ blank: page }) => {
    await page.goto((await exportedDemo()).url);
    await expect(page.getByRole('tablist', { name: 'Seasons' })).toBeVisible();
    await expect(page.getByRole('tab')).toHaveText(['Blossom', 'Summer', 'Harvest', 'Wassail']);
    await expect(chosen(page)).toHaveText('Blossom');
    await expect(page.getByRole('tabpanel')).toHaveCount(1);
    for (const each of await page.getByRole('tab').all()) {
      const panel = page.locator(`#${await each.getAttribute('aria-controls')}`);
      await expect(panel).toHaveAttribute('role', 'tabpanel');
      await expect(panel).toHaveAttribute('aria-labelledby', (await each.getAttribute('id'))!);
    }
  });

  test('Tab goes to the chosen tab, then to its panel', async ({ blank: page }) => {
    await page.goto((await exportedDemo()).url);
    await tab(page, 'Summer').click();
    await tab(page, 'Summer').press('Shift+Tab');
    await page.keyboard.press('Tab');
    await expect(tab(page, 'Summer')).toBeFocused();
    await page.keyboard.press('Tab');
    await expect(page.getByRole('tabpanel', { name: 'Summer' })).toBeFocused();
  });

  test('arrow keys wrap, Home and End go to the ends, choosing at once', async ({ blank: page }) => {
    await page.goto((await exportedDemo()).url);
    await tab(page, 'Blossom').focus();
    for (const [key, name] of [
      ['ArrowRight', 'Summer'],
      ['ArrowLeft', 'Blossom'],
      ['ArrowLeft', 'Wassail'],
      ['ArrowRight', 'Blossom'],
      ['End', 'Wassail'],
      ['Home', 'Blossom']
    ] as const) {
      await page.keyboard.press(key);
      await expect(tab(page, name)).toBeFocused();
      await expect(chosen(page)).toHaveText(name);
      expect(await openPanels(page)).toEqual([name.toLowerCase()]);
    }
    await page.keyboard.press('ArrowDown');
    await expect(tab(page, 'Blossom')).toBeFocused();
  });

  test('manual activation: arrows move, Enter and Space choose', async ({ blank: page }) => {
    await page.goto((await exportedVisit(changed(set('activation', 'manual')))).url);
    await tab(page, 'Blossom').focus();
    await page.keyboard.press('ArrowRight');
    await expect(tab(page, 'Summer')).toBeFocused();
    await expect(chosen(page)).toHaveText('Blossom');
    await page.keyboard.press('Enter');
    await expect(chosen(page)).toHaveText('Summer');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Space');
    await expect(chosen(page)).toHaveText('Harvest');
  });

  test('a list on the side is vertical and takes up and down', async ({ blank: page }) => {
    await page.goto((await exportedVisit(changed(set('side', 'left')))).url);
    await expect(page.getByRole('tablist')).toHaveAttribute('aria-orientation', 'vertical');
    const [list, panel] = [
      (await page.getByRole('tablist').boundingBox())!,
      (await page.getByRole('tabpanel').boundingBox())!
    ];
    expect(list.x + list.width).toBeLessThanOrEqual(panel.x);
    await tab(page, 'Blossom').focus();
    await page.keyboard.press('ArrowDown');
    await expect(chosen(page)).toHaveText('Summer');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowUp');
    await expect(chosen(page)).toHaveText('Wassail');
    await page.keyboard.press('ArrowRight');
    await expect(tab(page, 'Wassail')).toBeFocused();
  });

  for (const [side, isAfter] of [
    ['bottom', true],
    ['right', true],
    ['top', false]
  ] as const) {
    test(`list on ${side}`, async ({ blank: page }) => {
      await page.goto((await exportedVisit(changed(set('side', side)))).url);
      const [list, panel] = [
        (await page.getByRole('tablist').boundingBox())!,
        (await page.getByRole('tabpanel').boundingBox())!
      ];
      const axis = side === 'right' ? 'x' : 'y';
      expect(list[axis] > panel[axis]).toBe(isAfter);
    });
  }

  test('a disabled tab can be reached but not chosen', async ({ blank: page }) => {
    await page.goto((await exportedVisit(changed(set('disabled', true, 'summer')))).url);
    await expect(tab(page, 'Summer')).toHaveAttribute('aria-disabled', 'true');
    await tab(page, 'Summer').click({ force: true });
    await expect(chosen(page)).toHaveText('Blossom');
    await tab(page, 'Blossom').focus();
    await page.keyboard.press('ArrowRight');
    await expect(tab(page, 'Summer')).toBeFocused();
    await expect(chosen(page)).toHaveText('Blossom');
  });
});

test.describe('folded into an accordion', () => {
  alone.use({ viewport: { width: 500, height: 800 } });

  alone('roles, states and properties', async ({ page }) => {
    await page.goto((await exportedDemo()).url);
    await expect(page.getByRole('tablist')).toHaveCount(0);
    for (const name of ['Blossom', 'Summer', 'Harvest', 'Wassail']) {
      const isOpen = name === 'Blossom';
      await expect(
        page.getByRole('heading', { level: 3, name, exact: true }).getByRole('button')
      ).toHaveAttribute('aria-expanded', String(isOpen));
      const panel = page.locator(`#${await header(page, name).getAttribute('aria-controls')}`);
      await expect(panel).toHaveAttribute('role', 'region');
      await expect(panel).toHaveAttribute('aria-labelledby', (await header(page, name).getAttribute('id'))!);
    }
    expect(await openPanels(page)).toEqual(['blossom']);
  });

  alone('Enter and Space open and close; one panel at a time', async ({ page }) => {
    await page.goto((await exportedDemo()).url);
    await header(page, 'Summer').focus();
    await page.keyboard.press('Enter');
    expect(await openPanels(page)).toEqual(['summer']);
    await page.keyboard.press('Space');
    expect(await openPanels(page)).toEqual([]);
  });

  alone('several panels stay open where that is set', async ({ page }) => {
    await page.goto((await exportedVisit(changed(set('several', true)))).url);
    await header(page, 'Summer').click();
    expect(await openPanels(page)).toEqual(['blossom', 'summer']);
  });

  alone('Tab goes through headers and open content; arrows, Home and End among headers', async ({ page }) => {
    await page.goto((await exportedDemo()).url);
    await header(page, 'Blossom').focus();
    await page.keyboard.press('Tab');
    await expect(page.getByRole('link', { name: 'Book a round' })).toBeFocused();
    await page.keyboard.press('Tab');
    await expect(header(page, 'Summer')).toBeFocused();
    for (const [key, name] of [
      ['ArrowDown', 'Harvest'],
      ['ArrowUp', 'Summer'],
      ['End', 'Wassail'],
      ['ArrowDown', 'Wassail'],
      ['Home', 'Blossom']
    ] as const) {
      await page.keyboard.press(key);
      await expect(header(page, name)).toBeFocused();
    }
  });

  alone('folds and unfolds with the same content and the same panel', async ({ page }) => {
    await page.goto((await exportedDemo()).url);
    await header(page, 'Harvest').click();
    await page.setViewportSize({ width: 640, height: 800 });
    await expect(chosen(page)).toHaveText('Harvest');
    expect(await openPanels(page)).toEqual(['harvest']);
    await page.setViewportSize({ width: 639, height: 800 });
    await expect(header(page, 'Harvest')).toHaveAttribute('aria-expanded', 'true');
    expect(await openPanels(page)).toEqual(['harvest']);
  });
});

test.describe('without script', () => {
  alone.use({ javaScriptEnabled: false });

  for (const width of [1280, 400]) {
    alone(`everything is readable at ${width} px`, async ({ page }) => {
      await page.setViewportSize({ width, height: 800 });
      await page.goto((await exportedDemo()).url);
      for (const text of [
        'oldest planted in 1874',
        'tasting table stands',
        'Pick, sort and press',
        'Toast in the branches'
      ])
        await expect(page.getByText(text)).toBeVisible();
      await expect(page.locator('.season-tabs-list')).toBeHidden();
      await expect(page.locator('.season-tabs-head:visible')).toHaveText([
        'Blossom',
        'Summer',
        'Harvest',
        'Wassail'
      ]);
      await expect(page.locator('.season-tabs button:visible')).toHaveCount(0);
    });
  }
});

alone('a script that never arrives leaves everything readable', inTurn(8), async ({ page }) => {
  const { url } = await exportedDemo();
  await page.route('**/*.js', (route) => route.abort());
  await page.goto(url);
  await expect(page.getByText('Toast in the branches')).toBeHidden();
  await expect(page.getByText('Toast in the branches')).toBeVisible();
});

test('on paper all panels are open', inTurn(4), async ({ blank: page }) => {
  await page.goto((await exportedDemo()).url);
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('.season-tabs-panel:visible')).toHaveCount(4);
  await expect(page.locator('.season-tabs-list')).toBeHidden();
});

test('one HTML file works from disk and asks for nothing else', async ({ page }) => {
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  const { url, files } = await exportedDemo(true);
  expect([...files.keys()]).toEqual(demo.info.pageOrder.map((id) => pageFile(demo, id)));
  await page.goto(url);
  await tab(page, 'Harvest').click();
  await expect(page.getByText('Pick, sort and press')).toBeVisible();
  await expect(page.getByAltText('Apple trees with red fruit in autumn light')).toHaveJSProperty(
    'naturalWidth',
    600
  );
  expect(asked.filter((each) => !each.startsWith('data:'))).toEqual([url]);
});
