import { expect, test, type Locator } from './support/test';
import { Bench } from './support/workbench';

/** Fields of the tuning sheet whose label stands at the left; the wide ones have rooms of their own. */
const fields = (bench: Bench): Locator => bench.page.getByRole('tabpanel').locator('[data-field]').filter({ has: bench.page.locator('.name label') });

for (const [piece, view] of [['Season tabs', 'Behaviour'], ['Site links', 'Behaviour'], ['Welcome', 'Fill'], ['Header row', 'Fill']] as const) {
  test(`${piece}, ${view}: each field is called by its label alone, and its help is read out with it`, async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick(piece);
    await bench.view(view);
    await expect(fields(bench).first()).toBeVisible();
    for (const field of await fields(bench).all()) {
      const label = (await field.locator('.name label').textContent())!;
      const control = field.locator('input, select').first();
      await expect(control).toHaveAccessibleName(label);
      const ask = field.getByRole('button', { name: `About ${label}` });
      if ((await ask.count()) === 0) continue;
      const help = (await ask.getAttribute('title'))!;
      await expect(control).toHaveAccessibleDescription(help);
      await ask.click();
      await expect(field.getByText(help, { exact: true })).toBeInViewport();
      await ask.click();
    }
  });
}

test('at 1280 × 800 all fields of a section are seen at once, and a folded group stays folded', async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Welcome');
  await bench.view('Fill');
  const hidden = () =>
    bench.page.locator('[data-field]').evaluateAll((all) => {
      const sheet = document.querySelector('[role="tabpanel"]')!.getBoundingClientRect();
      const isSeen = ({ top, bottom, height }: DOMRect) => height > 0 && top >= sheet.top && bottom <= sheet.bottom;
      return all.filter((each) => !isSeen(each.getBoundingClientRect())).map((each) => (each as HTMLElement).dataset.field);
    });
  await expect.poll(() => bench.page.locator('[data-field]').count()).toBeGreaterThan(10);
  expect(await hidden()).toEqual([]);
  const group = page.getByRole('tabpanel').locator('details').first();
  await group.locator('summary').click();
  await expect(group).not.toHaveAttribute('open');
  await page.reload();
  await bench.pick('Welcome');
  await bench.view('Fill');
  await expect(group).not.toHaveAttribute('open');
});

test('what differs from how the piece comes is dark, and what does not is not', async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Season tabs');
  await bench.view('Behaviour');
  const weight = (label: string) => page.getByRole('tabpanel').getByText(label, { exact: true }).evaluate((each) => Number(getComputedStyle(each).fontWeight));
  const before = await weight('Moving line under the tab');
  await page.getByRole('switch', { name: 'Moving line under the tab', exact: true }).click();
  await expect.poll(() => weight('Moving line under the tab')).toBeGreaterThan(before);
  await page.getByRole('switch', { name: 'Moving line under the tab', exact: true }).click();
  await expect.poll(() => weight('Moving line under the tab')).toBe(before);
});
