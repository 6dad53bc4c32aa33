import { apply } from '../src/core/commands/apply';
import { makeWith } from '../src/core/kinds/make';
import { registry } from '../src/core/whole';
import { bytes, demo } from './support/demo';
import { previewFrame } from './support/frames';
import { expect, test } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { Bench } from './support/workbench';

test('a finding says what, the number, why and where; its fix is looked at, done and taken back', async ({
  page
}) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Season tabs');
  await bench.view('Fallbacks');
  await page.getByRole('textbox', { name: 'Fold under' }).fill('300');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: '1 finding' })).toBeVisible();
  await expect(bench.row('Season tabs').locator('.count')).toHaveText('1');
  await expect(page.locator('.ruler .mark')).toHaveCount(1);
  await page.getByRole('button', { name: '1 finding' }).click();
  const finding = page.getByRole('article');
  await expect(finding).toContainText(
    /The labels of Season tabs wrap under (\d+) px, and fold only under 300 px/
  );
  await expect(finding).toContainText('Plan a visit › Season tabs');
  const width = Number(/wrap under (\d+)/.exec((await finding.textContent())!)![1]);
  await finding.getByRole('button', { name: 'See the effect' }).click();
  await expect(page.getByText(`Showing what “Fold under ${width} px” would do`)).toBeVisible();
  await expect(bench.preview.locator('.season-tabs [aria-expanded]')).toHaveCount(4);
  await expect(page.getByRole('slider', { name: 'Season tabs folds' })).toHaveAttribute(
    'aria-valuenow',
    '300'
  );
  await page.keyboard.press('Escape');
  await expect(bench.preview.getByRole('tab')).toHaveCount(4);
  await finding.getByRole('button', { name: `Fold under ${width} px` }).click();
  await expect(page.getByRole('slider', { name: 'Season tabs folds' })).toHaveAttribute(
    'aria-valuenow',
    String(width)
  );
  await expect(page.getByText('Nothing to mend')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(finding).toBeVisible();
});

test(
  'a finding is set aside with a reason, stays so when the project is opened again, and is taken up again',
  inTurn(6),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs', 'tab');
    await bench.set('background-color', 'Background', 'hover', '#f5eede');
    await bench.set('color', 'Text', 'hover', '#41372b');
    await page.getByRole('button', { name: '1 finding' }).click();
    await expect(page.getByRole('article')).toContainText('hardly changes on hover: ΔE');
    await page.getByRole('button', { name: 'Set aside…' }).click();
    await page.getByRole('button', { name: 'Set aside', exact: true }).click();
    await expect(page.getByRole('alert')).toContainText('Say why');
    await page.getByRole('textbox', { name: 'Why it is set aside' }).fill('The pointer changes too');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();
    await bench.saved();
    await bench.reopen();
    await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();
    await page.getByRole('button', { name: 'No findings' }).click();
    await page.getByRole('button', { name: /Set aside: 1/ }).click();
    await expect(page.getByText('“The pointer changes too”')).toBeVisible();
    await page.getByRole('button', { name: 'Take up again' }).click();
    await expect(page.getByRole('button', { name: '1 finding' })).toBeVisible();
  }
);

test('rules run in a worker, and what they say follows an edit', async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await expect.poll(() => page.workers().length).toBe(1);
  await bench.pick('Welcome heading');
  await bench.view('Fill');
  await page.getByRole('combobox', { name: 'Level' }).selectOption('4');
  await page.getByRole('button', { name: /\d finding/ }).click();
  await expect(page.getByText('Welcome heading skips a level: h4 after nothing')).toBeVisible();
  await page.getByRole('button', { name: 'Make it level 1' }).click();
  await expect(page.getByText('Nothing to mend')).toBeVisible();
});

