import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import type { NodeId, Project } from '../src/core/project/types';
import { axeViolations } from './support/axe';
import { Counted } from './support/counted';
import { exported, partIn } from './support/exported';
import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { bytes, changed, open } from './support/visit';
import { Bench } from './support/workbench';

const make = makeWith({ exactIds: true });

const collapses = (id: string, settings: Record<string, unknown> = {}): Command[] => [
  { type: 'add-effect', id, effect: 'collapse' },
  ...Object.entries(settings).map(
    ([key, value]) => ({ type: 'set-setting', id, key: `collapse-${key}`, value }) as Command
  )
];

const header = (page: Page, id: string) => page.locator(partIn('export', id as NodeId, 'collapse-header'));
const isOpen = (page: Page, id: string) =>
  header(page, id).evaluate((each) => (each.parentElement as HTMLDetailsElement).open);

// ARIA Authoring Practices, disclosure: a control that says whether it is open; Enter and Space toggle it.
test('a section opens and closes by pointer, key and link, without a byte of script', async ({
  blank: page
}) => {
  const project = changed(...collapses('find-us'));
  const made = await exported(project, bytes, false, true);
  expect(made.problems).toEqual([]);
  await page.goto(made.url);
  const inside = page.locator(partIn('export', 'find-us' as NodeId, 'inner'));
  await expect(inside).toBeHidden();
  await expect(header(page, 'find-us')).toHaveAccessibleName(/./);
  await header(page, 'find-us').click();
  await expect(inside).toBeVisible();
  await page.keyboard.press('Space');
  await expect(inside).toBeHidden();
  await page.keyboard.press('Enter');
  await expect(inside).toBeVisible();
  await page.keyboard.press('Enter');
  await page.goto(`${made.url}#find`);
  await expect(inside).toBeVisible();
});

test('its header stands over what it opens, as wide as that', async ({ blank: page }) => {
  await open(page, changed(...collapses('find-us', { open: true })));
  const box = (part: string) => page.locator(partIn('export', 'find-us' as NodeId, part)).boundingBox();
  const [head, inner] = [(await box('collapse-header'))!, (await box('inner'))!];
  expect([head.x, head.width]).toEqual([inner.x, inner.width]);
  expect(head.y + head.height).toBeLessThanOrEqual(inner.y);
});

test('one at a time where that is set; each by itself where it is not', async ({ blank: page }) => {
  const both = (alone: boolean): Project =>
    changed(...collapses('plan-a-visit', { alone, open: true }), ...collapses('find-us', { alone }));
  for (const alone of [true, false]) {
    await open(page, both(alone));
    expect([await isOpen(page, 'plan-a-visit'), await isOpen(page, 'find-us')]).toEqual([true, false]);
    await header(page, 'find-us').click();
    expect([await isOpen(page, 'plan-a-visit'), await isOpen(page, 'find-us')]).toEqual([!alone, true]);
  }
});

test('has no accessibility fault, open or closed', async ({ blank: page }) => {
  await open(page, changed(...collapses('plan-a-visit'), ...collapses('find-us', { open: true })));
  expect(await axeViolations(page)).toEqual([]);
});

test('a section is made collapsible, tuned when open, and made whole again, keeping all', async ({
  page
}) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Find us');
  const before = await bench.outline();
  await page.keyboard.press('2');
  await page.getByRole('button', { name: /^Collapses/ }).click();
  const summary = bench.preview.locator('summary');
  await expect(summary).toBeVisible();
  await bench.pick('Find us', 'header');
  await bench.view('States');
  await bench.set('background-color', 'Background', 'open', '#123456');
  // What is picked is brought into sight, so what it stands in is open.
  await bench.pick('Find heading');
  await expect(summary).toHaveCSS('background-color', 'rgb(18, 52, 86)');
  await bench.pick('Find us');
  await bench.view('Behaviour');
  await page.getByRole('button', { name: 'Take off' }).click();
  await expect(summary).toHaveCount(0);
  expect(await bench.outline()).toEqual(before);
});

