import { createProject } from '../src/core/project/create';
import { makeWith } from '../src/core/kinds/make';
import { bytes, demo } from './support/demo';
import { expect, test } from './support/test';
import { inTurn, thorough } from './support/thorough';
import type { CDPSession, Page } from '@playwright/test';
import { apply } from '../src/core/commands/apply';
import type { Command } from '../src/core/commands/commands';
import type { Heard } from '../src/core/heard/heard';
import type { Project } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { laterScript } from '../src/server/bundle';
import type { HeardTools } from '../src/preview/heard';
import { partIn } from './support/exported';
import { everyKind } from './support/kinds';
import { Bench } from './support/workbench';
import { exportedVisit } from './support/visit';

// What is said to be heard is what Chromium's accessibility tree says, for every part of every kind in every state
// that is more than a pointer over it, on exported pages. Chromium is the reference here.

function after(project: Project, commands: readonly Command[]): Project {
  const outcome = apply(registry, project, { type: 'batch', label: 'All kinds', commands: [...commands] });
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

const collapsed: Command = { type: 'add-effect', id: 'welcome', effect: 'collapse' };
const every = after(demo, [...everyKind('welcome'), collapsed]);

/** Chromium's names of roles where they are not those of ARIA. */
const INTERNAL: Readonly<Record<string, string>> = {
  DisclosureTriangle: 'disclosure',
  DisclosureTriangleGrouped: 'disclosure',
  image: 'img',
  Video: 'video',
  Iframe: 'frame',
  Figcaption: 'caption'
};

/** Roles that say nothing: told apart by nobody. */
const silent = (role: string | null) =>
  role === null || ['generic', 'none', 'presentation', 'paragraph', 'Details'].includes(role) ? null : role;

interface Said {
  readonly role: string | null;
  readonly name: string;
  readonly states: readonly string[];
}

async function byChromium(session: CDPSession, expression: string): Promise<Said | null> {
  const { result } = await session.send('Runtime.evaluate', { expression });
  const { nodes } = await session.send('Accessibility.getPartialAXTree', {
    objectId: result.objectId!,
    fetchRelatives: false
  });
  const [node] = nodes;
  if (!node || node.ignored) return null;
  const role = String(node.role?.value);
  const value = (name: string) => node.properties?.find((each) => each.name === name)?.value.value;
  const expanded = value('expanded');
  return {
    role: silent(INTERNAL[role] ?? role),
    name: String(node.name?.value ?? ''),
    states: [
      value('selected') === true ? 'selected' : '',
      expanded === true ? 'expanded' : '',
      expanded === false ? 'collapsed' : '',
      value('disabled') === true ? 'unavailable' : ''
    ].filter((each) => each !== '')
  };
}

/** What Chromium has no property for in this tree: it is held by attribute in other tests. */
const TOLD_ELSEWHERE = ['current', 'opens a dialog'];

const bySelf = ({ role, name, states, isSilent }: Heard): Said | null =>
  isSilent
    ? null
    : { role: silent(role), name, states: states.filter((state) => !TOLD_ELSEWHERE.includes(state)) };

/** Brings the marked element into a state by the attribute its selector asks for, on itself or around it. */
function enter(page: Page, mark: string, selector: string): Promise<boolean> {
  return page.evaluate(
    ([mark, selector]) => {
      const element = document.querySelector<HTMLElement>(mark!)!;
      const [, name, value] = /\[([a-z-]+)(?:="([^"]*)")?\]/.exec(selector!)!;
      for (let each: HTMLElement | null = element; each; each = each.parentElement) {
        const before = each.getAttribute(name!);
        each.setAttribute(name!, value ?? (name!.startsWith('aria-') ? 'true' : ''));
        if (element.matches(selector!)) return true;
        if (before === null) each.removeAttribute(name!);
        else each.setAttribute(name!, before);
      }
      return false;
    },
    [mark, selector]
  );
}

test(
  'what every part is heard as in every state is what Chromium tells assistive technology',
  inTurn(8),
  async ({ blank: page }) => {
    const { url } = await exportedVisit(every, true);
    await page.goto(url);
    await page.addScriptTag({ content: await laterScript('heard') });
    const session = await page.context().newCDPSession(page);
    await session.send('Accessibility.enable');
    const wrong: string[] = [];
    let looked = 0;
    const compare = async (what: string, mark: string) => {
      const own = await page.evaluate((mark) => {
        const tools = (window as unknown as { kymationHeard: HeardTools }).kymationHeard;
        const element = document.querySelector<HTMLElement>(mark)!;
        return element.checkVisibility({ visibilityProperty: true }) ? tools.heardOf(element) : null;
      }, mark);
      if (!own) return;
      looked += 1;
      const chromium = await byChromium(session, `document.querySelector(${JSON.stringify(mark)})`);
      const [ours, theirs] = [JSON.stringify(bySelf(own)), JSON.stringify(chromium)];
      // An element that says nothing may be left out of the tree altogether.
      const isNothing = chromium === null && (own.isSilent || silent(own.role) === null);
      if (!isNothing && ours !== theirs) wrong.push(`${what}: ${ours}, Chromium ${theirs}`);
    };
    const pieces = Object.values(every.nodes).filter((node) => registry.of(node).markup !== null);
    for (const node of pieces)
      for (const [part, { states }] of Object.entries(registry.of(node).anatomy)) {
        const mark = partIn('export', node.id, part);
        if ((await page.locator(mark).count()) === 0) continue;
        await compare(`${node.kind} ${part} at rest`, mark);
        for (const [state, selector] of Object.entries(states)) {
          if (!/\[[a-z-]+/.test(selector!) || selector!.includes(':hover')) continue;
          if (await enter(page, mark, selector!)) await compare(`${node.kind} ${part} ${state}`, mark);
        }
      }
    expect([...new Set(wrong)]).toEqual([]);
    expect(looked).toBeGreaterThan(60);
  }
);

test(
  'the sheet says what each state is heard as, which keys work, and what is seen and not heard',
  inTurn(1),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Season tabs', 'tab');
    await page.getByRole('tab', { name: 'States' }).click();
    const heard = page.getByRole('row').filter({ hasText: 'Is heard as' }).getByRole('gridcell');
    await expect(heard).toHaveText([
      'tab “Blossom”',
      'as rest',
      'as rest',
      'as rest',
      'selected',
      'selected',
      'unavailable'
    ]);
    const keys = page.getByRole('row').filter({ hasText: 'Keys there' });
    await expect(keys).toContainText('← →');
    await expect(keys).toContainText('Tab into the panel');
  }
);

/** Names of what Chromium puts the focus on, one Tab after the other, from the page's beginning to its end. */
async function walked(page: Page, most: number): Promise<string[]> {
  const names: string[] = [];
  for (let i = 0; i < most; i += 1) {
    await page.keyboard.press('Tab');
    const name = await page.evaluate(() => {
      const element = document.activeElement!;
      const tools = (window as unknown as { kymationHeard: HeardTools }).kymationHeard;
      return element === document.body ? null : tools.heardOf(element as HTMLElement).name;
    });
    if (name === null) break;
    names.push(name);
  }
  return names;
}

test('stops are numbered as Chromium walks them on the exported page, and pick their piece', async ({
  page
}) => {
  const bench = await Bench.openDemo(page);
  await page.keyboard.press('Shift+R');
  const panel = page.getByRole('dialog', { name: 'Reading and focus order' });
  await expect(panel.getByRole('status')).toHaveText(/^\d+ stops,\s+each with a name and in sight$/);
  await panel.getByRole('button', { name: 'Stops only' }).click();
  const lines = await panel.getByRole('listitem').allInnerTexts();
  const told = lines.map((line) => /“(.*)”/.exec(line)![1]!);
  await panel.getByRole('button', { name: 'link “The press”' }).click();
  await expect(bench.row('The press')).toHaveAttribute('aria-selected', 'true');

  const { url } = await exportedVisit(demo);
  await page.setViewportSize({ width: 1120, height: 800 });
  await page.goto(url);
  await page.addScriptTag({ content: await laterScript('heard') });
  expect(await walked(page, told.length + 5)).toEqual(told);
});

test(
  'what is read follows switches, presses and widths while one looks at it',
  thorough,
  async ({ page }) => {
    await Bench.openDemo(page);
    await page.keyboard.press('Shift+R');
    const panel = page.getByRole('dialog', { name: 'Reading and focus order' });
    const lines = panel.getByRole('listitem');
    await expect(lines.filter({ hasText: 'tab panel “Blossom”' })).toHaveCount(1);
    await expect(lines.filter({ hasText: 'The evening of 17 January' })).toHaveCount(0);
    // Without script every panel is open.
    await page.getByRole('button', { name: 'No script' }).click();
    await expect(lines.filter({ hasText: 'The evening of 17 January' })).toHaveCount(1);
    await page.getByRole('button', { name: 'No script' }).click();
    await expect(lines.filter({ hasText: 'The evening of 17 January' })).toHaveCount(0);
    await page.keyboard.press('Escape');
  }
);

test(
  'a stop without a name is numbered in another colour, told in the list, and is a finding',
  inTurn(7),
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    await bench.pick('Blossom button');
    await page.getByRole('tab', { name: 'Fill' }).click();
    await page.getByLabel('Label', { exact: true }).fill('');
    await page.getByLabel('Label', { exact: true }).press('Enter');
    await page.getByRole('button', { name: /finding/ }).click();
    await expect(
      page.getByText('The Tab key stops at Blossom button, and nothing says what it is')
    ).toBeVisible();
    await page.keyboard.press('Escape');
    await page.keyboard.press('Shift+R');
    const panel = page.getByRole('dialog', { name: 'Reading and focus order' });
    await expect(panel.getByRole('status')).toHaveText(/1 with something wrong$/);
    await expect(panel.getByRole('listitem').filter({ hasText: 'has no name' })).toHaveCount(1);
  }
);

