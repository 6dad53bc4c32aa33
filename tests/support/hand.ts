import type { FieldMeta } from '../../src/core/kinds/contract';
import type { StyleProperty } from '../../src/core/css/properties';
import type { Track } from '../../src/core/motion/track';
import type { AssetId, ConditionName, Json, Project } from '../../src/core/project/types';
import { expect, type Locator, type Page } from '@playwright/test';
import { Bench } from './workbench';

const VIEWS = { fill: 'Fill', behaviour: 'Behaviour', timing: 'Timing', fallbacks: 'Fallbacks' } as const;

/** Someone at the workbench with a mouse and a keyboard, and nothing else. */
export class Hand {
  constructor(
    readonly page: Page,
    readonly bench: Bench
  ) {}

  static async openNew(page: Page): Promise<Hand> {
    return new Hand(page, await Bench.openNew(page));
  }

  private isAmong = '';

  async pick(name: string): Promise<void> {
    this.isAmong = '';
    const tree = this.page.getByRole('tree');
    // Of a long page only the rows in sight are drawn: one scrolls until it is there.
    for (let n = 0; n < 40 && (await this.bench.row(name).count()) === 0; n += 1) {
      await tree.hover();
      await this.page.mouse.wheel(0, n < 20 ? -600 : 600);
      await this.page.evaluate(() => new Promise(requestAnimationFrame));
    }
    await this.bench.row(name).first().click();
  }

  /** Writes into a field in place of what is there. */
  async type(field: Locator, text: string, end: 'Tab' | 'Enter' = 'Tab'): Promise<void> {
    await field.click();
    await this.page.keyboard.press('Control+a');
    // As an input method does it: the words at once. That letters come one by one is tested where it matters.
    await this.page.keyboard.insertText(text);
    await this.page.keyboard.press(end);
  }

  /** Goes to an entry of a list by arrow keys. */
  async choose(list: Locator, words: string): Promise<void> {
    await expect(list).toBeVisible();
    const entries = await list.locator('option').allTextContents();
    const at = entries.findIndex((each) => each.trim() === words);
    expect(at, `${words} in ${entries.join(', ')}`).toBeGreaterThanOrEqual(0);
    await list.focus();
    await this.page.keyboard.press('Home');
    for (let n = 0; n < at; n += 1) await this.page.keyboard.press('ArrowDown');
    await this.page.keyboard.press('Tab');
  }

  async rename(from: string, to: string): Promise<void> {
    await this.pick(from);
    await this.view('Fill');
    await this.type(this.page.getByRole('textbox', { name: /^(?:Name in the outline|Label)$/ }).first(), to);
    await expect(this.bench.row(to)).toBeVisible();
  }

  /** Inserts a piece into another one, or after it where nothing can stand in it, and names it. */
  async insert(into: string, label: string, name: string): Promise<void> {
    await this.pick(into);
    await this.page.getByRole('button', { name: 'Insert A' }).click();
    const field = this.page.getByRole('combobox', { name: 'What to insert' });
    await expect(field).toBeFocused();
    await this.page.keyboard.insertText(label.toLowerCase());
    for (let n = 0; n < 8; n += 1) {
      const marked = await this.page.locator('[role="option"][aria-selected="true"] .label').textContent();
      if (marked?.toLowerCase() === label.toLowerCase()) break;
      await this.page.keyboard.press('ArrowDown');
    }
    await this.page.keyboard.press('Enter');
    await expect(field).toHaveCount(0);
    await this.view('Fill');
    const own = this.page.getByRole('textbox', { name: 'Name in the outline' });
    if ((await own.inputValue()) !== name) await this.type(own, name);
    await expect(this.bench.row(name)).toBeVisible();
  }

  /** Makes what stands in a piece what it should be: what it starts with is called otherwise, or goes. */
  async contents(
    owner: string,
    given: readonly { readonly kind: string; readonly name: string }[],
    wanted: readonly { readonly kind: string; readonly name: string; readonly label: string }[]
  ): Promise<void> {
    const fits = (n: number) => given[n] !== undefined && given[n]!.kind === wanted[n]?.kind;
    for (const [n, { name }] of given.entries()) {
      if (fits(n)) await this.rename(name, wanted[n]!.name);
      else {
        await this.bench.row(name).first().click();
        await this.page.keyboard.press('Delete');
      }
    }
    for (const [n, { name, label }] of wanted.entries())
      if (!fits(n)) await this.insert(n > 0 && given.length > 0 ? wanted[n - 1]!.name : owner, label, name);
  }

  /** Tells the picked piece to do something. */
  async effect(label: string): Promise<void> {
    await this.view('Behaviour');
    await this.page
      .getByRole('region', { name: 'What it does' })
      .getByRole('button', { name: new RegExp(`^${label}`) })
      .click();
  }

