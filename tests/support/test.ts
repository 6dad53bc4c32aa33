import { test as base, type BrowserContext } from '@playwright/test';

export { expect, type Frame, type Locator, type Page } from '@playwright/test';

/** Tests with a profile of their own: for what a profile's windows share, such as a clock that is set. */
export const alone = base;

/**
 * Tests that drive the app share one browser profile per worker, so that its files are fetched and compiled
 * once; what the app has stored is cleared away before each.
 */
export const test = base.extend<object, { profile: BrowserContext }>({
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
  page: async ({ profile, baseURL }, use) => {
    const page = await profile.newPage();
    const session = await profile.newCDPSession(page);
    await session.send('Storage.clearDataForOrigin', {
      origin: baseURL!,
      storageTypes: 'indexeddb,local_storage'
    });
    await session.detach();
    await use(page);
    for (const each of profile.pages()) await each.close();
  }
});