test(
  'a box is named by the label around it, and by nothing where that has no words',
  thorough,
  async ({ page }) => {
    const make = makeWith({ exactIds: true });
    const content = [make('still', 'Box', { label: 'Hold what moves' })];
    const root = make('page', 'Page', {}, { sections: [make('section', 'All', {}, { content })] });
    const bench = new Bench(page);
    await bench.importProject(createProject('Boxed', root));
    await bench.pick('Box');
    await bench.view('Fill');
    await page.getByRole('button', { name: /findings?$/i }).click();
    const told = page.getByText('The Tab key stops at Box, and nothing says what it is');
    const label = page.getByLabel('Label', { exact: true });
    for (const [words, count] of [
      ['', 1],
      ['Hold it', 0]
    ] as const) {
      await label.fill(words);
      await label.press('Enter');
      await expect(told).toHaveCount(count);
    }
  }
);

test(
  'a stop that is seen before the one it comes after is a finding; the demo has none',
  thorough,
  async ({ page }) => {
    const bench = await Bench.openDemo(page);
    const found = page.getByRole('heading', {
      name: /^The Tab key comes to Blossom button after Blossom, and it/
    });
    await page.getByRole('button', { name: /finding/ }).click();
    await expect(page.getByRole('heading', { name: /^The Tab key comes to/ })).toHaveCount(0);
    await page.keyboard.press('Escape');
    // A list that lies over the page says nothing of the order of what is under it.
    await page.getByRole('combobox', { name: 'Page' }).selectOption('Questions');
    await bench.pick('The four seasons');
    await expect(bench.preview.getByRole('link', { name: 'The four seasons' })).toBeVisible();
    await page.keyboard.press('Shift+R');
    const panel = page.getByRole('dialog', { name: 'Reading and focus order' });
    await expect(panel.getByRole('listitem').filter({ hasText: 'How to come here' })).toHaveCount(1);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: 'No findings' })).toBeVisible();
    const up: Command = {
      type: 'set-style',
      id: 'blossom-button',
      part: 'root',
      state: 'rest',
      condition: 'always',
      property: 'translate',
      value: '0 -600px'
    };
    await bench.importProject(after(demo, [up]), bytes);
    await page.getByRole('button', { name: /finding/ }).click();
    await expect(found).toBeVisible();
  }
);
