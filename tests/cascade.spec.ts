import type { Command } from '../src/core/commands/commands';
import { resolve, type Resolution } from '../src/core/cascade/resolve';
import { impliedStates, isPointed, statesOf } from '../src/core/cascade/states';
import { withoutSprings } from '../src/core/css/tokens';
import { apply } from '../src/core/commands/apply';
import { drawnParts } from '../src/core/compile/parts';
import { analyse } from '../src/core/compile/analyse';
import { subtreeIds } from '../src/core/project/tree';
import type { ConditionName, NodeId, Project, StateName } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { bytes, demo, VISIT } from './support/demo';
import { partIn } from './support/exported';
import { previewFrame } from './support/frames';
import { everyKind } from './support/kinds';
import { forcing } from './support/states';
import type { Browser } from '@playwright/test';
import { expect, test, type Frame, type Page } from './support/test';
import { inTurnUnless, thorough } from './support/thorough';
import { Bench } from './support/workbench';
import { exportedVisit } from './support/visit';

// What resolve() says is what Chromium computes: for every part of the demo's tabs in every state, on the
// exported page and in
// the preview, and for every part of every piece at rest. Chromium is the reference here.

const tabs = 'season-tabs' as NodeId;
const kind = registry.kindOf('tabs');
const { anatomy } = kind;

