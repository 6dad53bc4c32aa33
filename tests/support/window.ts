import type { BrowserContext, Page, ViewportSize } from '@playwright/test';

/** An address of the app that no project has: where a window waits between two tests. */
const AWAY = '/project/-';

/** What a page keeps for good, so that it would still be there in the next test. */
const LASTING = ['addInitScript', 'exposeFunction', 'exposeBinding', 'route', 'setDefaultTimeout'] as const;

/**
 * One window of the app that is kept from test to test: starting the app anew takes more than all that most
 * tests do in it. Between two tests it leaves its project as a visitor does, by a link, and its storage is
 * emptied. A window that a test failed in, changed for good, or left at another site is closed, and the next test
 * gets a new one.
 */
export class KeptWindow {
  #page: Page | null = null;
  #isChanged = false;

  constructor(
    private readonly profile: BrowserContext,
    private readonly origin: string,
    private readonly viewport: ViewportSize
  ) {
    const { newCDPSession } = profile;
    profile.newCDPSession = (target) => {
      this.#isChanged ||= target === this.#page;
      return newCDPSession.call(profile, target);
    };
  }

  /** The window for the next test: the app with nothing stored, or a blank one. */
  async ready(): Promise<Page> {
    if (this.#page) await this.#page.evaluate(emptyStorage);
    else this.#page = await this.#opened();
    return this.#page;
  }

  /** Lets go of all that a test has opened, and leaves its project. @param isGood whether the test passed. */
  async after(isGood: boolean): Promise<void> {
    for (const each of this.profile.pages()) if (each !== this.#page) await each.close();
    const page = this.#page;
    const isUsable =
      page && isGood && !this.#isChanged && !page.isClosed() && (await runsApp(page, this.origin));
    if (isUsable) await this.#leave(page);
    else await this.#close();
  }

  async #close(): Promise<void> {
    await this.#page?.close();
    this.#page = null;
    this.#isChanged = false;
  }

  async #opened(): Promise<Page> {
    const page = await this.profile.newPage();
    const session = await this.profile.newCDPSession(page);
    await session.send('Storage.clearDataForOrigin', {
      origin: this.origin,
      storageTypes: 'indexeddb,local_storage'
    });
    await session.detach();
    for (const name of LASTING) this.#watch(page, name);
    setOnBlankPage(page);
    return page;
  }

  #watch(page: Page, name: (typeof LASTING)[number]): void {
    const method = page[name] as (...given: unknown[]) => Promise<never>;
    page[name] = (...given: unknown[]) => {
      this.#isChanged = true;
      return method.apply(page, given);
    };
  }

  /** All that a test may leave as it is set goes back to what a new window has. */
  async #leave(page: Page): Promise<void> {
    page.removeAllListeners();
    await page.emulateMedia({ media: null, colorScheme: null, reducedMotion: null, forcedColors: null });
    await page.setViewportSize(this.viewport);
    await follow(page, AWAY);
    await page.getByRole('heading', { name: 'This project is not here' }).waitFor();
    await page.mouse.move(0, 0);
    await page.mouse.up();
  }
}

/** What a test sets as content stands on a blank page: in the app, the app's policy would keep its style out. */
function setOnBlankPage(page: Page): void {
  const { setContent } = page;
  page.setContent = async (...given) => {
    await page.goto('about:blank');
    await setContent.apply(page, given);
  };
}

/** Shows an address of the app: by a link where the window waits in the app already, else by loading it. */
export async function visit(page: Page, path: string): Promise<void> {
  const isWaiting = new URL(page.url()).pathname === AWAY;
  if (isWaiting) await follow(page, path);
  else await page.goto(path);
}

/** Presses a link to another view of the app, which the app's own router follows. */
async function follow(page: Page, path: string): Promise<void> {
  await page.evaluate((href) => {
    const link = document.body.appendChild(document.createElement('a'));
    link.href = href;
    link.click();
    link.remove();
  }, path);
}

/** Whether a window shows the app, rather than another site or a page of ours that has no script. */
async function runsApp(page: Page, origin: string): Promise<boolean> {
  if (!page.url().startsWith(`${origin}/`)) return false;
  return page.evaluate(() => Object.keys(window).some((name) => name.startsWith('__sveltekit_')));
}

/** Run in the window. The database stays, with nothing in it: the app has it open. */
async function emptyStorage(): Promise<void> {
  localStorage.clear();
  sessionStorage.clear();
  for (const { name } of await indexedDB.databases()) {
    const database = await new Promise<IDBDatabase>((resolve, reject) => {
      const request = indexedDB.open(name!);
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(request.error);
    });
    const stores = [...database.objectStoreNames];
    if (stores.length > 0) {
      const transaction = database.transaction(stores, 'readwrite');
      for (const store of stores) transaction.objectStore(store).clear();
      await new Promise((resolve, reject) => {
        transaction.oncomplete = resolve;
        transaction.onabort = () => reject(transaction.error);
      });
    }
    database.close();
  }
}
