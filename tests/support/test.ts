import { test as base, type BrowserContext } from '@playwright/test';

export { expect, type Frame, type Locator, type Page } from '@playwright/test';

/**
 * Tests that drive the app share one browser profile per worker, so that its files are fetched and compiled
 * once; what the app has stored is cleared away before each.
 */
export const test = base.extend<object, { profile: BrowserContext }>({
  profile: [
    async ({ browser }, use, { project }) => {
      const { baseURL, viewport } = project.use;
      const profile = await browser.newContext({ baseURL, viewport });
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
