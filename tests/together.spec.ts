import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { random } from './hostile/mutations';
import { Bench } from './support/workbench';

/** A second window of the same browser on the same project. */
async function second(page: Page): Promise<Bench> {
  const other = await page.context().newPage();
  await other.goto(page.url());
  const bench = new Bench(other);
  await expect(bench.preview.locator('.season-tabs')).toBeVisible();
  return bench;
}

test('two windows show the same, and neither loses an edit', async ({ page }) => {
  const one = await Bench.openDemo(page);
  const two = await second(page);
  await one.pick('Season tabs');
  await one.view('Fill');
  await page.getByRole('textbox', { name: 'Label 2', exact: true }).fill('High summer');
  await expect(two.row('High summer')).toBeVisible();
  await expect(two.preview.getByRole('tab', { name: 'High summer' })).toBeVisible();
  // Both at once, on one piece: a name here, a colour there.
  await two.pick('Season tabs', 'tab');
  await Promise.all([
    (async () => {
      await page.getByRole('textbox', { name: 'Label 3', exact: true }).fill('Picking');
      await page.getByRole('textbox', { name: 'Name in the outline' }).fill('Year tabs');
    })(),
    two.set('background-color', 'Background', 'rest', '#cfe8ff')
  ]);
  for (const bench of [one, two]) {
    await bench.saved();
    await expect(bench.row('Year tabs')).toBeVisible();
    await expect(bench.row('Picking')).toBeVisible();
    await expect(bench.preview.locator('#summer-tab')).toHaveCSS('background-color', 'rgb(207, 232, 255)');
  }
  await page.reload();
  await expect(one.preview.getByRole('tab', { name: 'High summer' })).toBeVisible();
  await expect(one.row('Picking')).toBeVisible();
  await expect(one.preview.locator('#summer-tab')).toHaveCSS('background-color', 'rgb(207, 232, 255)');
});

test('what was saved is there after the tab is killed in the middle of work', thorough, async ({ page }) => {
  const bench = await Bench.openDemo(page);
  const url = page.url();
  await bench.pick('Season tabs');
  await bench.view('Fill');
  await page.getByRole('textbox', { name: 'Label 1', exact: true }).fill('Kept for sure');
  await bench.saved();
  await page.getByRole('textbox', { name: 'Label 2', exact: true }).fill('Perhaps');
  // Gone at once: no event of leaving reaches the page. The bench does the same with the whole browser, by
  // SIGKILL.
  const context = page.context();
  await page.close({ runBeforeUnload: false });
  const again = await context.newPage();
  await again.goto(url);
  await expect(new Bench(again).preview.getByRole('tab', { name: 'Kept for sure' })).toBeVisible();
});

test(
  'the history goes to any point, and a named version can be gone back to',
  inTurn(7),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs');
    await bench.view('Fill');
    for (const [n, label] of [
      [1, 'One'],
      [2, 'Two'],
      [3, 'Three']
    ] as const)
      await page.getByRole('textbox', { name: `Label ${n}`, exact: true }).fill(label);
    await bench.row('Season tabs').click();
    await page.keyboard.press('h');
    const history = page.getByRole('dialog', { name: 'History' });
    await history.getByRole('textbox', { name: 'Name of the version' }).fill('Three renamed');
    await history.getByRole('button', { name: 'Keep version' }).click();
    await expect(history.getByText('Three renamed')).toBeVisible();
    await history.getByRole('button', { name: /Rename to One/ }).click();
    await expect(bench.preview.getByRole('tab')).toHaveText(['One', 'Summer', 'Harvest', 'Wassail']);
    await history.getByRole('button', { name: /Rename to Three/ }).click();
    await expect(bench.preview.getByRole('tab')).toHaveText(['One', 'Two', 'Three', 'Wassail']);
    await history.getByRole('button', { name: 'As it was opened first' }).click();
    await expect(bench.preview.getByRole('tab')).toHaveText(['Blossom', 'Summer', 'Harvest', 'Wassail']);
    await history.getByRole('button', { name: /^Three renamed/ }).click();
    await expect(bench.preview.getByRole('tab')).toHaveText(['One', 'Two', 'Three', 'Wassail']);
    await bench.saved();
    await bench.reopen();
    await expect(bench.preview.getByRole('tab')).toHaveText(['One', 'Two', 'Three', 'Wassail']);
    await bench.row('Season tabs').click();
    await page.keyboard.press('Control+z');
    await expect(bench.preview.getByRole('tab')).toHaveText(['Blossom', 'Summer', 'Harvest', 'Wassail']);
  }
);

