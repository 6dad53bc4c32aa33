import type { BrowserContext, Page, ViewportSize } from '@playwright/test';

/** An address of the app that no project has: where a window waits between two tests. */
const AWAY = '/project/-';

/** What a page keeps for good, so that it would still be there in the next test. */
const LASTING = ['addInitScript', 'exposeFunction', 'exposeBinding', 'route', 'setDefaultTimeout'] as const;

/**
 * A window that is kept from test to test: opening one anew takes more than most tests do in it. One that a test
 * failed in or changed for good is closed, and the next test gets a new one.
 */
export abstract class KeptWindow {
  #page: Page | null = null;
  #isChanged = false;

  constructor(
    protected readonly profile: BrowserContext,
    private readonly viewport: ViewportSize
  ) {
    const { newCDPSession } = profile;
    profile.newCDPSession = (target) => {
      this.#isChanged ||= target === this.#page;
      return newCDPSession.call(profile, target);
    };
  }

  /** The window for the next test. */
  async ready(): Promise<Page> {
    if (this.#page) await this.prepare(this.#page);
    else this.#page = await this.#opened();
    return this.#page;
  }

  /** Lets go of all that a test has opened, and leaves what it looked at. @param isGood whether the test passed. */
  async after(isGood: boolean): Promise<void> {
    for (const each of this.profile.pages()) if (each !== this.#page) await each.close();
    const page = this.#page;
    const isUsable = page && isGood && !this.#isChanged && !page.isClosed() && (await this.canStay(page));
    if (isUsable) await this.#reset(page);
    else await this.#close();
  }

  /** Makes a window that stayed ready for the next test. */
  protected abstract prepare(page: Page): Promise<void>;
  /** Whether a window can be left as a visitor does. */
  protected abstract canStay(page: Page): Promise<boolean>;
  /** Leaves what a test looked at. */
  protected abstract leave(page: Page): Promise<void>;
  /** Done once to a new window. */
  protected abstract begin(page: Page): Promise<void>;

  async #close(): Promise<void> {
    await this.#page?.close();
    this.#page = null;
    this.#isChanged = false;
  }

  async #opened(): Promise<Page> {
    const page = await this.profile.newPage();
    await this.begin(page);
    for (const name of LASTING) this.#watch(page, name);
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
  async #reset(page: Page): Promise<void> {
    page.removeAllListeners();
    await page.emulateMedia({ media: null, colorScheme: null, reducedMotion: null, forcedColors: null });
    await page.setViewportSize(this.viewport);
    await this.leave(page);
    await page.mouse.move(0, 0);
    await page.mouse.up();
  }
}

/**
 * A window of the app. Between two tests it leaves its project as a visitor does, by a link, and its storage is
 * emptied; one that was left at another site is closed.
 */
export class AppWindow extends KeptWindow {
  constructor(
    profile: BrowserContext,
    viewport: ViewportSize,
    private readonly origin: string
  ) {
    super(profile, viewport);
  }

  protected async begin(page: Page): Promise<void> {
    const session = await this.profile.newCDPSession(page);
    await session.send('Storage.clearDataForOrigin', {
      origin: this.origin,
      storageTypes: 'indexeddb,local_storage'
    });
    await session.detach();
    setOnBlankPage(page);
  }

  protected prepare(page: Page): Promise<void> {
    return page.evaluate(emptyStorage);
  }

  protected async canStay(page: Page): Promise<boolean> {
    return page.url().startsWith(`${this.origin}/`) && (await runsApp(page));
  }

  protected leave(page: Page): Promise<void> {
    return leaveProject(page);
  }
}

/** A window that never shows the app: blank, with nothing stored, between two tests. */
export class BlankWindow extends KeptWindow {
  constructor(
    profile: BrowserContext,
    viewport: ViewportSize,
    private readonly origin: string
  ) {
    super(profile, viewport);
  }

  protected begin(): Promise<void> {
    return Promise.resolve();
  }

  protected prepare(): Promise<void> {
    return Promise.resolve();
  }

  protected canStay(): Promise<boolean> {
    return Promise.resolve(true);
  }

  protected async leave(page: Page): Promise<void> {
    if (page.url().startsWith(`${this.origin}/`))
      throw new Error('`blank` is not for the app: take `page`, which is emptied for the next test.');
    await page.evaluate(forgetPage);
    await page.goto('about:blank');
  }
}

/** Run in the window. A blank page has nothing that it could have stored. */
function forgetPage(): void {
  if (location.protocol === 'about:') return;
  localStorage.clear();
  sessionStorage.clear();
}

/** What a test sets as content stands on a blank page: in the app, the app's policy would keep its style out. */
function setOnBlankPage(page: Page): void {
  const { setContent } = page;
  page.setContent = async (...given) => {
    await page.goto('about:blank');
    await setContent.apply(page, given);
  };
}

/**
 * Shows an address of the app: by a link where the window shows the app already, else by loading it, which takes
 * several times as long.
 */
export async function visit(page: Page, path: string): Promise<void> {
  if (await runsApp(page)) await follow(page, path);
  else await page.goto(path);
}

/** Leaves what a window of the app shows, as a visitor does. */
export async function leaveProject(page: Page): Promise<void> {
  await follow(page, AWAY);
  await page.getByRole('heading', { name: 'This project is not here' }).waitFor();
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
async function runsApp(page: Page): Promise<boolean> {
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