test('a button opens all of a page at once, and closes them; its words say which', async ({
  blank: page,
  browser
}) => {
  const project = changed(
    ...collapses('plan-a-visit'),
    ...collapses('find-us', { open: true }),
    ...collapses('press-house', { alone: true }),
    { type: 'set-setting', id: 'press-button', key: 'unfolds', value: true } as Command,
    { type: 'set-setting', id: 'press-button', key: 'label', value: 'Open all' } as Command,
    {
      type: 'move',
      ids: ['press-button'],
      at: { parent: 'welcome', slot: 'content', index: 0 }
    } as unknown as Command
  );
  await open(page, project);
  const open_ = (id: string) => isOpen(page, id);
  await page.getByRole('button', { name: 'Open all' }).click();
  expect([await open_('plan-a-visit'), await open_('find-us'), await open_('press-house')]).toEqual([
    true,
    true,
    false
  ]);
  await page.getByRole('button', { name: 'Close all' }).click();
  await expect(page.getByRole('button', { name: 'Open all' })).toBeVisible();
  expect([await open_('plan-a-visit'), await open_('find-us')]).toEqual([false, false]);
  for (const id of ['plan-a-visit', 'find-us']) await header(page, id).click();
  await expect(page.getByRole('button', { name: 'Close all' })).toBeVisible();
  const bare = await browser.newContext({ javaScriptEnabled: false });
  const plain = await bare.newPage();
  await plain.goto(page.url());
  await expect(plain.locator(partIn('export', 'press-button' as NodeId, 'root'))).toBeHidden();
  await bare.close();
});

test(
  'all is opened and closed at once in the workbench, and how high the page is both ways is what it is',
  inTurn(1),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await page.getByRole('combobox', { name: 'Page' }).selectOption('Questions');
    await expect(bench.preview.locator('summary')).toHaveCount(3);
    const height = () => bench.preview.locator('html').evaluate((each) => each.scrollHeight);
    const told = async () => {
      const text = await page.getByText(/3 pieces collapse: the page is/).innerText();
      return [...text.matchAll(/([\d,]+) px high|([\d,]+) px with all closed/g)].map((each) =>
        Number((each[1] ?? each[2])!.replace(',', ''))
      );
    };
    await page.keyboard.press('o');
    await expect(bench.preview.locator('details[open]')).toHaveCount(3);
    const opened = await height();
    expect((await told())[0]).toBe(opened);
    await page.keyboard.press('Shift+O');
    await expect(bench.preview.locator('details[open]')).toHaveCount(0);
    expect(await told()).toEqual([opened, await height()]);
  }
);

test(
  'three questions of one, two and three columns, the first open, every second grey, in 24 actions',
  thorough,
  async ({ page }) => {
    const bench = await Bench.openNew(page);
    const hand = new Counted();
    const insert = async (words: string) => {
      await hand.act('insert', () => page.keyboard.press('a'));
      await page.keyboard.type(words);
      await hand.act(words, () => page.keyboard.press('Enter'));
    };
    const collapse = () => page.getByRole('button', { name: /^Collapses/ }).click();
    await hand.act('first', () => bench.pick('First section'));
    await hand.act('view', () => bench.view('Behaviour'));
    await hand.act('collapse', collapse);
    await hand.act('open', () => page.getByRole('switch', { name: 'Open at load' }).click());
    await expect(bench.preview.locator('details[open]')).toHaveCount(1);
    await insert('rich text');
    for (const columns of [2, 3]) {
      await hand.act('a section', () => bench.pick('First section'));
      await insert('section');
      await hand.act('view', () => bench.view('Behaviour'));
      await hand.act('collapse', collapse);
      await insert(columns === 2 ? 'columns' : 'three cards');
    }
    await hand.act('first', () => bench.pick('First section'));
    await hand.act('find', () => page.keyboard.press('Control+k'));
    await page.keyboard.type('alternate fills');
    await hand.act('alternate', () => page.keyboard.press('Enter'));
    expect(hand.done.length).toBeLessThanOrEqual(24);
    const items = bench.preview.locator('details');
    await expect(items).toHaveCount(3);
    // The second stands on a band; whether one is open at load is said of the first alone.
    const fills = () =>
      items.evaluateAll((all) =>
        all.map((each) => getComputedStyle(each.closest('section')!).backgroundColor)
      );
    await expect.poll(async () => new Set(await fills()).size).toBe(2);
    const [first, , third] = await fills();
    expect(third).toBe(first);
  }
);

test(
  'two hundred of them print without a byte of script and without a fault',
  thorough,
  async ({ blank: page }) => {
    const sections = Array.from({ length: 200 }, (_, i): Command[] => [
      {
        type: 'insert',
        fragment: make('section', `Question ${i}`, {}, { content: [] }),
        at: { parent: 'visit-page', slot: 'sections', index: 3 }
      } as Command,
      ...collapses(`question-${i}`)
    ]);
    const made = await exported(changed(...sections.flat()), bytes);
    expect(made.problems).toEqual([]);
    await page.goto(made.url);
    await expect(page.locator('details')).toHaveCount(200);
    await page.locator('summary').nth(150).click();
    await expect(page.locator('details[open]')).toHaveCount(1);
  }
);
