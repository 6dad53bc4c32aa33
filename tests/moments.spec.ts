import { Bench } from './support/workbench';
import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';

const cell = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true });

async function fill(page: Page, name: string, value: string): Promise<void> {
  await cell(page, name).fill(value);
  await cell(page, name).press('Enter');
}

/** A button that loops as it is written, with Behaviour open. */
async function openLooping(page: Page): Promise<Bench> {
  const bench = await Bench.openNew(page);
  await bench.insert('button');
  await bench.view('Behaviour');
  await page.getByRole('button', { name: /^Loops/ }).click();
  await page
    .getByRole('group', { name: 'Loops', exact: true })
    .getByRole('combobox', { name: 'Loop' })
    .selectOption('moves as written');
  await expect(page.getByRole('group', { name: 'Moments' })).toBeVisible();
  return bench;
}

/** Keyframes of the button in the preview, as Chromium has them. */
const keyframes = (bench: Bench) =>
  bench.preview.locator('[data-k] >> nth=-1').evaluate((button) =>
    button.getAnimations().map((each) =>
      (each.effect as KeyframeEffect).getKeyframes().map((frame) => {
        const { computedOffset, translate, scale } = frame as unknown as Record<string, unknown>;
        return [computedOffset, translate ?? scale];
      })
    )
  );

test('a loop is written cell by cell, moved in time, and each step undone', async ({ page }) => {
  const bench = await openLooping(page);
  await page.getByRole('button', { name: '+ Moment' }).click();
  await expect(cell(page, 'Goes at 50 %')).toBeFocused();
  await fill(page, 'Goes at 50 %', '0px -12px');
  await expect(cell(page, 'Goes at 0 %')).toHaveValue('0 0');
  await fill(page, 'Grows at 100 %', '1.2');
  await fill(page, 'Moment at 50 %', '30');
  await expect(cell(page, 'Goes at 30 %')).toHaveValue('0px -12px');
  const moved = [
    [0, '0px'],
    [0.3, '0px -12px'],
    [1, '0px']
  ];
  await expect.poll(async () => (await keyframes(bench))[0]).toEqual(moved);
  expect((await keyframes(bench))[1]).toEqual([
    [0, '1'],
    [1, '1.2']
  ]);

  await page.getByRole('button', { name: 'Take the moment at 30 % away' }).click();
  await expect(cell(page, 'Goes at 30 %')).toHaveCount(0);
  await expect.poll(async () => (await keyframes(bench))[0]?.length).toBe(2);
  await bench.row('Button').click();
  await page.keyboard.press('Control+z');
  await expect(cell(page, 'Goes at 30 %')).toHaveValue('0px -12px');
});

test(
  'what is no value, or no moment, is told, stays as it was typed, and changes nothing',
  thorough,
  async ({ page }) => {
    const bench = await openLooping(page);
    const sheet = page.getByRole('group', { name: 'Moments' });
    await fill(page, 'Goes at 100 %', '0px 8px');
    const before = [
      [0, '0px'],
      [1, '0px 8px']
    ];
    await expect.poll(async () => (await keyframes(bench))[0]).toEqual(before);
    await fill(page, 'Grows at 100 %', 'large');
    await expect(sheet.getByRole('alert')).toContainText('Grows');
    await expect(cell(page, 'Grows at 100 %')).toHaveValue('large');
    await expect(cell(page, 'Grows at 100 %')).toHaveAttribute('aria-invalid', 'true');
    await page.getByRole('button', { name: '+ Moment' }).click();
    await fill(page, 'Moment at 50 %', '100');
    await expect(sheet.getByRole('alert')).toHaveText(
      'A moment is a whole percent from 1 to 99 that is not there yet.'
    );
    expect(await keyframes(bench)).toEqual([before]);
  }
);

test(
  'a whole way is typed at once, rows are gone through by keys, and properties are added',
  inTurn(3),
  async ({ page }) => {
    const bench = await Bench.openNew(page);
    await bench.insert('button');
    await bench.view('Behaviour');
    await page.getByRole('button', { name: /^Follows the scroll/ }).click();
    const rows = page.getByRole('group', { name: 'Moments' }).getByRole('rowheader');
    await expect(rows).toHaveText(['Goes']);
    await page.getByRole('combobox', { name: 'One more property' }).selectOption('Grows');
    await expect(rows).toHaveText(['Goes', 'Grows']);
    await fill(page, 'Grows at 0 %', '1 → 1.4 at 20% → 1.1');
    await expect(cell(page, 'Grows at 20 %')).toHaveValue('1.4');
    await cell(page, 'Grows at 20 %').press('ArrowUp');
    await expect(cell(page, 'Goes at 20 %')).toBeFocused();
    await cell(page, 'Goes at 20 %').press('ArrowDown');
    await expect(cell(page, 'Grows at 20 %')).toBeFocused();
    await cell(page, 'Grows at 20 %').fill('');
    await cell(page, 'Grows at 20 %').press('Enter');
    await expect(cell(page, 'Grows at 20 %')).toHaveCount(0);
    await expect(cell(page, 'Grows at 100 %')).toHaveValue('1.1');
  }
);

test('what loops without end gets a stop at once, which the page then has', inTurn(1), async ({ page }) => {
  const bench = await openLooping(page);
  await fill(page, 'Goes at 100 %', '0px 8px');
  await page.getByRole('button', { name: '1 finding' }).click();
  await page.getByRole('button', { name: 'Put a stop below it' }).click();
  await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();
  await expect(bench.preview.getByRole('checkbox', { name: 'Stop movement' })).toBeVisible();
});
