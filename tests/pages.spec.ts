import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import type { PageId } from '../src/core/project/types';
import { after } from '../src/core/testing/project';
import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { Bench } from './support/workbench';

async function openPages(page: Page) {
  await page.keyboard.press('Shift+P');
  const dialog = page.getByRole('dialog', { name: 'Pages' });
  await expect(dialog).toBeVisible();
  return dialog;
}

/** Adds an empty page by the name of the command. */
async function addPage(page: Page): Promise<void> {
  await page.keyboard.press('Control+k');
  await page.keyboard.insertText('new page');
  await page
    .getByRole('option', { name: /^New page/ })
    .first()
    .click();
}

test('what pages say of themselves stands in one table, and links follow a page to its new address', async ({
  page
}) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Welcome text');
  await page.keyboard.press('Shift+P');
  const dialog = page.getByRole('dialog', { name: 'Pages' });
  const address = dialog.getByRole('textbox', { name: 'Address of Questions' });
  // What cannot be an address is refused where it stands, and nothing is lost.
  await address.fill('Good Questions');
  await address.press('Tab');
  await expect(dialog.getByRole('alert')).toContainText('small letters, digits and hyphens');
  await address.fill('harvest');
  await address.press('Tab');
  await expect(dialog.getByRole('alert')).toContainText('Another page has the address harvest.html');
  await address.fill('ask');
  await address.press('Tab');
  await expect(dialog.getByRole('alert')).toHaveCount(0);
  const title = dialog.getByRole('textbox', { name: 'Title of Questions' });
  await title.fill('Visit Quillmere Orchard');
  await title.press('Enter');
  await expect(dialog.getByText('the same as Visit page')).toBeVisible();
  // A page that is linked to does not go: it is told by what.
  await dialog.getByRole('button', { name: 'Delete Harvest story' }).click();
  await expect(dialog.getByRole('alert')).toContainText(/leads? to Harvest story/);
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  await page.keyboard.press('Control+e');
  await page
    .getByRole('dialog', { name: 'Export' })
    .getByText(/^All \d pages$/)
    .click();
  await expect(page.getByRole('button', { name: 'ask.html' })).toBeVisible();
});

test('of many pages one is found by its name, its address or its title', thorough, async ({ page }) => {
  const make = makeWith({ exactIds: true });
  const root = (name: string) => make('page', name, {}, { sections: [make('section', `${name} section`)] });
  const first = createProject('Many', root('Root 0'), { page: 'page-0' as PageId });
  const project = after(
    first,
    ...Array.from({ length: 10 }, (_none, i): Command => {
      const fragment = root(`Root ${i + 1}`);
      const id = `page-${i + 1}` as PageId;
      return {
        type: 'add-page',
        page: { ...first.pages['page-0' as PageId]!, id, name: `Page ${i + 1}`, root: fragment.root },
        fragment
      };
    })
  );
  const bench = new Bench(page);
  await bench.importProject(project);
  await page.keyboard.press('Shift+P');
  const dialog = page.getByRole('dialog', { name: 'Pages' });
  const shown = dialog.getByRole('textbox', { name: /^Page of / });
  await expect(shown).toHaveCount(11);
  const field = dialog.getByRole('searchbox', { name: 'Find a page' });
  await field.fill('page 7');
  await expect(shown).toHaveCount(1);
  await expect(shown).toHaveValue('Page 7');
  await shown.fill('Contact');
  await shown.press('Enter');
  await field.fill('contact');
  await expect(shown).toHaveCount(1);
  // A page that is renamed stays in its row until something else is sought.
  await shown.fill('Imprint');
  await shown.press('Enter');
  await expect(shown).toHaveAccessibleName('Page of Imprint');
  await field.fill('orchard');
  await expect(dialog.getByRole('status')).toContainText('None of the 11 pages has “orchard”');
  await field.fill('contact');
  await expect(dialog.getByRole('status')).toContainText('None of the 11 pages has “contact”');
  // Escape empties the field, and the next one closes the dialog.
  await field.press('Escape');
  await expect(shown).toHaveCount(11);
  await expect(field).toHaveValue('');
  await field.press('Escape');
  await expect(dialog).toBeHidden();
});

