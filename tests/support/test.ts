import { test as base, type BrowserContext } from '@playwright/test';
import { KeptWindow } from './window';

export { expect, type Frame, type Locator, type Page } from '@playwright/test';

/** Tests with a profile of their own: for what a profile's windows share, such as a clock that is set. */
export const alone = base;

/**
 * Tests that drive the app share one browser profile per worker, so that its files are fetched and compiled
 * once, and one window of it, so that it is started once.
 */
export const test = base.extend<object, { profile: BrowserContext; kept: KeptWindow }>({
  profile: [
    async ({ browser }, use, { project }) => {
      const { baseURL, viewport } = project.use;
      const profile = await browser.newContext({ baseURL, viewport });
      // A clock that is set stays so in every window to come.
      profile.clock.install = () =>
        Promise.reject(new Error('The profile is shared: use `alone` to set a clock.'));
      await use(profile);
      await profile.close();
    },
    { scope: 'worker' }
  ],
  kept: [
    async ({ profile }, use, { project }) => {
      const { baseURL, viewport } = project.use;
      await use(new KeptWindow(profile, baseURL!, viewport!));
    },
    { scope: 'worker' }
  ],
  page: async ({ kept }, use, info) => {
    await use(await kept.ready());
    await kept.after(info.status === info.expectedStatus);
  }
});
