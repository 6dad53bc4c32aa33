import { expect, test, type Locator, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { Bench } from './support/workbench';

/** Fields of the tuning sheet whose label stands at the left; the wide ones have rooms of their own. */
const fields = (bench: Bench): Locator =>
  bench.page
    .getByRole('tabpanel')
    .locator('[data-field]')
    .filter({ has: bench.page.locator('.name label') });

/** Fields that the tuning sheet does not show whole. */
const hiddenFields = (bench: Bench): Promise<(string | undefined)[]> =>
  bench.page.locator('[data-field]').evaluateAll((all) => {
    const sheet = document.querySelector('[role="tabpanel"]')!.getBoundingClientRect();
    const isSeen = ({ top, bottom, height }: DOMRect) =>
      height > 0 && top >= sheet.top && bottom <= sheet.bottom;
    return all
      .filter((each) => !isSeen(each.getBoundingClientRect()))
      .map((each) => (each as HTMLElement).dataset.field);
  });

const FORMS = [
  ['Season tabs', 'Behaviour'],
  ['Site links', 'Behaviour'],
  ['Welcome', 'Fill'],
  ['Header row', 'Fill']
] as const;

for (const [i, [piece, view]] of FORMS.entries()) {
  test(
    `${piece}, ${view}: each field is called by its label alone, and its help is read out with it`,
    inTurn(i),
    async ({ page }) => {
      const bench = await Bench.openDemo(page);
      await bench.pick(piece);
      await bench.view(view);
      await expect(fields(bench).first()).toBeVisible();
      for (const field of await fields(bench).all()) {
        const label = (await field.locator('.name label').textContent())!;
        const control = field.locator('input, select, button[aria-haspopup]').first();
        await expect(control).toHaveAccessibleName(label);
        const ask = field.getByRole('button', { name: `About ${label}` });
        if ((await ask.count()) === 0) continue;
        const help = (await ask.getAttribute('title'))!;
        // A picture's button says its value too, before the help.
        const literal = help.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
        await expect(control).toHaveAccessibleDescription(new RegExp(`${literal}$`));
        await ask.click();
        await expect(field.getByText(help, { exact: true })).toBeInViewport();
        await ask.click();
      }
    }
  );
}

/** Opens the demo with its first section on a picture, under Fill. */
async function onPicture(page: Page): Promise<Bench> {
  const bench = await Bench.openDemo(page);
  await bench.pick('Welcome');
  await bench.view('Fill');
  const picture = page.getByRole('group', { name: 'Background picture' });
  await picture.getByRole('button').first().click();
  await picture.getByRole('button', { name: /orchard-wassail/ }).click();
  await page.keyboard.press('Escape');
  await expect(picture.getByRole('button', { name: 'No picture' })).toHaveCount(0);
  return bench;
}

test('at 1280 × 800 all fields of a section with a picture and a layer are seen at once', async ({
  page
}) => {
  const bench = await onPicture(page);
  const layer = page
    .getByRole('combobox', { name: 'Layer over it' })
    .or(page.getByRole('textbox', { name: 'Layer over it' }));
  await layer.first().fill('#000000');
  await expect.poll(() => bench.page.locator('[data-field]').count()).toBeGreaterThanOrEqual(15);
  expect(await hiddenFields(bench)).toEqual([]);
});

test(
  'the point that stays in sight is placed by the mouse and by keys, and Escape closes that alone',
  thorough,
  async ({ page }) => {
    await onPicture(page);
    const point = page.getByRole('textbox', { name: 'What stays in sight' });
    await page.getByRole('button', { name: 'Place the point' }).click();
    const pad = page.getByRole('application', { name: /What stays in sight/ });
    const box = (await pad.boundingBox())!;
    await pad.click({ position: { x: box.width * 0.25, y: box.height * 0.75 } });
    await expect(point).toHaveValue('25% 75%');
    await pad.focus();
    await page.keyboard.press('ArrowRight');
    await expect(point).toHaveValue('26% 75%');
    await page.keyboard.press('Escape');
    await expect(pad).toHaveCount(0);
    await expect(point).toBeVisible();
  }
);

test(
  'at 1280 × 800 all fields of a section are seen at once, and a folded group stays folded',
  inTurn(5),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Welcome');
    await bench.view('Fill');
    await expect.poll(() => bench.page.locator('[data-field]').count()).toBeGreaterThan(10);
    expect(await hiddenFields(bench)).toEqual([]);
    const group = page.getByRole('tabpanel').locator('details').first();
    await group.locator('summary').click();
    await expect(group).not.toHaveAttribute('open');
    await page.reload();
    await bench.pick('Welcome');
    await bench.view('Fill');
    await expect(group).not.toHaveAttribute('open');
  }
);

test(
  'what differs from how the piece comes is dark, and what does not is not',
  inTurn(6),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs');
    await bench.view('Behaviour');
    const weight = (label: string) =>
      page
        .getByRole('tabpanel')
        .getByText(label, { exact: true })
        .evaluate((each) => Number(getComputedStyle(each).fontWeight));
    const before = await weight('Moving line under the tab');
    await page.getByRole('switch', { name: 'Moving line under the tab', exact: true }).click();
    await expect.poll(() => weight('Moving line under the tab')).toBeGreaterThan(before);
    await page.getByRole('switch', { name: 'Moving line under the tab', exact: true }).click();
    await expect.poll(() => weight('Moving line under the tab')).toBe(before);
  }
);
