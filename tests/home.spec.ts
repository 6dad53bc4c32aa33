import { writeProjectFile } from '../src/core/formats/project-file';
import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import { expect, test } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { visit } from './support/window';

const make = makeWith({ exactIds: true });

/** A project file whose page has its name as a heading. */
function file(name: string) {
  const heading = make('heading', 'Title', { text: name, level: '1' });
  const section = make('section', 'Opening', {}, { content: [heading] });
  const project = createProject(name, make('page', 'Page', {}, { sections: [section] }));
  return {
    name: `${name}.kymation`,
    mimeType: 'application/zip',
    buffer: Buffer.from(writeProjectFile(project, new Map()))
  };
}

/** More than the window and what is near it have room for. */
const NAMES = Array.from({ length: 20 }, (_, n) => `Site ${String.fromCharCode(65 + n)}`);

test(
  'of many projects those near the window are drawn, and one is found by words of its name',
  thorough,
  async ({ page }) => {
    await visit(page, '/');
    await expect(page.getByRole('link', { name: 'Open Quillmere Orchard' })).toBeVisible();
    await page.locator('input[type=file]').setInputFiles(NAMES.map(file));
    await expect(page.getByRole('listitem')).toHaveCount(NAMES.length + 1);
    const drawn = (name: string) =>
      page
        .getByRole('link', { name: `Open ${name}` })
        .frameLocator('iframe')
        .getByText(name);
    // The newest stands first.
    await expect(drawn('Site T')).toBeVisible();
    await expect(drawn('Site L')).toBeVisible();
    await expect(drawn('Site A')).toHaveCount(0);
    await page.getByRole('listitem').last().scrollIntoViewIfNeeded();
    await expect(drawn('Site A')).toBeVisible();
    await expect(drawn('Site T')).toHaveCount(0);

    const field = page.getByRole('searchbox', { name: 'Find a project' });
    await field.fill('q site');
    await expect(page.getByRole('listitem')).toHaveCount(1);
    await expect(page.getByRole('link', { name: 'Open Site Q' })).toBeVisible();
    await field.fill('pear');
    await expect(page.getByText('None of the 21 projects has “pear” in its name.')).toBeVisible();
    await page.getByRole('button', { name: 'Show all' }).click();
    await expect(page.getByRole('listitem')).toHaveCount(21);
    await field.fill('orchard');
    await expect(page.getByRole('listitem')).toHaveCount(1);
    // What comes in meanwhile is seen, whatever was asked for.
    await page.locator('input[type=file]').setInputFiles([file('Pear tree')]);
    await expect(page.getByRole('link', { name: 'Open Pear tree' })).toBeVisible();
    await expect(field).toHaveValue('');
  }
);

test(
  'of several files at once each that is none is told by its name, and the others come in',
  inTurn(6),
  async ({ page }) => {
    await visit(page, '/');
    const notes = (name: string) => ({
      name,
      mimeType: 'application/zip',
      buffer: Buffer.from('no project')
    });
    await page
      .locator('input[type=file]')
      .setInputFiles([notes('first.kymation'), file('Pear tree'), notes('second.kymation')]);
    await expect(page.getByRole('link', { name: 'Open Pear tree' })).toBeVisible();
    await expect(page.getByText(/first\.kymation: .*second\.kymation: /)).toBeVisible();
  }
);

test('what was deleted can be brought back for a day, all of it, also after the window is loaded again', async ({
  page
}) => {
  await visit(page, '/');
  await expect(page.getByRole('link', { name: 'Open Quillmere Orchard' })).toBeVisible();
  await page.locator('input[type=file]').setInputFiles([file('Pear tree'), file('Plum tree')]);
  await expect(page.getByRole('link', { name: /^Open / })).toHaveCount(3);
  for (const name of ['Pear tree', 'Plum tree']) {
    await page.getByRole('button', { name: `More for ${name}` }).click();
    await page.getByRole('menuitem', { name: 'Delete' }).click();
    await expect(page.getByRole('link', { name: `Open ${name}` })).toHaveCount(0);
    // Its card had the focus, which goes to what brings it back.
    await expect(page.getByRole('button', { name: 'Bring it back' })).toBeFocused();
  }
  await page.reload();
  await page.getByText('Deleted within the last day: 2').click();
  const kept = page.getByRole('list', { name: 'Deleted projects' }).getByRole('listitem');
  await expect(kept).toHaveText([/^Plum tree/, /^Pear tree/]);
  await page.getByRole('button', { name: 'Bring Pear tree back' }).click();
  await expect(page.getByRole('link', { name: 'Open Pear tree' })).toBeFocused();
  await expect(kept).toHaveText([/^Plum tree/]);
});
