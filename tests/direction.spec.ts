import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import type { Fragment, PageId, Project } from '../src/core/project/types';
import { after } from '../src/core/testing/project';
import { partIn } from './support/exported';
import { expect, test, type Page } from './support/test';
import { inTurn } from './support/thorough';
import { open } from './support/visit';
import { Bench } from './support/workbench';

const make = makeWith({ exactIds: true });
const FIRST = 'page' as PageId;
const ARABIC: Command = { type: 'set-page', id: FIRST, key: 'language', value: 'ar' };

const pageOf = (...sections: Fragment[]): Project =>
  after(createProject('Arabic', make('page', 'Page', {}, { sections }), { page: FIRST }), ARABIC);

const sectionOf = (name: string, ...content: Fragment[]): Fragment => {
  const heading = make('heading', `${name} heading`, { text: name, level: '2' });
  return make('section', name, {}, { content: [heading, ...content] });
};

const panels = ['Spring', 'Summer', 'Autumn'].map((name, i) =>
  make('panel', name, {}, { content: [make('text', `Words ${i + 1}`, { html: `<p>نص ${name}</p>` })] })
);

const leftOf = (page: Page, node: string, part = 'root', index = 0): Promise<number> =>
  page
    .locator(partIn('export', node as never, part))
    .nth(index)
    .evaluate((element) => element.getBoundingClientRect().left);

test('a page in Arabic is written from right to left, and its tabs follow the keys on the screen', async ({
  blank: page
}) => {
  await open(page, pageOf(sectionOf('First', make('tabs', 'Tabs', {}, { panels }))));
  await expect(page.locator('html')).toHaveAttribute('dir', 'rtl');
  await expect(page.locator('html')).toHaveAttribute('lang', 'ar');
  const tabs = page.getByRole('tab');
  expect(await leftOf(page, 'tabs', 'tab', 0)).toBeGreaterThan(await leftOf(page, 'tabs', 'tab', 1));
  await tabs.nth(0).press('ArrowLeft');
  await expect(tabs.nth(1)).toHaveAttribute('aria-selected', 'true');
  await tabs.nth(1).press('ArrowRight');
  await expect(tabs.nth(0)).toHaveAttribute('aria-selected', 'true');
});

test('there a section goes sideways to the left, a layer keeps its place, and arrows point where they lead', async ({
  blank: page
}) => {
  const layer = make(
    'layer',
    'Layer',
    { place: '10% 50%' },
    { content: [make('button', 'Go', { label: 'Go' })] }
  );
  const slides = ['One', 'Two', 'Three'].map((name) =>
    make('panel', name, {}, { content: [make('text', `${name} words`, { html: `<p>${name}</p>` })] })
  );
  const way = make(
    'section',
    'Way',
    { 'sideways.form': 'pinned' },
    { content: ['A', 'B', 'C'].map((name) => make('text', `Part ${name}`, { html: `<p>${name}</p>` })) }
  );
  const project = after(
    pageOf(
      sectionOf(
        'First',
        make('layers', 'Layers', {}, { layers: [layer] }),
        make('slider', 'Slider', {}, { panels: slides })
      ),
      way,
      sectionOf('Last', make('text', 'End', { html: '<p>End</p>' }))
    ),
    { type: 'add-effect', id: 'way' as never, effect: 'sideways' },
    {
      type: 'set-style',
      id: 'way' as never,
      part: 'root',
      state: 'rest',
      condition: 'always',
      property: 'padding',
      value: '0'
    }
  );
  await open(page, project);
  const box = (await page.locator(partIn('export', 'layers' as never, 'root')).boundingBox())!;
  const own = (await page.locator(partIn('export', 'layer' as never, 'root')).boundingBox())!;
  expect(own.x - box.x).toBeCloseTo((box.width - own.width) / 10, 0);
  const arrow = page
    .locator(partIn('export', 'slider' as never, 'arrow'))
    .locator('span')
    .first();
  await expect(arrow).toHaveCSS('scale', '-1 1');
  // The first part fills the window, the last one does at the end of the way: to the left of what was before.
  const bounds = (node: string) =>
    page.locator(partIn('export', node as never, 'root')).evaluate((element) => {
      const { left, right } = element.getBoundingClientRect();
      return [Math.round(left), Math.round(right)];
    });
  const [from, to] = await page.locator(partIn('export', 'way' as never, 'sideways')).evaluate((element) => {
    const { top, bottom } = element.getBoundingClientRect();
    return [top + scrollY, bottom + scrollY - innerHeight];
  });
  await page.evaluate((y) => scrollTo(0, y), from!);
  await expect.poll(() => bounds('part-a')).toEqual([0, 1280]);
  await expect.poll(async () => (await bounds('part-b'))[1]).toBeLessThanOrEqual(0);
  await page.evaluate((y) => scrollTo(0, y), to!);
  await expect.poll(() => bounds('part-c')).toEqual([0, 1280]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBe(0);
});

test('the preview turns with the language of the page, and back', inTurn(6), async ({ page }) => {
  const bench = await Bench.openNew(page);
  await bench.pick('First section');
  const body = bench.preview.locator('body');
  await expect(body).toHaveAttribute('lang', 'en-GB');
  await expect(body).toHaveCSS('direction', 'ltr');
  await page.keyboard.press('Shift+P');
  const field = page.getByRole('dialog', { name: 'Pages' }).getByRole('textbox', { name: /^Language of/ });
  await field.fill('he');
  await field.press('Enter');
  await expect(body).toHaveCSS('direction', 'rtl');
  await expect(body).toHaveAttribute('lang', 'he');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+z');
  await expect(body).toHaveAttribute('lang', 'en-GB');
  await expect(body).toHaveCSS('direction', 'ltr');
});
