import { readFileSync } from 'node:fs';
import type { BrowserContextOptions, Page } from '@playwright/test';
import type { Command } from '../src/core/commands/commands';
import { axeViolations } from './support/axe';
import { everyKind } from './support/kinds';
import { expect, test } from './support/test';
import { inTurnUnless } from './support/thorough';
import { changed, exportedVisit } from './support/visit';
import { forcing } from './support/states';

// One page with one of every kind and with every effect, as people get it: axe-core has nothing to say, whatever
// holds and whatever is open.

const does = (id: string, effect: string, settings: Readonly<Record<string, unknown>> = {}): Command[] => [
  { type: 'add-effect', id, effect } as Command,
  ...Object.entries(settings).map(
    ([key, value]) => ({ type: 'set-setting', id, key: `${effect}-${key}`, value }) as Command
  )
];

const everything = changed(
  ...everyKind('find-us'),
  ...does('lane-side', 'enter'),
  ...does('foot-side', 'wait', { seconds: 1 }),
  ...does('lane-icon', 'reveal'),
  ...does('plan-a-visit', 'collapse'),
  ...does('header', 'sticky'),
  ...does('hours-side', 'opens', { target: 'one-dialog', label: 'What one is asked' }),
  { type: 'set-setting', id: 'one-links', key: 'opensAs', value: 'end' }
);

interface Condition {
  readonly options?: BrowserContextOptions;
  readonly media?: 'print';
  readonly isScriptless?: boolean;
}

const NARROW = { viewport: { width: 390, height: 800 } };
const CONDITIONS: Readonly<Record<string, Condition>> = {
  'a wide window': {},
  touch: { options: { hasTouch: true, isMobile: true, ...NARROW } },
  'less motion': { options: { reducedMotion: 'reduce' } },
  'no script': { isScriptless: true },
  'no script, narrow': { isScriptless: true, options: NARROW },
  paper: { media: 'print' }
};

/**
 * Lets a page be as it is without script, though axe-core can run in it: its script never comes, and its style sheet
 * takes it that there is none.
 */
async function withoutScript(page: Page): Promise<void> {
  await page.route(/script\.js$/, (route) => route.abort());
  await page.route(/style\.css$/, async (route) => {
    const css = readFileSync(new URL(route.request().url()), 'utf8');
    expect(css).toContain('(scripting: none)');
    const body = css
      .replaceAll('(scripting: none)', '(width >= 0px)')
      .replaceAll('(scripting: enabled)', '(width < 0px)');
    await route.fulfill({ body, contentType: 'text/css' });
  });
}

/** Opens all that opens, and lets what moves come to its end. */
const openAll = (page: Page) =>
  page.evaluate(() => {
    document.querySelectorAll('details').forEach((each) => (each.open = true));
    document.querySelectorAll<HTMLElement>('[popover]').forEach((each) => each.showPopover());
    document.querySelector('dialog')?.showModal();
    document.getAnimations().forEach((each) => each.finish());
  });

/** What axe-core objects to, at rest and with every thing that is pressed in each of its states at once. */
async function inEachState(page: Page): Promise<readonly string[]> {
  const force = await forcing(page);
  const found = await axeViolations(page);
  for (const state of ['hover', 'focus', 'pressed'] as const) {
    await force('a, button, summary', state);
    found.push(...(await axeViolations(page)).map((each) => `${state}: ${each}`));
  }
  return found;
}

for (const [i, [name, { options, media, isScriptless }]] of Object.entries(CONDITIONS).entries())
  test(
    `axe-core has nothing to say of any kind and any effect, closed, open and in every state: ${name}`,
    inTurnUnless(name === 'a wide window', i),
    async ({ browser }) => {
      const { url, problems } = await exportedVisit(everything);
      expect(problems).toEqual([]);
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, ...options });
      const page = await context.newPage();
      if (isScriptless) await withoutScript(page);
      await page.goto(url);
      if (media) await page.emulateMedia({ media });
      // What comes a second after the page has to begin to, before its coming can be waited for.
      await expect(page.locator('[data-k-wait][data-waiting]')).toHaveCount(0);
      const closed = await axeViolations(page);
      await openAll(page);
      expect([closed, await inEachState(page)]).toEqual([[], []]);
      await context.close();
    }
  );
