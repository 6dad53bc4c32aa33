import { writeProjectFile } from '../../src/core/formats/project-file';
import type { AssetId, Project } from '../../src/core/project/types';
import type { View } from '../../src/lib/state/workbench.svelte';
import { leaveProject, visit } from './window';
import { expect, type FrameLocator, type Locator, type Page } from '@playwright/test';

/** The open workbench, as hands find it. */
export class Bench {
  readonly preview: FrameLocator;
  constructor(readonly page: Page) {
    this.preview = page.frameLocator('iframe[title^="Preview of"]:not([title*=","])');
  }

  static async openDemo(page: Page): Promise<Bench> {
    await visit(page, '/demo');
    const bench = new Bench(page);
    await expect(bench.preview.locator('.season-tabs')).toBeVisible();
    return bench;
  }

  static async openNew(page: Page): Promise<Bench> {
    await visit(page, '/');
    await page.getByRole('button', { name: 'New project' }).click();
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    const bench = new Bench(page);
    await expect(bench.row('First section')).toBeVisible();
    return bench;
  }

  /** Imports a project on the list and opens it. */
  async importProject(project: Project, bytes: ReadonlyMap<AssetId, Uint8Array> = new Map()): Promise<void> {
    await visit(this.page, '/');
    await expect(this.page.getByRole('link', { name: 'Open Quillmere Orchard' })).toBeVisible();
    const before = await this.page.getByRole('link', { name: /^Open / }).count();
    await this.page.locator('input[type=file]').setInputFiles({
      name: 'given.kymation',
      mimeType: 'application/zip',
      buffer: Buffer.from(writeProjectFile(project, bytes))
    });
    await expect(this.page.getByRole('link', { name: /^Open / })).toHaveCount(before + 1);
    // The newest stands first.
    await this.page
      .getByRole('link', { name: /^Open / })
      .first()
      .click();
    await expect(this.page.getByRole('treeitem').first()).toBeVisible();
  }

  /** Leaves the project and opens it again, from what was stored of it. */
  async reopen(): Promise<void> {
    const { pathname } = new URL(this.page.url());
    await leaveProject(this.page);
    await visit(this.page, pathname);
  }

  row(name: string): Locator {
    return this.page
      .getByRole('tree')
      .locator('[role="treeitem"]')
      .filter({ has: this.page.getByText(name, { exact: true }) });
  }

  /** Names in the outline, indented by level. */
  async outline(): Promise<string[]> {
    return this.page
      .locator('[role="treeitem"]')
      .evaluateAll((rows) =>
        rows.map(
          (row) =>
            `${'  '.repeat(Number(row.getAttribute('aria-level')) - 1)}${row.querySelector('.name')?.textContent ?? ''}`
        )
      );
  }

  async pick(name: string, part?: string): Promise<void> {
    await this.row(name).click();
    if (part)
      await this.page
        .getByRole('group', { name: 'Parts' })
        .getByRole('button', { name: part, exact: true })
        .click();
  }

  view(name: View): Promise<void> {
    return this.page.getByRole('tab', { name, exact: true }).click();
  }

  cell(property: string, state: string): Locator {
    return this.page.locator(`[data-property="${property}"][data-state="${state}"]`);
  }

  /** Types a value into a cell of the state sheet and presses Enter. */
  async set(property: string, label: string, state: string, value: string): Promise<void> {
    await this.cell(property, state).click();
    const input = this.page.getByRole('textbox', { name: `${label}, ${state}` });
    await input.fill(value);
    await input.press('Enter');
  }

  async insert(words: string): Promise<void> {
    await this.page.getByRole('button', { name: 'Insert A' }).click();
    const field = this.page.getByRole('combobox', { name: 'What to insert' });
    await expect(field).toBeFocused();
    await field.fill(words);
    await field.press('Enter');
  }

  async saved(): Promise<void> {
    await expect(this.page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
  }

  async drag(from: Locator, toX: number): Promise<void> {
    const box = (await from.boundingBox())!;
    await this.page.mouse.move(box.x + 2, box.y + 6);
    await this.page.mouse.down();
    await this.page.mouse.move(toX - 40, box.y + 8, { steps: 4 });
    await this.page.mouse.move(toX, box.y + 8, { steps: 4 });
    await this.page.mouse.up();
  }
}

/** From the next load on, what changes a project does not come from the server. @returns lets it come. */
async function holdTools(page: Page): Promise<() => Promise<void>> {
  let arrive = () => {};
  const held = new Promise<void>((resolve) => (arrive = resolve));
  await page.route(/\.js$/, async (route) => {
    // Unlike a browser, this asks on a connection that the server has just given up.
    const response = await route.fetch({ maxRetries: 3 });
    // The grammar that values are checked by is one of the tools.
    if ((await response.text()).includes('SyntaxMatchError')) await held;
    await route.fulfill({ response });
  });
  return () => {
    arrive();
    return page.unrouteAll({ behavior: 'wait' });
  };
}

/** Opens the demo anew, whose page is on show before what changes it has come. */
export async function openWithoutTools(page: Page): Promise<{ bench: Bench; arrive: () => Promise<void> }> {
  const bench = await Bench.openDemo(page);
  const arrive = await holdTools(page);
  await page.reload();
  await expect(bench.preview.locator('.season-tabs')).toBeVisible();
  return { bench, arrive };
}
