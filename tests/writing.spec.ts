import type { Page } from '@playwright/test';
import { expect, test } from './support/test';
import { inTurn, thorough, thoroughUnless } from './support/thorough';
import { Bench } from './support/workbench';

/** Rounds at each pace; `npm run stress` asks for more. */
const ROUNDS = Number(process.env.KYMATION_ROUNDS ?? 1);

/** Makes the page's processor slower, as an old or a busy machine is. */
async function slower(page: Page, times: number): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: times });
}

for (const times of [1, 6]) {
  test(
    `linked words stay, however quick the hand and at ${times}× the time: rounds: ${ROUNDS}`,
    thoroughUnless(times === 1),
    async ({ page }) => {
      test.setTimeout(300_000 + ROUNDS * 20_000);
      const bench = await Bench.openDemo(page);
      await slower(page, times);
      const words = bench.preview.locator('.welcome-text');
      const editor = bench.preview.locator('[data-k-writing]');
      for (let round = 0; round < ROUNDS; round += 1) {
        await bench.pick('Welcome text');
        await page.keyboard.press('Enter');
        await expect(editor).toBeFocused();
        await page.keyboard.press('Control+a');
        await page.keyboard.type('Beside the press house');
        for (let n = 0; n < 'the press house'.length; n += 1) await page.keyboard.press('Shift+ArrowLeft');
        await page.keyboard.press('Control+k');
        await page.keyboard.type('#press');
        await page.keyboard.press('Enter');
        await page.keyboard.type(' stands a walnut');
        await page.keyboard.press('Control+b');
        await page.keyboard.type(' tree');
        await page.keyboard.press('Escape');
        await expect(editor).toHaveCount(0);
        await expect(words).toHaveText('Beside the press house stands a walnut tree');
        await expect(words.locator('a')).toHaveText('the press house');
        await expect(words.locator('strong')).toHaveText(/^\s?tree$/);
      }
    }
  );

  test(`tools beside the text lose no letter either, at ${times}× the time`, thorough, async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await slower(page, times);
    await bench.pick('Welcome text');
    await bench.view('Fill');
    const editor = page.getByRole('textbox', { name: 'Text', exact: true });
    await editor.click();
    await page.keyboard.press('Control+a');
    await page.keyboard.type('Come to the ');
    await page.getByRole('button', { name: 'Bold', exact: true }).click();
    await page.keyboard.type('orchard');
    for (let n = 0; n < 'orchard'.length; n += 1) await page.keyboard.press('Shift+ArrowLeft');
    await page.getByRole('button', { name: 'Link', description: 'Link' }).click();
    await page.getByRole('textbox', { name: 'Address of the link' }).fill('#find');
    await page.keyboard.press('Enter');
    await page.keyboard.type(' in May');
    const words = bench.preview.locator('.welcome-text');
    await expect(words).toHaveText('Come to the orchard in May');
    await expect(words.locator('a')).toHaveText('orchard');
  });
}

test('the tools never cover the line that is written, nor the ones beside it', thorough, async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Welcome text');
  await page.keyboard.press('Enter');
  const editor = bench.preview.locator('[data-k-writing]');
  await expect(editor).toBeFocused();
  await page.keyboard.press('Control+a');
  for (let line = 0; line < 40; line += 1) {
    await page.keyboard.insertText(`Line ${line}`);
    await page.keyboard.press('Enter');
    const covered = await editor.evaluate((element) => {
      const bar = document.querySelector('k-writer')!.getBoundingClientRect();
      const range = document.getSelection()!.getRangeAt(0);
      const block = (
        range.startContainer instanceof Element ? range.startContainer : range.startContainer.parentElement
      )!.closest('p, li')!;
      const near = [block.previousElementSibling, block, block.nextElementSibling].filter(
        (each) => each !== null && element.contains(each)
      );
      return near.some(
        (each) =>
          each!.getBoundingClientRect().top < bar.bottom && each!.getBoundingClientRect().bottom > bar.top
      );
    });
    expect(covered, `line ${line}`).toBe(false);
  }
});

test('the tools beside a text cover neither it nor the piece above it', inTurn(1), async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Welcome text');
  await page.keyboard.press('Enter');
  const frame = page.frameLocator('iframe[title^="Preview of"]');
  const bar = frame.locator('k-writer');
  await expect(bar).toBeVisible();
  const boxOf = async (selector: string) => (await frame.locator(selector).boundingBox())!;
  const tools = (await bar.boundingBox())!;
  for (const selector of ['.welcome-heading', '[data-k-writing]']) {
    const { y, height } = await boxOf(selector);
    expect(tools.y >= y + height || tools.y + tools.height <= y, selector).toBe(true);
  }
});

test(
  'words in a side panel are written where they stand, after another piece of it was picked',
  inTurn(2),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await page.getByRole('combobox', { name: 'Page', exact: true }).selectOption({ label: 'Questions' });
    await bench.pick('Hours panel heading');
    await expect(bench.preview.getByRole('heading', { name: 'When the gate is open' }).first()).toBeVisible();
    await bench.pick('Hours panel words');
    await page.keyboard.press('Enter');
    await expect(bench.preview.locator('[data-k-writing]')).toBeFocused();
  }
);