test('panels of different heights: by how many px what stands below jumps', thorough, async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Season tabs');
  await bench.view('Behaviour');
  await page.getByRole('switch', { name: 'Equal panel height' }).click();
  await bench.row('Wassail picture').click();
  await page.keyboard.press('Delete');
  await page.getByRole('button', { name: /\d finding/ }).click();
  const text = (await page.getByRole('article').filter({ hasText: 'jumps by up to' }).textContent())!;
  const jump = Number(/up to (\d+) px/.exec(text)![1]);
  // The panel beside it makes the page smaller than the testing tool can aim at.
  await page.keyboard.press('Escape');
  await page.keyboard.press('t');
  const height = async (name: string) => {
    await bench.preview.getByRole('tab', { name }).click();
    // The old panel is there until it has left.
    await expect(bench.preview.locator('.season-tabs-panel[hidden]').locator('visible=true')).toHaveCount(0);
    return bench.preview.locator('.season-tabs-panels').evaluate((box) => box.getBoundingClientRect().height);
  };
  expect(Math.abs((await height('Blossom')) - (await height('Wassail')) - jump)).toBeLessThanOrEqual(1);
});

test(
  'sixty tabs with eighty letters each: said to be too many to fit, and the page keeps its width',
  thorough,
  async ({ page }) => {
    const bench = new Bench(page);
    const made = apply(registry, demo, {
      type: 'batch',
      label: '',
      commands: Array.from({ length: 56 }, (_, i) => ({
        type: 'insert',
        fragment: makeWith()(
          'panel',
          `${'Orchards of the lower valley and what each of them has to show in the year '.padEnd(78, '.')}${i}`,
          {},
          { content: [] }
        ),
        at: { parent: 'season-tabs', slot: 'panels', index: 4 }
      }))
    });
    if (!made.ok) throw new Error(made.refusal.sentence);
    await bench.importProject(made.project, bytes);
    await expect(bench.preview.getByRole('tab')).toHaveCount(60);
    await bench.pick('Season tabs');
    await expect(page.locator('.fit')).toHaveText('labels never fit');
    const [inside, width] = await (
      await previewFrame(page)
    ).evaluate(() => [document.documentElement.scrollWidth, innerWidth]);
    expect(inside).toBeLessThanOrEqual(width!);
    await page.getByRole('button', { name: /\d findings/ }).click();
    await expect(page.getByText(/The labels of Season tabs never fit on one line/)).toBeVisible();
    await page
      .getByRole('button', { name: /56 places/ })
      .first()
      .click();
    await expect(page.getByText(/of Season tabs is empty/)).toHaveCount(56);
  }
);

test(
  'what names a piece is told when that is deleted, and one press takes it back',
  inTurn(2),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs');
    await bench.view('Behaviour');
    await page.getByRole('combobox', { name: 'First panel chosen' }).selectOption('Summer');
    await bench.pick('Summer');
    await page.keyboard.press('Delete');
    await expect(page.getByText('First panel chosen of Season tabs named what was deleted.')).toBeVisible();
    await page.getByRole('button', { name: 'Undo', exact: true }).last().click();
    await expect(bench.row('Summer')).toBeVisible();
    await expect(page.getByText('named what was deleted')).toBeHidden();
  }
);

test(
  'by keys alone one finding is mended after the other; a hand that has left the panel is not called back',
  inTurn(4),
  async ({ page }) => {
    const bench = await Bench.openNew(page);
    for (const kind of ['heading', 'quotation', 'image']) {
      await bench.row('First section').click();
      await bench.insert(kind);
    }
    await page.keyboard.press('f');
    const panel = page.getByRole('dialog', { name: 'Findings' });
    const mend = panel.getByRole('button', { name: 'Make it level 1' });
    await expect(mend).toBeVisible();
    // The last part of the window, from wherever one is.
    await page
      .getByRole('banner')
      .getByRole('button', { name: /finding/ })
      .focus();
    await page.keyboard.press('Shift+F6');
    await expect(mend).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(mend).toHaveCount(0);
    await expect(panel.getByRole('button', { name: /^▸ Still as it came/ })).toBeFocused();
    // Undone with the hand elsewhere, what it was at comes and goes without it.
    await page.keyboard.press('Control+z');
    await expect(mend).toBeVisible();
    await mend.focus();
    await mend.blur();
    await page.keyboard.press('Control+Shift+z');
    await expect(mend).toHaveCount(0);
    await expect(panel.locator(':focus')).toHaveCount(0);
  }
);