  /** Makes the list of an owner what it should be, and empties what its entries start with. */
  async items(
    owner: string,
    label: string,
    has: readonly { readonly name: string; readonly content: readonly string[] }[],
    names: readonly string[]
  ): Promise<void> {
    for (const { content } of has) {
      for (const each of content) {
        await this.bench.row(each).first().click();
        await this.page.keyboard.press('Delete');
      }
    }
    await this.pick(owner);
    await this.view('Fill');
    const list = this.page.getByRole('group', { name: label, exact: true });
    for (let n = has.length; n < names.length; n += 1) {
      await list.getByRole('button', { name: 'Add', exact: true }).click();
      await this.pick(owner);
    }
    for (let n = has.length; n > names.length; n -= 1)
      await list
        .getByRole('button', { name: /^Remove/ })
        .last()
        .click();
    for (const [i, name] of names.entries())
      await this.type(list.getByRole('textbox', { name: `Label ${i + 1}`, exact: true }), name);
  }

  /** Writes rich text in the page itself: paragraphs, lists, bold words and links. */
  async write(html: string): Promise<void> {
    await this.page.keyboard.press('Enter');
    const editor = this.bench.preview.locator('[data-k-writing]');
    await expect(editor).toBeFocused();
    await this.page.keyboard.press('Control+a');
    await this.page.keyboard.press('Delete');
    const blocks = html.match(/<(p|ul)>.*?<\/\1>/gs) ?? [];
    for (const [i, block] of blocks.entries()) {
      if (i > 0) await this.page.keyboard.press('Enter');
      if (block.startsWith('<ul>')) {
        for (const [n, [, item]] of [...block.matchAll(/<li>(.*?)<\/li>/gs)].entries()) {
          if (n === 0) await this.page.keyboard.type('- ');
          else await this.page.keyboard.press('Enter');
          await this.words(item!.replace(/<\/?p>/g, ''));
        }
      } else await this.words(block.replace(/<\/?p>/g, ''));
    }
    await this.page.keyboard.press('Escape');
    await expect(editor).toHaveCount(0);
  }

  private async words(html: string): Promise<void> {
    for (const [, bold, href, linked, plain] of html.matchAll(
      /<strong>(.*?)<\/strong>|<a href="(.*?)">(.*?)<\/a>|([^<]+)/g
    )) {
      if (bold) {
        await this.page.keyboard.press('Control+b');
        await this.page.keyboard.type(bold);
        await this.page.keyboard.press('Control+b');
      } else if (linked) {
        await this.page.keyboard.type(linked);
        for (let n = 0; n < linked.length; n += 1) await this.page.keyboard.press('Shift+ArrowLeft');
        await this.page.keyboard.press('Control+k');
        await this.page.keyboard.type(href!);
        await this.page.keyboard.press('Enter');
      } else await this.page.keyboard.insertText(plain!);
    }
  }

  async set(
    meta: FieldMeta,
    label: string,
    value: Json,
    project: Project,
    bytes: ReadonlyMap<AssetId, Uint8Array>
  ): Promise<void> {
    await this.view(VIEWS[meta.view] as 'Fill');
    const sheet = this.page.getByRole('tabpanel');
    if (meta.control === 'choice')
      return this.choose(
        sheet.getByRole('combobox', { name: label, exact: true }),
        meta.choices![value as string]!
      );
    if (meta.control === 'item' || meta.control === 'piece')
      return this.choose(sheet.getByRole('combobox', { name: label, exact: true }), value as string);
    if (meta.control === 'toggle') {
      const field = sheet.getByRole('switch', { name: label, exact: true });
      await field.focus();
      if ((await field.isChecked()) !== value) await this.page.keyboard.press('Space');
      return;
    }
    if (meta.control === 'asset')
      return this.picture(
        sheet.getByRole('group', { name: label, exact: true }),
        project.assets[value as AssetId]!.file,
        bytes.get(value as AssetId)!
      );
    if (meta.control === 'moments') return this.moments(sheet, label, String(value));
    if (meta.control === 'icon')
      return this.icon(
        sheet.getByRole('group', { name: label, exact: true }),
        (value as { name: string }).name
      );
    return this.type(
      sheet
        .getByRole(meta.control === 'css' ? 'combobox' : 'textbox', { name: label, exact: true })
        .or(sheet.getByRole('textbox', { name: label, exact: true }))
        .first(),
      String(value),
      meta.control === 'text' || meta.control === 'link' ? 'Tab' : 'Enter'
    );
  }

  /** Gives a field a picture or a film, from a file or from what the project has already. */
  private async picture(field: Locator, file: string, content: Uint8Array): Promise<void> {
    const isFilm = file.endsWith('.webm');
    await field.getByRole('button').first().click();
    const add = field.getByRole('button', { name: isFilm ? 'Add a film' : 'Add a picture' }).first();
    await expect(add).toBeVisible();
    const known = field.locator('.choices').getByRole('button', { name: file });
    if ((await known.count()) > 0) {
      await known.first().click();
      return this.page.keyboard.press('Escape');
    }
    const [chooser] = await Promise.all([this.page.waitForEvent('filechooser'), add.click()]);
    const mimeType = isFilm ? 'video/webm' : 'image/svg+xml';
    await chooser.setFiles({ name: file, mimeType, buffer: Buffer.from(content) });
    await expect(known.first()).toHaveAttribute('aria-pressed', 'true');
    await this.page.keyboard.press('Escape');
  }