test.describe('looks and tokens', () => {
  test(
    'a state is forced in the preview and never exported; a look is copied to another state and part',
    inTurn(8),
    async ({ page }) => {
      const bench = await Bench.openDemo(page);
      await bench.pick('Summer', 'tab');
      await page.getByRole('button', { name: 'hover', exact: true }).click();
      // The chosen tab looks chosen; the forced state shows on its neighbour.
      await expect(bench.preview.locator('#blossom-tab')).toHaveCSS('background-color', 'rgb(240, 228, 203)');
      await page.getByRole('button', { name: 'hover', exact: true }).click();
      await expect(bench.preview.locator('#blossom-tab')).toHaveCSS('background-color', 'rgb(246, 239, 224)');
      await page.getByRole('button', { name: 'More for hover' }).click();
      await page.getByRole('menuitem', { name: 'Copy this look' }).click();
      await page.getByRole('button', { name: 'More for focus' }).click();
      await page.getByRole('menuitem', { name: 'Paste the look here' }).click();
      await expect(bench.cell('background-color', 'focus')).toContainText('Cream, deeper');
      await page.getByRole('button', { name: 'Copy look' }).click();
      await page
        .getByRole('group', { name: 'Parts' })
        .getByRole('button', { name: 'folded header', exact: true })
        .click();
      await page.getByRole('button', { name: 'Paste', exact: true }).click();
      await expect(bench.cell('border-radius', 'rest')).toContainText('6px 6px 0 0');
    }
  );

  test('a value becomes a token, a cell takes it, and changing it repaints at once; one in use is not deleted', async ({
    page
  }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs', 'tab');
    await bench.cell('color', 'rest').click();
    await page.getByRole('button', { name: 'Save as token' }).click();
    await expect(bench.cell('color', 'rest')).toContainText('Tab text');
    await bench.cell('color', 'hover').click();
    await page.getByRole('button', { name: 'Tab text', exact: true }).click();
    await expect(bench.cell('color', 'hover')).toContainText('Tab text');
    await bench.row('Season tabs').click();
    await page.keyboard.press('Shift+T');
    await page.getByRole('textbox', { name: 'Value of Tab text' }).fill('#7a1020');
    await expect(bench.preview.locator('#summer-tab')).toHaveCSS('color', 'rgb(122, 16, 32)');
    await page.getByRole('textbox', { name: 'Value of Leaf' }).fill('{leaf}');
    await expect(page.getByText('name each other in a ring')).toBeVisible();
    await page.getByRole('button', { name: 'Delete Cream', exact: true }).click();
    await expect(page.getByText(/Cream is used by .* Give those another value first/)).toBeVisible();
    await page.keyboard.press('Control+e');
    await page.getByRole('button', { name: 'style.css' }).click();
    await expect(page.getByLabel('Text of style.css')).toContainText('#7a1020');
  });

  test('icons are found by what they mean', inTurn(4), async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Harvest');
    await bench.view('Fill');
    await page
      .getByRole('group', { name: 'Icon', exact: true })
      .getByRole('button', { name: 'apple' })
      .click();
    await page.getByRole('searchbox', { name: 'Find an icon by what it means' }).fill('tree');
    await page
      .getByRole('group', { name: 'Icon', exact: true })
      .locator('.grid[aria-busy="false"] button')
      .first()
      .click();
    await expect(bench.preview.locator('#harvest-tab svg:not([data-chosen])')).toHaveCount(1);
    await bench.saved();
    await expect(
      page
        .getByRole('group', { name: 'Icon', exact: true })
        .getByRole('button', { name: 'apple', exact: true })
    ).toHaveCount(0);
  });
});

