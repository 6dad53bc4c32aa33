import { gzipSync } from 'node:zlib';
import type { Command } from '../src/core/commands/commands';
import { loadRules, runFindings } from '../src/core/findings/run';
import { NO_FACTS } from '../src/core/kinds/finding';
import type { NodeId, Project } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { pageScript } from '../src/server/bundle';
import { Counted } from './support/counted';
import { partIn } from './support/exported';
import { alone, expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { changed, open } from './support/visit';
import { Bench } from './support/workbench';

const ID = 'find-us';

const waiting = (settings: Record<string, unknown> = {}): Project =>
  changed(
    { type: 'add-effect', id: ID, effect: 'wait' },
    ...Object.entries(settings).map(
      ([key, value]) => ({ type: 'set-setting', id: ID, key: `wait-${key}`, value }) as Command
    )
  );

const piece = (page: Page) => page.locator(partIn('export', ID as NodeId, 'root'));

/** Opens it with a clock that stands until it is told to go on. */
async function opened(page: Page, project: Project, ...others: readonly string[]): Promise<void> {
  await page.clock.install({ time: new Date('2026-11-01T10:00:00') });
  await page.clock.pauseAt(new Date('2026-11-01T11:00:00'));
  await open(page, project, 1280, ['visit', ...others]);
}

test.beforeAll(() => loadRules(registry));

alone('comes so long after the page as is set, in the room it has kept', async ({ page }) => {
  await opened(page, waiting({ seconds: 60 }));
  await expect(piece(page)).toBeHidden();
  const height = await page.evaluate(() => document.documentElement.scrollHeight);
  await page.clock.runFor(40_000);
  await expect(piece(page)).toBeHidden();
  await page.clock.runFor(21_000);
  await expect(piece(page)).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBe(height);
});

alone('grows the page by what is told where it keeps no room', async ({ page }) => {
  const project = waiting({ seconds: 1, room: false });
  await opened(page, project);
  const height = () => page.evaluate(() => document.documentElement.scrollHeight);
  const before = await height();
  await page.clock.runFor(1100);
  await expect(piece(page)).toBeVisible();
  const grown = (await height()) - before;
  const { top, bottom } = await piece(page).evaluate((each) => {
    const box = each.getBoundingClientRect();
    return { top: box.top + scrollY, bottom: box.bottom + scrollY };
  });
  const box = { top, bottom, insetTop: null, withinTop: 0, withinBottom: bottom } as never;
  const facts = { ...NO_FACTS, boxes: new Map([[ID as NodeId, box]]) };
  const [finding] = runFindings(registry, project, facts).filter(({ rule }) => rule === 'wait-grows-page');
  expect(Math.abs(parseInt(finding!.number!) - grown)).toBeLessThanOrEqual(1);
});

alone(
  'counts from when it would be in view, and the page goes to it where that is set',
  thorough,
  async ({ page }) => {
    await opened(page, waiting({ seconds: 2, after: 'view', scroll: true }));
    await page.clock.runFor(60_000);
    await expect(piece(page)).toBeHidden();
    // Ten px of it are in view.
    await piece(page).evaluate((each) => {
      scrollTo({ top: each.getBoundingClientRect().top + scrollY - innerHeight + 10, behavior: 'instant' });
    });
    await expect
      .poll(async () => {
        await page.clock.runFor(500);
        return piece(page).isVisible();
      })
      .toBe(true);
    await expect
      .poll(async () => {
        await page.clock.runFor(200);
        return piece(page).evaluate((each) => each.getBoundingClientRect().bottom <= innerHeight);
      })
      .toBe(true);
  }
);

for (const times of ['visit', 'visitor'] as const)
  alone(`waits once a ${times}: it is simply there the next time`, async ({ page }) => {
    await opened(page, waiting({ seconds: 1, times }));
    await expect(piece(page)).toBeHidden();
    await page.clock.runFor(1100);
    await expect(piece(page)).toBeVisible();
    await page.reload();
    await expect(piece(page)).toBeVisible();
    await expect(piece(page)).not.toHaveAttribute('data-waiting');
  });

test('is there without script, and on paper', async ({ browser }) => {
  const context = await browser.newContext({ javaScriptEnabled: false });
  const page = await context.newPage();
  await open(page, waiting({ seconds: 10_800, room: false }));
  await expect(piece(page)).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(piece(page)).toBeVisible();
  await context.close();
});

test('its script is small', async () => {
  const script = (await pageScript(['wait'], true))!;
  expect(gzipSync(script, { level: 9 }).length).toBeLessThanOrEqual(700);
});

test('says that readers are taken away before they have read, and how long that takes', () => {
  const hasty = waiting({ seconds: 1, scroll: true });
  const of = (project: Project) =>
    runFindings(registry, project).filter(({ rule }) => rule === 'wait-leaves-reader');
  const [finding] = of(hasty);
  expect(finding!.sentence).toMatch(/after 1 s, and what stands above takes \d+ s to read/);
  const seconds = (finding!.fix!.commands[0] as { value: number }).value;
  expect(of(waiting({ seconds, scroll: true }))).toEqual([]);
  expect(of(waiting({ seconds: seconds - 1, scroll: true }))).toHaveLength(1);
});

test(
  'a wait of three hours is taken, a longer and a negative one are refused with the reason',
  inTurn(3),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Press house');
    await bench.view('Behaviour');
    await page.getByRole('button', { name: /^Waits/ }).click();
    const field = page.getByRole('textbox', { name: 'Waits for' });
    for (const [typed, told] of [
      ['10801', true],
      ['-1', true],
      ['10800', false],
      ['0', false]
    ] as const) {
      await field.fill(typed);
      await field.press('Enter');
      await expect(page.getByText('Waits for is a number from 0 to 10800 s.')).toHaveCount(told ? 1 : 0);
    }
  }
);