  /** Types a whole way into the first cell of its row; a row that is not there is asked for. */
  private async moments(sheet: Locator, label: string, way: string): Promise<void> {
    const table = sheet.getByRole('group', { name: 'Moments', exact: true });
    await expect(table).toBeVisible();
    const cell = table.getByRole('textbox', { name: `${label} at 0 %`, exact: true });
    if ((await cell.count()) === 0)
      await this.choose(table.getByRole('combobox', { name: 'One more property' }), label);
    await this.type(cell, way, 'Enter');
  }

  private async icon(field: Locator, name: string): Promise<void> {
    await field.getByRole('button').first().click();
    await expect(field.getByRole('searchbox')).toBeFocused();
    await this.page.keyboard.type(name);
    // Until it is looked through for the whole word, its icons change their places.
    await expect(field.locator('[aria-busy="false"]')).toBeVisible();
    await field.getByRole('button', { name, exact: true }).click();
    await expect(field.getByRole('button', { name: 'Take it out' })).toBeVisible();
  }

  private isAt: ConditionName = 'always';

  private async at(condition: ConditionName): Promise<void> {
    if (this.isAt === condition) return;
    await this.page
      .getByRole('tab', { name: condition === 'always' ? 'all widths' : `≤ ${condition}`, exact: true })
      .click();
    this.isAt = condition;
  }

  private isIn = '';

  /** Goes to a view of the tuning sheet; it stays while pieces are picked. */
  async view(name: 'Fill' | 'Behaviour' | 'States' | 'Timing' | 'Fallbacks'): Promise<void> {
    if (this.isIn === name) return;
    await this.bench.view(name);
    this.isIn = name;
  }

  async track(label: string, track: Track, meta: FieldMeta, condition: ConditionName): Promise<void> {
    await this.view('Timing');
    await this.at(condition);
    await this.page.locator('.bars button.name').filter({ hasText: label }).click();
    const about = this.page.locator('.about');
    await this.choose(about.getByRole('combobox', { name: 'Form' }), meta.choices![track.form]!);
    await this.type(about.getByRole('textbox', { name: 'Length' }), String(track.ms));
    await this.type(about.getByRole('textbox', { name: 'Start' }), String(track.delay));
    if (track.step > 0) await this.type(about.getByRole('textbox', { name: 'Step' }), String(track.step));
    await this.type(about.getByRole('textbox', { name: 'Easing as text' }), track.easing, 'Enter');
  }

  async fallback(label: string, condition: string, words: string): Promise<void> {
    await this.view('Fallbacks');
    const list = this.page.getByRole('combobox', { name: `${label}, ${condition}`, exact: true });
    const field = this.page.getByRole('textbox', { name: `${label}, ${condition}`, exact: true });
    await expect(list.or(field)).toBeVisible();
    if ((await list.count()) > 0) await this.choose(list, words);
    else await this.type(field, words, 'Enter');
  }

  /** Gives a cell of the state sheet a value, or a token by its name. */
  async cell(
    part: string,
    state: string,
    condition: ConditionName,
    { property, label, control }: StyleProperty,
    value: string,
    isToken: boolean
  ): Promise<void> {
    await this.view('States');
    if (this.isAmong !== part) {
      const parts = this.page
        .getByRole('group', { name: 'Parts' })
        .getByRole('button', { name: part, exact: true });
      if ((await parts.count()) > 0) await parts.first().click();
      this.isAmong = part;
    }
    await this.at(condition);
    await this.bench.cell(property, state).click();
    if (isToken) await this.page.locator('.tokens').getByRole('button', { name: value, exact: true }).click();
    else if (control === 'choice')
      await this.choose(this.page.getByRole('combobox', { name: `${label}, ${state}` }), value);
    else {
      await this.page.keyboard.press('Control+a');
      await this.page.keyboard.insertText(value);
      await this.page.keyboard.press('Enter');
    }
  }

  async token(type: string, name: string, value: string): Promise<void> {
    const panel = this.page.getByRole('dialog', { name: 'Tokens' });
    if ((await panel.count()) === 0) await this.page.keyboard.press('Shift+T');
    await this.choose(panel.getByRole('combobox', { name: 'Type of the new token' }), type);
    await this.type(panel.getByRole('textbox', { name: 'Name of the new token' }), name);
    await this.type(panel.getByRole('textbox', { name: 'Value of the new token' }), value, 'Enter');
    await expect(panel.getByRole('textbox', { name: `Name of ${name}`, exact: true })).toBeVisible();
  }

  async about(fields: Readonly<Record<string, string>>): Promise<void> {
    await this.page.getByRole('button', { name: 'More', exact: true }).click();
    await this.page.getByRole('menuitem', { name: 'About this page' }).click();
    this.isIn = '';
    for (const [label, value] of Object.entries(fields))
      await this.type(this.page.getByRole('textbox', { name: label, exact: true }), value);
  }
}