test('the page that was worked on last is shown again, until it is gone', inTurn(1), async ({ page }) => {
  const bench = await Bench.openNew(page);
  await addPage(page);
  const shown = page.getByRole('combobox', { name: 'Page', exact: true }).locator('option:checked');
  await expect(shown).toHaveText('New page');
  await bench.saved();
  await page.reload();
  await expect(shown).toHaveText('New page');
  await expect(bench.preview.locator('body')).toBeVisible();
  // Of a single page there is nothing to choose.
  await page.keyboard.press('Control+z');
  await expect(shown).toHaveCount(0);
  await bench.saved();
  await bench.reopen();
  await expect(bench.row('First section')).toBeVisible();
  await expect(shown).toHaveCount(0);
});

test(
  'a header is shared with all pages, taken off some, and a new page gets it',
  inTurn(4),
  async ({ page }) => {
    const bench = await Bench.openNew(page);
    await addPage(page);
    const pages = page.getByRole('combobox', { name: 'Page', exact: true });
    await expect(pages.locator('option')).toHaveCount(2);
    await bench.pick('First section');
    const dialog = await openPages(page);
    await dialog.getByRole('tab', { name: 'What they share' }).click();
    await dialog.getByRole('button', { name: 'On all pages' }).click();
    const first = dialog.getByRole('checkbox', { name: 'First section on First page' });
    const second = dialog.getByRole('checkbox', { name: 'First section on New page' });
    await expect(first).toBeChecked();
    await expect(second).toBeChecked();
    await first.click();
    await expect(first).not.toBeChecked();
    await page.keyboard.press('Control+z');
    await expect(first).toBeChecked();
    // What more than half of the pages have stands on a new one.
    await dialog.getByRole('textbox', { name: 'New page' }).fill('Contact');
    await dialog.getByRole('textbox', { name: 'New page' }).press('Enter');
    await expect(dialog.getByRole('checkbox', { name: 'First section on Contact' })).toBeChecked();
    await dialog.getByRole('button', { name: 'Off all' }).click();
    await expect(dialog.getByText('0 of 3')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(pages.locator('option', { hasText: 'Contact' })).toHaveCount(1);
  }
);

test('the skeleton of a page has its pieces without its words', thorough, async ({ page }) => {
  const bench = await Bench.openDemo(page);
  const dialog = await openPages(page);
  await dialog.getByRole('textbox', { name: 'New page' }).fill('Next year');
  await dialog
    .getByRole('combobox', { name: 'Start it as' })
    .selectOption({ label: 'the skeleton of Questions' });
  await dialog.getByRole('button', { name: 'Add the page' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('combobox', { name: 'Page', exact: true })).toHaveText(/Next year/);
  await expect(bench.preview.locator('details').first()).toBeVisible();
  await expect(bench.preview.getByRole('link', { name: 'Link 2', exact: true }).first()).toBeVisible();
  await expect(bench.preview.locator('h1')).toHaveText('A new heading');
  await expect(bench.preview.locator('main')).not.toContainText('dogs');
});

test('another page begins at its top, at each width that is shown', inTurn(7), async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await page.getByRole('button', { name: '3 widths', exact: true }).click();
  const frames = page.locator('.paper iframe');
  await expect(frames).toHaveCount(3);
  for (const n of [0, 1, 2]) await expect(frames.nth(n).contentFrame().locator('.season-tabs')).toBeVisible();
  const places = async () => {
    const found = await Promise.all((await frames.elementHandles()).map((each) => each.contentFrame()));
    return Promise.all(found.map((frame) => frame!.evaluate(() => Math.round(scrollY))));
  };
  await frames.first().hover();
  // A wheel that is turned as the frames have only just come is lost now and then; a hand turns it again.
  await expect(async () => {
    await page.mouse.wheel(0, 700);
    expect((await places()).map((top) => top > 0)).toEqual([true, true, true]);
  }).toPass();
  await page.getByRole('combobox', { name: 'Page', exact: true }).selectOption({ label: 'Questions' });
  await expect(bench.preview.getByRole('heading', { name: 'Who answers' })).toBeAttached();
  await expect.poll(places).toEqual([0, 0, 0]);
});
