import { test as base, type Browser, type BrowserContext, type Page, type TestInfo } from '@playwright/test';
import { AppWindow, BlankWindow, type KeptWindow } from './window';

export { expect, type Frame, type Locator, type Page } from '@playwright/test';

interface OfWorker {
  /** The browser profile that all windows of the app share. */
  profile: BrowserContext;
  appWindow: KeptWindow;
  blankWindow: KeptWindow;
}

interface OfTest {
  /** A window for pages that are not the app's, such as exported ones. It costs a tenth of one of the app. */
  blank: Page;
}

/** A browser profile in which no clock can be set: it would stay so in every window to come. */
async function newProfile(browser: Browser, { use }: TestInfo['project']): Promise<BrowserContext> {
  const profile = await browser.newContext({ baseURL: use.baseURL, viewport: use.viewport });
  profile.clock.install = () =>
    Promise.reject(new Error('Tests share this profile: set a clock in a test that is `alone`.'));
  return profile;
}

async function lend(
  kept: KeptWindow,
  { status, expectedStatus }: TestInfo,
  use: (page: Page) => Promise<void>
) {
  await use(await kept.ready());
  await kept.after(status === expectedStatus);
}

/**
 * Tests share two windows per worker: one of the app, whose files are then fetched and compiled once and which is
 * started once, and a blank one.
 */
export const test = base.extend<OfTest, OfWorker>({
  profile: [
    async ({ browser }, use, { project }) => {
      const profile = await newProfile(browser, project);
      await use(profile);
      await profile.close();
    },
    { scope: 'worker' }
  ],
  appWindow: [
    async ({ profile }, use, { project }) => {
      const { baseURL, viewport } = project.use;
      await use(new AppWindow(profile, viewport!, baseURL!));
    },
    { scope: 'worker' }
  ],
  blankWindow: [
    async ({ browser }, use, { project }) => {
      const profile = await newProfile(browser, project);
      const { baseURL, viewport } = project.use;
      await use(new BlankWindow(profile, viewport!, baseURL!));
      await profile.close();
    },
    { scope: 'worker' }
  ],
  page: async ({ appWindow }, use, info) => {
    await lend(appWindow, info, use);
  },
  blank: async ({ blankWindow }, use, info) => {
    await lend(blankWindow, info, use);
  }
});

/**
 * Tests whose window has a profile of its own: for what the windows of a profile share, such as a clock, and for what
 * a window is opened with, such as touch or no script.
 */
export const alone = test.extend({
  page: async ({ context }, use) => {
    await use(await context.newPage());
  }
});