test(
  'an offer that comes after 5 s, is scrolled to, and keeps its room, in five actions',
  thorough,
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    const hand = new Counted();
    await hand.act('pick', () => bench.pick('Press house'));
    await hand.act('view', () => bench.view('Behaviour'));
    await hand.act('wait', () => page.getByRole('button', { name: /^Waits/ }).click());
    const group = page.getByRole('group', { name: 'Waits', exact: true });
    await expect(group.getByRole('textbox', { name: 'Waits for' })).toHaveValue('5 s');
    await expect(group.getByRole('switch', { name: 'Keeps its room' })).toBeChecked();
    await hand.act('scroll', () => group.getByRole('switch', { name: 'The page goes to it' }).click());
    expect(hand.done.length).toBeLessThanOrEqual(7);
    // Whoever tunes it sees it; whoever tries the page has to wait.
    const section = bench.preview.locator('[data-k="press-house"]');
    await expect(section).not.toHaveAttribute('data-waiting');
    await page.getByRole('tab', { name: 'Try it' }).click();
    await expect(section).toHaveAttribute('data-waiting', '');
    await page.getByRole('tab', { name: 'Select' }).click();
    await expect(section).not.toHaveAttribute('data-waiting');
  }
);

const LEAVES = { seconds: 2, leaveFor: 'harvest.html', leaveAfter: 4 };
const notice = (page: Page) => page.locator(partIn('export', ID as NodeId, 'wait-notice'));

alone(
  'leaves the page after it has come, with the seconds left in sight, and stays when one says so',
  async ({ page }) => {
    await opened(page, waiting(LEAVES));
    await expect(notice(page)).toBeHidden();
    await page.clock.runFor(2100);
    await expect(notice(page)).toBeVisible();
    await expect(notice(page)).toContainText('You are taken on in 4 seconds.');
    await page.clock.runFor(1000);
    await expect(notice(page).getByRole('timer')).toHaveText('3');
    await notice(page).getByRole('button', { name: 'Stay here' }).click();
    await expect(notice(page)).toBeHidden();
    await page.clock.runFor(10_000);
    expect(page.url()).toContain('index.html');
  }
);

alone('is left for the address by itself when nobody stays, and at once by its link', async ({ page }) => {
  await opened(page, waiting(LEAVES), 'harvest');
  await page.clock.runFor(2100);
  await expect(notice(page).getByRole('link', { name: 'Go now' })).toHaveAttribute('href', 'harvest.html');
  await page.clock.runFor(4100);
  await expect(page).toHaveURL(/harvest\.html$/);
});

alone(
  'takes nobody anywhere without script, or on a visit after it has come',
  thorough,
  async ({ page, browser }) => {
    await opened(page, waiting({ ...LEAVES, times: 'visitor' }));
    await page.clock.runFor(2100);
    await notice(page).getByRole('button').click();
    await page.reload();
    await page.clock.runFor(20_000);
    await expect(notice(page)).toBeHidden();
    expect(page.url()).toContain('index.html');
    const bare = await browser.newContext({ javaScriptEnabled: false });
    const plain = await bare.newPage();
    await plain.goto(page.url());
    await expect(notice(plain).getByRole('link', { name: 'Go now' })).toBeVisible();
    await bare.close();
  }
);

test('an address that runs script, or is none, is refused; a page that leaves for itself is found', () => {
  for (const value of ['javascript:alert(1)', 'java\tscript:alert(1)', 'http://', 'not an address'])
    expect(() => waiting({ leaveFor: value })).toThrow(/address/);
  const rules = (settings: Record<string, unknown>) =>
    runFindings(registry, waiting({ ...LEAVES, ...settings }))
      .map(({ rule }) => rule)
      .filter((rule) => rule.startsWith('wait-'));
  expect(rules({ leaveFor: 'index.html' })).toContain('wait-leaves-for-itself');
  expect(rules({ leaveAfter: 600 })).toEqual([]);
  expect(rules({ leaveAfter: 1 })).toEqual(['wait-leaves-too-soon']);
});

test('with its leaving it is still small', async () => {
  const script = (await pageScript(['wait', 'leaves'], true))!;
  expect(gzipSync(script, { level: 9 }).length).toBeLessThanOrEqual(700);
});