test(
  'a type style is saved from one heading, given to another by name, and both follow it',
  inTurn(2),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    const heading = (text: string) => bench.preview.getByRole('heading', { name: text });
    await bench.pick('Welcome heading');
    await bench.view('States');
    const style = page.getByRole('combobox', { name: 'Type style, rest' });
    await style.selectOption({ label: 'Save as a type style' });
    await expect(style.locator('option:checked')).toHaveText('Welcome heading');
    await expect(bench.cell('font-size', 'rest')).toHaveText('44px');
    await bench.pick('Plan heading');
    await style.selectOption({ label: 'Welcome heading' });
    await expect(heading('Plan a visit')).toHaveCSS('font-size', '44px');

    await page.keyboard.press('Escape');
    await bench.row('Plan heading').click();
    await page.keyboard.press('Shift+T');
    const panel = page.getByRole('dialog', { name: 'Tokens' });
    await panel.getByRole('button', { name: /^Values of Welcome heading: 700 44px/ }).click();
    const size = panel.getByRole('textbox', { name: 'Type size of Welcome heading' });
    await size.fill('50');
    await expect(panel.getByRole('alert')).toContainText('“50” is not a value of font-size');
    await size.fill('3rem');
    for (const text of ['An orchard that has kept its old names', 'Plan a visit'])
      await expect(heading(text)).toHaveCSS('font-size', '48px');
    await panel.getByRole('button', { name: 'Delete Welcome heading' }).click();
    await expect(
      page.getByRole('alert').filter({ hasText: 'Welcome heading is used by typeface of Welcome heading' })
    ).toBeVisible();
    await page.keyboard.press('Escape');

    await bench.row('Plan heading').click();
    await style.selectOption({ label: 'none' });
    await expect(heading('Plan a visit')).toHaveCSS('font-size', '28px');
    await page.keyboard.press('Control+z');
    await expect(heading('Plan a visit')).toHaveCSS('font-size', '48px');
  }
);

test(
  'a piece picked here and deleted in another window: told, nothing breaks, and it can be brought back',
  thorough,
  async ({ page }) => {
    const faults: string[] = [];
    const one = await Bench.openDemo(page);
    page.on('pageerror', (error) => faults.push(error.message));
    const two = await second(page);
    two.page.on('pageerror', (error) => faults.push(error.message));
    const views = ['Fill', 'States', 'Timing', 'Fallbacks'] as const;
    for (const view of views) {
      await one.pick('Summer text');
      await one.view(view);
      await two.pick('Summer');
      await two.page.keyboard.press('Delete');
      await expect(page.getByText('Summer text was deleted in another window.')).toBeVisible();
      await expect(one.row('Summer text')).toHaveCount(0);
      await page.getByRole('button', { name: 'Bring it back' }).click();
      await expect(one.row('Summer text')).toBeVisible();
      await expect(two.row('Summer text')).toBeVisible();
      expect(
        (await one.outline())
          .filter((name) => /Blossom$|Summer$|Harvest$|Wassail$/.test(name))
          .map((name) => name.trim())
      ).toEqual(['Blossom', 'Summer', 'Harvest', 'Wassail']);
    }
    expect(faults).toEqual([]);
  }
);

/** Rounds of two hands at once; `npm run stress` asks for more. */
const ROUNDS = Number(process.env.KYMATION_ROUNDS ?? 1);

test(
  `two windows at once show the same page, before and after a reload, rounds: ${ROUNDS}`,
  thorough,
  async ({ page }) => {
    test.setTimeout(300_000 + ROUNDS * 20_000);
    const faults: string[] = [];
    const one = await Bench.openDemo(page);
    const two = await second(page);
    for (const { page: each } of [one, two]) each.on('pageerror', (error) => faults.push(error.message));
    const next = random(ROUNDS);
    const KEYS = [
      'Control+d',
      'Delete',
      'Alt+ArrowDown',
      'Alt+ArrowUp',
      'Control+z',
      'Control+Shift+z',
      'Control+g'
    ];
    /** Picks some piece that is there and presses some key. */
    const act = async (bench: Bench) => {
      const rows = bench.page.getByRole('treeitem');
      const at = Math.floor(next() * Math.min(30, await rows.count()));
      const key = KEYS[Math.floor(next() * KEYS.length)]!;
      // It may have gone meanwhile; then there is nothing to pick.
      await rows
        .nth(at)
        .click({ timeout: 2000 })
        .catch(() => {});
      await bench.page.keyboard.press(key);
    };
    /** Every piece of the page in its order; the outline draws only the rows in sight. */
    const pieces = (bench: Bench) =>
      bench.preview
        .locator('[data-k]')
        .evaluateAll((all) => all.map((each) => (each as HTMLElement).dataset.k));
    for (let round = 0; round < ROUNDS; round += 1) {
      for (let step = 0; step < 4; step += 1) await Promise.all([act(one), act(two)]);
      for (const bench of [one, two]) await bench.saved();
      await expect(async () => expect(await pieces(two)).toEqual(await pieces(one))).toPass({
        timeout: 60_000
      });
    }
    const before = await pieces(one);
    await page.reload();
    await expect(one.preview.locator('body')).toBeVisible();
    await expect.poll(() => pieces(one)).toEqual(before);
    expect(faults).toEqual([]);
  }
);
