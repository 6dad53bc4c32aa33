import { expect, test, type Frame, type Page } from '@playwright/test';
import { makeDemo } from '../demo/make';
import { resolve, type Resolution } from '../src/core/cascade/resolve';
import { apply } from '../src/core/commands/apply';
import { drawnParts } from '../src/core/compile/parts';
import { classOf } from '../src/core/compile/classes';
import { analyse } from '../src/core/compile/analyse';
import { STYLE_PROPERTIES } from '../src/core/css/properties';
import { subtreeIds } from '../src/core/project/tree';
import { STATES, type ConditionName, type NodeId, type Project, type StateName } from '../src/core/project/types';
import { registry } from '../src/core/registry';
import { exported } from './support/exported';
import { Bench } from './support/workbench';

// What resolve() says is what Chromium computes: for every part of the demo's tabs in every state, on the exported page and in
// the preview, and for every part of every piece at rest. Chromium is the reference here.

const { project: demo, bytes } = makeDemo();
const tabs = 'season-tabs' as NodeId;
const anatomy = registry.kindOf('tabs').anatomy;

function withDisabled(project: Project): Project {
  const outcome = apply(registry, project, { type: 'set-setting', id: 'wassail', key: 'disabled', value: true });
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

/** What Chromium computes for an element, and for a bare one that is given the resolved values. */
async function compare(frame: Frame, selector: string, resolution: Resolution): Promise<{ actual: object; expected: object }> {
  const values = Object.fromEntries([...resolution].map(([property, { value }]) => [property, value]));
  return frame.evaluate(
    ({ selector, values }) => {
      const read = (element: Element) => {
        const style = getComputedStyle(element);
        return Object.fromEntries(Object.keys(values).map((property) => [property, style.getPropertyValue(property)]));
      };
      const bare = document.createElement('div');
      bare.style.setProperty('all', 'initial');
      bare.style.setProperty('position', 'fixed');
      bare.style.setProperty('border-style', 'solid');
      for (const [property, value] of Object.entries(values)) bare.style.setProperty(property, value);
      document.documentElement.append(bare);
      const both = { actual: read(document.querySelector(selector)!), expected: read(bare) };
      bare.remove();
      return both;
    },
    { selector, values }
  );
}

/** An element of the part that can be brought into the state. */
function targetOf(part: string, state: StateName): string {
  if (part === 'root') return '.season-tabs';
  if (part === 'list') return '.season-tabs-list';
  if (part === 'panel') return '#blossom';
  const name = state === 'selected' ? 'blossom' : state === 'disabled' ? 'wassail' : 'summer';
  return `#${name}-${part}`;
}

/** Moves the pointer off the tabs but not out of the frame, which would not learn of it at once. */
async function away(page: Page, frame: Frame): Promise<void> {
  const box = frame === page.mainFrame() ? { x: 0, y: 0 } : (await (await frame.frameElement()).boundingBox())!;
  await page.mouse.move(box.x + 3, box.y + 3);
  await expect.poll(() => frame.evaluate(() => document.querySelector('.season-tabs:hover') === null)).toBe(true);
}

async function provoke(page: Page, frame: Frame, part: string, state: StateName): Promise<void> {
  await away(page, frame);
  await frame.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  const target = frame.locator(targetOf(part, state));
  if (state === 'hover') await target.hover({ position: { x: 4, y: 4 } });
  if (state === 'focus' && part === 'panel') {
    // A ring shows where the keyboard has led.
    await frame.locator('#blossom-tab').focus();
    await page.keyboard.press('Tab');
  } else if (state === 'focus') await (part === 'list' ? frame.locator('#summer-tab') : target).focus();
  if (state !== 'pressed') return;
  await target.hover();
  await page.mouse.down();
}

async function everyState(page: Page, frame: Frame, project: Project, parts: readonly string[], conditions: readonly ConditionName[]): Promise<number> {
  let compared = 0;
  for (const part of parts) {
    for (const state of STATES) {
      if (state !== 'rest' && !anatomy[part]!.states[state]) continue;
      // The panels of an accordion take no focus themselves.
      if (part === 'panel' && state === 'focus' && conditions.length > 0) continue;
      await provoke(page, frame, part, state);
      const resolution = resolve(registry, project, { node: tabs, part, state, conditions });
      const { actual, expected } = await compare(frame, targetOf(part, state), resolution);
      expect({ part, state, ...actual }).toEqual({ part, state, ...expected });
      compared += resolution.size;
      // Let go elsewhere, so that pressing chooses nothing.
      if (state === 'pressed') {
        await away(page, frame);
        await page.mouse.up();
      }
    }
  }
  return compared;
}

test('the exported tabs, every part in every state', async ({ page }) => {
  const project = withDisabled(demo);
  await page.goto((await exported(project, bytes)).url);
  expect(await everyState(page, page.mainFrame(), project, ['root', 'list', 'tab', 'panel'], [])).toBe(14 * STYLE_PROPERTIES.size);
});

test('the exported tabs folded, every part in every state', async ({ page }) => {
  const project = withDisabled(demo);
  await page.setViewportSize({ width: 500, height: 900 });
  await page.goto((await exported(project, bytes)).url);
  expect(await everyState(page, page.mainFrame(), project, ['root', 'header', 'panel'], ['medium', 'narrow'])).toBe(10 * STYLE_PROPERTIES.size);
});

test('the same tabs in the preview, every part in every state', async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Wassail');
  await bench.view('Fill');
  await page.locator('.bx--toggle__switch').first().click();
  await expect(bench.preview.locator('#wassail-tab')).toHaveAttribute('aria-disabled', 'true');
  await bench.pick('Blossom');
  await expect(bench.preview.locator('#blossom-tab')).toHaveAttribute('aria-selected', 'true');
  await page.getByRole('tab', { name: 'Try it' }).click();
  const frame = page.frames().find((each) => each.url().endsWith('/frame') && each.parentFrame() === page.mainFrame())!;
  await everyState(page, frame, withDisabled(demo), ['root', 'list', 'tab', 'panel'], []);
});

for (const [width, conditions] of [[1280, []], [900, ['medium']], [500, ['medium', 'narrow']]] as const) {
  test(`every part of every piece at rest, at ${width} px`, async ({ page }) => {
    await page.setViewportSize({ width, height: 900 });
    await page.goto((await exported(demo, bytes)).url);
    await page.mouse.move(1, 1);
    const wrong: object[] = [];
    let count = 0;
    for (const id of subtreeIds(demo, demo.pages['visit' as keyof typeof demo.pages]!.root)) {
      const analysis = analyse(registry, demo, demo.nodes[id]!);
      for (const part of drawnParts(analysis)) {
        if (demo.nodes[id]!.kind === 'tabs' && part !== 'root' && part !== 'list' && part !== 'panel') continue;
        const selector = `.${classOf(analysis, part)}`;
        const { actual, expected } = await compare(page.mainFrame(), selector, resolve(registry, demo, { node: id, part, conditions }));
        count += 1;
        if (JSON.stringify(actual) !== JSON.stringify(expected)) wrong.push({ id, part, actual, expected });
      }
    }
    expect(wrong).toEqual([]);
    expect(count).toBeGreaterThan(50);
  });
}