function withDisabled(project: Project): Project {
  const outcome = apply(registry, project, {
    type: 'set-setting',
    id: 'wassail',
    key: 'disabled',
    value: true
  });
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

/** A part in a state, and what it should look like there. */
interface Case {
  readonly name: string;
  readonly selector: string;
  readonly state: StateName;
  readonly values: Readonly<Record<string, string>>;
}

const caseOf = (name: string, selector: string, state: StateName, resolution: Resolution): Case => ({
  name,
  selector,
  state,
  values: Object.fromEntries(
    [...resolution]
      .filter(([property]) => !isBuilt(name, property))
      .map(([property, { value }]) => [property, withoutSprings(value)])
  )
});

/** The hand over a header is of a header that opens something; where it opens nothing, the build takes it away. */
const isBuilt = (name: string, property: string): boolean =>
  name.startsWith('header ') && property === 'cursor';

type Force = (selector: string, state: StateName) => Promise<void>;

/**
 * Where Chromium computes for an element anything else than for a bare one that is given the resolved values;
 * movements are at their end.
 * @param force brings a part into its state; left out, the preview's own attribute does, and all is read at
 * once.
 */
async function differences(frame: Frame, cases: readonly Case[], force?: Force): Promise<string[]> {
  const read = (some: readonly (Case & { readonly by: string | null })[]) =>
    frame.evaluate((some) => {
      const wrong: string[] = [];
      const settle = () =>
        document
          .getAnimations()
          .forEach((each) => each.effect?.getComputedTiming().endTime !== Infinity && each.finish());
      for (const { name, selector, values, by } of some) {
        const all = [...document.querySelectorAll<HTMLElement>(selector)];
        if (by !== null) for (const each of all) each.dataset.kForce = by;
        const bare = document.createElement('div');
        bare.style.setProperty('all', 'initial');
        bare.style.setProperty('position', 'fixed');
        bare.style.setProperty('border-style', 'solid');
        for (const [property, value] of Object.entries(values)) bare.style.setProperty(property, value);
        document.documentElement.append(bare);
        if (!all[0]) throw new Error(`nothing is ${selector}`);
        all[0].getBoundingClientRect();
        settle();
        const [own, other] = [getComputedStyle(all[0]), getComputedStyle(bare)];
        for (const property of Object.keys(values)) {
          // An export writes transitions of what can change only; `short` transitions have a test of their own.
          if (property === 'transition') continue;
          const sides =
            property === 'border-color'
              ? ['top', 'right', 'bottom', 'left'].filter(
                  (side) => own.getPropertyValue(`border-${side}-width`) !== '0px'
                )
              : null;
          for (const each of sides?.map((side) => `border-${side}-color`) ?? [property]) {
            const [actual, expected] = [own.getPropertyValue(each), other.getPropertyValue(each)];
            const isNoGap = each.endsWith('gap') && actual.replaceAll('normal', '0px') === expected;
            if (actual !== expected && !isNoGap) wrong.push(`${name} ${each}: ${actual}, not ${expected}`);
          }
        }
        bare.remove();
        if (by !== null) for (const each of all) each.dataset.kForce = '';
      }
      return wrong;
    }, some);
  if (!force)
    return read(
      cases.map((each) => ({
        ...each,
        by: each.state === 'rest' ? null : impliedStates(kind, each.state, []).join(' ')
      }))
    );
  const wrong = await read(
    cases.filter(({ state }) => state === 'rest').map((each) => ({ ...each, by: null }))
  );
  for (const each of cases) {
    if (each.state === 'rest') continue;
    await force(each.selector, each.state);
    wrong.push(...(await read([{ ...each, by: null }])));
    await force(each.selector, 'rest');
  }
  return wrong;
}

/** An element of the part that is, or can be brought, into the state. */
function targetOf(where: 'export' | 'preview', part: string, state: StateName): string {
  if (part === 'root' || part === 'list') return partIn(where, tabs, part);
  if (part === 'panel') return '#blossom';
  const panels: Partial<Record<StateName, string>> = {
    selected: 'blossom',
    'selected-hover': 'blossom',
    disabled: 'wassail'
  };
  const name = panels[state] ?? 'summer';
  return part === 'icon' ? `#${name}-tab ${partIn(where, tabs, 'icon')}` : `#${name}-${part}`;
}

const PARTS = ['root', 'list', 'tab', 'icon', 'header', 'panel'];
const SETS: readonly (readonly ConditionName[])[] = [
  [],
  ['medium'],
  ['medium', 'narrow'],
  ['touch'],
  ['less-motion'],
  ['no-script'],
  ['print']
];

/**
 * Attributes that stand for a state come with the behaviour; where it does not run, or in another form, there
 * is nothing to compare.
 */
const isReachable = (part: string, state: StateName, conditions: readonly ConditionName[]) =>
  !(part === 'header' && state.startsWith('selected') && !conditions.includes('narrow')) &&
  !(part === 'panel' && state === 'focus') &&
  !(isPointed(kind, state) && conditions.includes('touch'));

async function everyState(
  where: 'export' | 'preview',
  frame: Frame,
  project: Project,
  conditions: readonly ConditionName[],
  force?: Force
): Promise<number> {
  const cases = PARTS.flatMap((part) =>
    statesOf(kind).flatMap((state) => {
      if ((state !== 'rest' && !anatomy[part]!.states[state]) || !isReachable(part, state, conditions))
        return [];
      return [
        caseOf(
          `${part} ${state}`,
          targetOf(where, part, state),
          state,
          resolve(registry, project, { node: tabs, part, state, conditions })
        )
      ];
    })
  );
  expect(await differences(frame, cases, force)).toEqual([]);
  return cases.length;
}

/** A demo whose look differs under every condition, so that a condition that is lost is seen. */
function tuned(project: Project): Project {
  const cells = SETS.slice(1).flatMap((conditions, i) => {
    const condition = conditions.at(-1)!;
    const set = (part: string, state: StateName, property: string, value: string) => ({
      type: 'set-style',
      id: tabs,
      part,
      state,
      condition,
      property,
      value
    });
    return [
      set('tab', 'rest', 'color', `#10203${i}`),
      set('tab', 'hover', 'background-color', `#f0e0c${i}`),
      set('tab', 'selected-hover', 'border-color', `#60708${i}`),
      set('header', 'rest', 'padding', `${i + 3}px`),
      set('header', 'pressed', 'scale', `0.9${i}`),
      set('panel', 'rest', 'gap', `${i + 11}px`),
      set('list', 'rest', 'border-color', `#20304${i}`)
    ];
  });
  const outcome = apply(registry, project, { type: 'batch', label: '', commands: cells as Command[] });
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

const tunedDemo = tuned(withDisabled(demo));

/** The condition by which a set of them is called. */
const nameOf = (conditions: readonly ConditionName[]): string => conditions.at(-1) ?? 'wide';

/** What holds in the window it is tried in: that is wide where it is touched. */
const heldOf = (conditions: readonly ConditionName[]): readonly ConditionName[] =>
  nameOf(conditions) === 'touch' ? ['touch'] : conditions;

/** Opens a project's visit page as it is under the conditions. @param narrow width of a narrow window, px. */
async function visited(
  browser: Browser,
  project: Project,
  conditions: readonly ConditionName[],
  narrow: number
): Promise<Page> {
  const name = nameOf(conditions);
  const width = { narrow, medium: 900 }[name] ?? 1280;
  const context = await browser.newContext({
    viewport: { width, height: 900 },
    javaScriptEnabled: name !== 'no-script',
    hasTouch: name === 'touch',
    isMobile: name === 'touch',
    reducedMotion: name === 'less-motion' ? 'reduce' : 'no-preference'
  });
  const page = await context.newPage();
  await page.goto((await exportedVisit(project, true)).url);
  if (name === 'print') await page.emulateMedia({ media: 'print' });
  return page;
}

for (const conditions of SETS)
  test(`the exported tabs, every part in every state: ${nameOf(conditions)}`, async ({ browser }) => {
    const page = await visited(browser, tunedDemo, conditions, 500);
    const force = await forcing(page);
    expect(
      await everyState('export', page.mainFrame(), tunedDemo, heldOf(conditions), force)
    ).toBeGreaterThan(13);
    await page.context().close();
  });

/** Whether the preview's page is under a condition by now. */
async function isUnder(page: Page, name: string): Promise<boolean> {
  const { bands } = demo.info;
  const shown = await (
    await previewFrame(page)
  ).evaluate(() => ({
    width: innerWidth,
    switches: [...document.documentElement.attributes].map(({ name: each }) => each)
  }));
  if (name === 'medium') return shown.width <= bands.medium && shown.width > bands.narrow;
  if (name === 'narrow') return shown.width <= bands.narrow;
  const isWide = shown.width > bands.medium;
  return isWide && (name === 'wide' || shown.switches.includes(`data-k-${name}`));
}

/** Brings the preview under each condition by the workbench's own keys and switches. */
async function underEach(
  page: Page,
  run: (conditions: readonly ConditionName[]) => Promise<void>
): Promise<void> {
  for (const conditions of SETS) {
    const name = nameOf(conditions);
    if (name === 'medium' || name === 'narrow') await page.keyboard.press('[');
    const words = { touch: 'Touch', 'less-motion': 'Less motion', 'no-script': 'No script', print: 'Print' }[
      name as string
    ];
    if (name === 'touch') for (let i = 0; i < 2; i += 1) await page.keyboard.press(']');
    if (words) await page.getByRole('button', { name: words, exact: true }).click();
    await expect.poll(() => isUnder(page, name)).toBe(true);
    await run(conditions);
    if (words) await page.getByRole('button', { name: words, exact: true }).click();
  }
}

test('the same tabs in the preview, every part in every state, under every condition by switches', async ({
  page
}) => {
  const bench = new Bench(page);
  await bench.importProject(tunedDemo, bytes);
  await bench.pick('Season tabs');
  await page.keyboard.press('t');
  const frame = await previewFrame(page);
  let compared = 0;
  await underEach(page, async (conditions) => {
    compared += await everyState('preview', frame, tunedDemo, conditions);
  });
  expect(compared).toBeGreaterThan(110);
});

/** Opens all that lies over the page: closed, it has a way out, and is not at rest. */
const openAll = (page: Page) =>
  page.evaluate(() => {
    document.querySelectorAll('dialog').forEach((each) => each.show());
    for (const each of document.querySelectorAll<HTMLElement>('[popover]')) {
      each.popover = 'manual';
      each.showPopover();
    }
    document.getAnimations().forEach((each) => each.finish());
    // The focus goes into a dialog that opens.
    (document.activeElement as HTMLElement | null)?.blur();
  });

/** The demo's visit page with one of every kind on it. */
function filled(project: Project): Project {
  const outcome = apply(registry, project, { type: 'batch', label: '', commands: everyKind('find-us') });
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

const filledDemo = filled(demo);

for (const [width, conditions] of [
  [1280, []],
  [900, ['medium']],
  [500, ['medium', 'narrow']]
] as const) {
  test(`every part of every piece of every kind at rest, at ${width} px`, async ({ blank: page }) => {
    await page.setViewportSize({ width, height: 900 });
    await page.goto((await exportedVisit(filledDemo, true)).url);
    await page.mouse.move(1, 1);
    await openAll(page);
    const cases: Case[] = [];
    const kinds = new Set<string>();
    for (const id of subtreeIds(filledDemo, filledDemo.pages[VISIT]!.root)) {
      const node = filledDemo.nodes[id]!;
      const analysis = analyse(registry, filledDemo, node);
      for (const part of drawnParts(analysis)) {
        if (node.kind === 'tabs' && part !== 'root' && part !== 'list' && part !== 'panel') continue;
        // The current link has the look of its state, which the tests of states are about.
        if (part === 'link' && id === ('site-links' as NodeId)) continue;
        cases.push(
          caseOf(
            `${id} ${part}`,
            // The first slide, its dot and the arrow back are in a state of theirs at load.
            `${partIn('export', id, part)}:not([aria-current], [aria-disabled="true"])`,
            'rest',
            resolve(registry, filledDemo, { node: id, part, conditions })
          )
        );
        kinds.add(node.kind);
      }
    }
    expect(await differences(page.mainFrame(), cases)).toEqual([]);
    expect([...kinds].sort()).toEqual(
      registry
        .everyKind()
        .filter(({ markup }) => markup)
        .map(({ kind }) => kind)
        .sort()
    );
  });
}

/**
 * Every other piece of the demo with a look of its own in every state and under every condition, so that one
 * that is lost is seen.
 */
function unlike(project: Project): Project {
  const commands = subtreeIds(project, project.pages[VISIT]!.root).flatMap((id, i) => {
    const node = project.nodes[id]!;
    if (node.kind === 'tabs' || !registry.of(node).markup) return [];
    return [...drawnParts(analyse(registry, project, node))].flatMap((part, j) =>
      SETS.map((conditions) => conditions.at(-1) ?? 'always').flatMap((condition, k) => {
        const own = registry.of(node).anatomy[part]!.states;
        const shade = `#${(0x100000 + i * 0x1f1 + j * 0x33 + k * 0x10101).toString(16)}`;
        const looks = { rest: 'border-color', hover: 'background-color', focus: 'color' };
        return Object.entries(looks)
          .filter(([state]) => state === 'rest' || Object.hasOwn(own, state))
          .map(([state, property]) => ({
            type: 'set-style',
            id,
            part,
            state,
            condition,
            property,
            value: shade
          }));
      })
    );
  });
  const outcome = apply(registry, project, { type: 'batch', label: '', commands: commands as Command[] });
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

const others = unlike(demo);

async function everyOther(
  where: 'export' | 'preview',
  frame: Frame,
  conditions: readonly ConditionName[],
  force?: Force
): Promise<{ wrong: readonly string[]; count: number }> {
  const cases: Case[] = [];
  for (const id of subtreeIds(others, others.pages[VISIT]!.root)) {
    const node = others.nodes[id]!;
    const analysis = analyse(registry, others, node);
    if (node.kind === 'tabs') continue;
    for (const part of drawnParts(analysis)) {
      const own = registry.of(node).anatomy[part]!.states;
      for (const state of ['rest', 'hover', 'focus', 'pressed'] as const) {
        if (state !== 'rest' && !Object.hasOwn(own, state)) continue;
        if (state === 'hover' && conditions.includes('touch')) continue;
        const selector = `${partIn(where, id, part)}${part === 'link' && node.kind === 'links' ? ':not([aria-current])' : ''}`;
        cases.push(
          caseOf(
            `${id} ${part} ${state}`,
            selector,
            state,
            resolve(registry, others, { node: id, part, state, conditions })
          )
        );
      }
    }
  }
  return { wrong: await differences(frame, cases, force), count: cases.length };
}

for (const [i, conditions] of SETS.entries())
  test(
    `every part of every other piece of the demo, in every state it can be forced into: ${nameOf(conditions)}`,
    inTurnUnless(nameOf(conditions) === 'wide', i),
    async ({ browser }) => {
      const page = await visited(browser, others, conditions, 460);
      // The pointer is always somewhere: on a strip above the page, where nothing is hovered.
      await page.evaluate(() => (document.documentElement.style.paddingTop = '6px'));
      await page.mouse.move(1, 1);
      const force = await forcing(page);
      const { wrong, count } = await everyOther('export', page.mainFrame(), heldOf(conditions), force);
      await page.context().close();
      expect(wrong).toEqual([]);
      expect(count).toBeGreaterThan(80);
    }
  );

test(
  'the same other pieces in the preview, under every condition by switches',
  thorough,
  async ({ page }) => {
    const bench = new Bench(page);
    await bench.importProject(others, bytes);
    await page.keyboard.press('t');
    await page.mouse.move(2, 2);
    const frame = await previewFrame(page);
    await underEach(page, async (conditions) => {
      const { wrong, count } = await everyOther('preview', frame, conditions);
      expect(wrong, conditions.join(' ')).toEqual([]);
      expect(count).toBeGreaterThan(80);
    });
  }
);
