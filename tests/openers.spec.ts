import { loadRules, runFindings } from '../src/core/findings/run';
import { makeWith } from '../src/core/kinds/make';
import type { Command } from '../src/core/commands/commands';
import type { Fragment, NodeId, Project } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { axeViolations } from './support/axe';
import { Counted } from './support/counted';
import { partIn } from './support/exported';
import { expect, test, type Page } from './support/test';
import { inTurn, thorough } from './support/thorough';
import { changed, open, put } from './support/visit';
import { Bench } from './support/workbench';

test.beforeAll(() => loadRules(registry));

const make = makeWith({ exactIds: true });
const words = (name: string): Fragment => make('text', name, { html: `<p>${name} in words.</p>` });
const dialog = make('dialog', 'Gates', { label: '' }, { content: [words('Gate words')] });
const drawer = make('drawer', 'Aside', { label: '' }, { content: [words('Aside text')] });

const opens = (id: string, target: string, label = ''): Command[] => [
  { type: 'add-effect', id, effect: 'opens' } as Command,
  { type: 'set-setting', id, key: 'opens-target', value: target } as Command,
  { type: 'set-setting', id, key: 'opens-label', value: label } as Command
];

const card = make(
  'stack',
  'Press card',
  {},
  {
    content: [
      words('Card text'),
      make('button', 'Card link', { label: 'Write to us', href: 'mailto:a@b.example' })
    ]
  }
);

const project: Project = changed(
  put(dialog, 0, 'find-us'),
  put(drawer, 1, 'find-us'),
  put(card, 0, 'press-words'),
  ...opens('press-card', 'gates', 'See the hours'),
  ...opens('blossom-picture', 'aside'),
  { type: 'set-setting', id: 'the-press', key: 'opens', value: 'gates' } as Command
);

const part = (page: Page, node: string, name: string) => page.locator(partIn('export', node as NodeId, name));

test('a card opens a dialog wherever it is pressed, and a link in it still leads where it leads', async ({
  blank: page
}) => {
  await open(page, project);
  const button = page.getByRole('button', { name: 'See the hours' });
  await expect(button).toHaveAttribute('aria-haspopup', 'dialog');
  await part(page, 'card-text', 'root').click({ force: true });
  await expect(part(page, 'gates', 'panel')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(button).toBeFocused();
  await button.press('Enter');
  await expect(part(page, 'gates', 'panel')).toBeVisible();
  await page.keyboard.press('Escape');
  const link = page.getByRole('link', { name: 'Write to us' });
  const box = (await link.boundingBox())!;
  const hit = await page.evaluate(
    ([x, y]) => document.elementFromPoint(x!, y!)!.closest('a')?.getAttribute('href'),
    [box.x + box.width / 2, box.y + box.height / 2]
  );
  expect(hit).toBe('mailto:a@b.example');
  expect(await axeViolations(page)).toEqual([]);
});

test('a picture opens a side panel without a byte of script of its own, and keeps its size', async ({
  blank: page
}) => {
  await open(page, changed());
  const before = await part(page, 'blossom-picture', 'root').boundingBox();
  await open(page, project);
  expect(await part(page, 'blossom-picture', 'root').boundingBox()).toEqual(before);
  await page.getByRole('button', { name: 'Aside' }).click();
  await expect(part(page, 'aside', 'panel')).toBeVisible();
});

test('a link of a navigation opens a dialog, and looks as its neighbours do', async ({ blank: page }) => {
  await open(page, project);
  const own = page.getByRole('navigation').getByRole('button', { name: 'The press' });
  const look = (name: string) =>
    part(page, 'site-links', 'link')
      .filter({ hasText: name })
      .evaluate((each) => {
        const { color, fontSize, fontFamily, backgroundColor, height } = getComputedStyle(each);
        return { color, fontSize, fontFamily, backgroundColor, height };
      });
  expect(await look('The press')).toEqual(await look('How to find us'));
  await own.click();
  await expect(part(page, 'gates', 'panel')).toBeVisible();
});

test('what opens nothing, or what its target is gone from, is found', inTurn(4), () => {
  const rules = (of: Project) => runFindings(registry, of).map(({ rule, node }) => `${rule} ${node}`);
  expect(rules(project).filter((each) => /^opens-|^dead-ref|never-opened/.test(each))).toEqual([]);
  const gone = changed(...[put(dialog, 0, 'find-us'), ...opens('blossom-picture', 'gates')], {
    type: 'remove',
    ids: ['gates']
  } as unknown as Command);
  expect(rules(gone)).toContain('dead-reference blossom-picture');
  const unset = changed({ type: 'add-effect', id: 'blossom-picture', effect: 'opens' } as Command);
  expect(rules(unset)).toContain('opens-nothing blossom-picture');
});

test(
  'a side panel from the right with four links, opened from the header, in eight actions',
  thorough,
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    const hand = new Counted();
    await hand.act('where', () => bench.pick('Header row'));
    await hand.act('insert', async () => {});
    await hand.act('drawer', () => bench.insert('side panel'));
    await expect(bench.row('Side panel')).toBeVisible();
    await hand.act('view', () => bench.view('Fill'));
    await hand.act('from', () =>
      page.getByRole('combobox', { name: 'Comes from' }).selectOption('the right')
    );
    await hand.act('insert', async () => {});
    await hand.act('links', () => bench.insert('link list'));
    await hand.act('a fourth', () =>
      page.getByRole('group', { name: 'Links' }).getByRole('button', { name: 'Add' }).click()
    );
    expect(hand.done.length).toBeLessThanOrEqual(8);
    const links = bench.preview.locator('[popover] a');
    await expect(links).toHaveCount(4);
  }
);
