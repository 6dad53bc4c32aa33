import type { BrowserContextOptions, Page } from '@playwright/test';
import type { Command } from '../src/core/commands/commands';
import { axeViolations } from './support/axe';
import { exported } from './support/exported';
import { everyKind } from './support/kinds';
import { expect, test } from './support/test';
import { bytes, changed } from './support/visit';

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
  ...does('welcome', 'collapse'),
  ...does('header', 'sticky')
);

const CONDITIONS: Readonly<Record<string, BrowserContextOptions>> = {
  'a wide window': {},
  touch: { hasTouch: true, isMobile: true, viewport: { width: 390, height: 800 } },
  'less motion': { reducedMotion: 'reduce' },
  'no script': { javaScriptEnabled: false },
  'no script, narrow': { javaScriptEnabled: false, viewport: { width: 390, height: 800 } },
  'forced colours': { forcedColors: 'active' }
};

/** Opens all that opens, and lets what moves come to its end. */
const openAll = (page: Page) =>
  page.evaluate(() => {
    document.querySelectorAll('details').forEach((each) => (each.open = true));
    document.querySelectorAll<HTMLElement>('[popover]').forEach((each) => each.showPopover());
    document.querySelector('dialog')?.showModal();
    document.getAnimations().forEach((each) => each.finish());
  });

for (const [name, options] of Object.entries(CONDITIONS))
  test(`axe-core has nothing to say of any kind and any effect, closed and open: ${name}`, async ({
    browser
  }) => {
    const { url, problems } = await exported(everything, bytes);
    expect(problems).toEqual([]);
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, ...options });
    const page = await context.newPage();
    await page.goto(url);
    expect(await axeViolations(page)).toEqual([]);
    await openAll(page);
    expect(await axeViolations(page)).toEqual([]);
    await context.close();
  });
