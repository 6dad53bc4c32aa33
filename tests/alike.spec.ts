import type { Page as Tab } from '@playwright/test';
import type { ConditionName } from '../src/core/project/types';
import { everyKind } from './support/kinds';
import { previewFrame } from './support/frames';
import { allPictures } from './support/pictures';
import { expect, test } from './support/test';
import { inTurnUnless } from './support/thorough';
import { bytes, changed, exportedVisit } from './support/visit';
import { Bench } from './support/workbench';

// The export shares what the preview keeps apart, and leaves out what changes nothing: for every part of
// every piece of every kind,
// its box and all that Chromium computes for it are the same in both.

interface Drawn {
  /** Left, top, width, height in px. */
  readonly box: readonly number[];
  /** All computed values, by property. */
  readonly style: readonly (readonly [property: string, value: string])[];
}

/**
 * Runs in the page. @returns every marked element by piece, item, part and turn, as it is drawn: a `Page` as JSON,
 * since a text of some MB comes out of a page many times as fast as that many values.
 */
function drawnParts(mark: string): string {
  const turns = new Map<string, number>();
  document
    .getAnimations()
    .forEach((each) => each.effect?.getComputedTiming().endTime !== Infinity && each.finish());
  const parts = [...document.querySelectorAll<HTMLElement>(`[${mark}-part]`)].map((element) => {
    const node = element.getAttribute(`${mark}-node`);
    const name = `${node} ${element.getAttribute(`${mark}-item`) ?? node} ${element.getAttribute(`${mark}-part`)}`;
    const turn = (turns.get(name) ?? 0) + 1;
    turns.set(name, turn);
    const { left, top, width, height } = element.getBoundingClientRect();
    const computed = getComputedStyle(element);
    const style = [...computed].map((property) => [property, computed.getPropertyValue(property)] as const);
    return [`${name} ${turn}`, { box: [left, top + scrollY, width, height], style }];
  });
  return JSON.stringify(parts);
}

/**
 * What may differ since it shows nowhere: movements of what does not change, sides of a border that have no
 * width, the hand.
 */
const UNSEEN =
  /^(?:--|-webkit-locale|transition|animation|cursor|user-select|-webkit-user-select|caret|border-(?:top|right|bottom|left|block|inline)|border-(?:block|inline)-|column-rule|outline-color|text-decoration-color|text-emphasis-color|-webkit-text|appearance|pointer-events)/;

/** `normal` is no gap, and the start of a flex box. */
function spoken(property: string, value: string): string {
  if (property.endsWith('gap')) return value.replaceAll('normal', '0px');
  if (property === 'justify-content') return value.replace(/^(?:flex-)?start$/, 'normal');
  return value;
}

type Page = readonly (readonly [name: string, drawn: Drawn])[];

function differencesOf(preview: Page, page: Page): string[] {
  const wrong: string[] = [];
  const others = new Map(page);
  for (const [name, own] of preview) {
    const other = others.get(name);
    if (!other) {
      wrong.push(`${name} is missing`);
      continue;
    }
    const isHidden = own.box[2] === 0 && own.box[3] === 0;
    if (!isHidden && own.box.some((value, i) => Math.abs(value - other.box[i]!) > 0.6))
      wrong.push(`${name}: ${other.box.join(' ')}, not ${own.box.join(' ')}`);
    const styles = new Map(other.style);
    for (const [property, value] of own.style) {
      if (UNSEEN.test(property) || isHidden) continue;
      const [a, b] = [spoken(property, styles.get(property) ?? ''), spoken(property, value)];
      if (a !== b) wrong.push(`${name} ${property}: ${a}, not ${b}`);
    }
  }
  return wrong;
}

const SETS: readonly (readonly ConditionName[])[] = [
  [],
  ['medium'],
  ['narrow'],
  ['less-motion'],
  ['no-script'],
  ['print']
];
/** How often the window is made narrower for them: from wide to medium, and on to narrow. */
const STEPS: Readonly<Partial<Record<ConditionName, number>>> = { medium: 1, narrow: 2 };

const SWITCHES: Readonly<Partial<Record<ConditionName, string>>> = {
  'less-motion': 'Less motion',
  'no-script': 'No script',
  print: 'Print'
};

async function exportUnder(
  page: Tab,
  name: string,
  url: string,
  size: { width: number; height: number }
): Promise<Page> {
  const context = await page
    .context()
    .browser()!
    .newContext({
      viewport: size,
      javaScriptEnabled: name !== 'no-script',
      reducedMotion: name === 'less-motion' ? 'reduce' : 'no-preference'
    });
  const tab = await context.newPage();
  await tab.goto(url);
  if (name === 'print') {
    await tab.emulateMedia({ media: 'print' });
    // Behaviours hear of another medium in the next frame.
    await expect(tab.locator('[hidden="until-found"]')).toHaveCount(0);
  }
  await allPictures(tab);
  const drawn = JSON.parse(await tab.evaluate(drawnParts, 'data')) as Page;
  await context.close();
  return drawn;
}

for (const [i, conditions] of SETS.entries()) {
  const name = conditions.at(-1) ?? 'wide';
  test(
    `the export draws what the preview draws, every part of every kind: ${name}`,
    inTurnUnless(name === 'wide', i),
    async ({ page }) => {
      const project = changed(...everyKind('find-us'));
      const { url } = await exportedVisit(project, true);
      const bench = new Bench(page);
      await bench.importProject(project, bytes);
      const steps = STEPS[name as ConditionName] ?? 0;
      for (let step = 0; step < steps; step += 1) await page.keyboard.press('[');
      const words = SWITCHES[name as ConditionName];
      if (words) await page.getByRole('button', { name: words, exact: true }).click();
      const frame = await previewFrame(page);
      await expect
        .poll(() =>
          frame.evaluate(
            (condition) => condition === '' || document.documentElement.hasAttribute(`data-k-${condition}`),
            words ? name : ''
          )
        )
        .toBe(true);
      await expect
        .poll(() => frame.evaluate(() => innerWidth))
        .toEqual(steps === 0 ? 1120 : expect.any(Number));
      await allPictures(frame);
      const size = await frame.evaluate(() => ({ width: innerWidth, height: innerHeight }));
      const preview = JSON.parse(await frame.evaluate(drawnParts, 'data-k')) as Page;
      const differences = differencesOf(preview, await exportUnder(page, name, url, size));
      expect(differences.slice(0, 40)).toEqual([]);
      expect(preview.length).toBeGreaterThan(100);
    }
  );
}
