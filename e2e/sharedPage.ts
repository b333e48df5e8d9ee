import type { Browser, BrowserContext, CDPSession, Page, ViewportSize } from '@playwright/test';

/** Of a test that changes what outlives its document: a clock, a route, a script of its own, a second page. */
export const OWN_PAGE = { tag: '@own-page' };

/** At the app's own address, so that the process and what it has compiled stay; it runs nothing. */
const BLANK = '/icon.svg';

/**
 * What a shared page may be asked: nothing of it outlives the document, or it is put back between two tests.
 * All else throws, so that no test can leave behind what the next does not expect.
 */
const LEAVES_NOTHING: ReadonlySet<string> = new Set([
  ...['goto', 'goBack', 'goForward', 'reload', 'url', 'title', 'mainFrame', 'frames', 'workers'],
  ...['locator', 'getByRole', 'getByText', 'getByLabel', 'getByPlaceholder'],
  ...['evaluate', 'waitForEvent', 'waitForFunction', 'waitForURL'],
  ...['keyboard', 'mouse', 'touchscreen', 'viewportSize', 'setViewportSize', 'pdf'],
  ...['on', 'once', 'off', 'addListener', 'removeListener', 'removeAllListeners'],
  ...['emit', 'listeners', 'listenerCount', 'isClosed', 'close'],
  // Asked by the library itself, for the address that a path belongs to; refused in turn is what it can do.
  ...['context', 'browser', 'pages', 'request', 'tracing'],
]);

/** Makes all else throw. What the library calls itself begins with an underscore. */
function refuseWhatStays(of: 'page' | 'context', such: Page | BrowserContext): void {
  const names = new Set([
    ...Object.getOwnPropertyNames(such),
    ...Object.getOwnPropertyNames(Object.getPrototypeOf(such)),
  ]);
  for (const name of names) {
    if (name.startsWith('_') || name === 'constructor' || LEAVES_NOTHING.has(name)) continue;
    Object.defineProperty(such, name, {
      get() {
        throw new Error(
          `${of}.${name} may outlive the test on the page that tests share: tag the test OWN_PAGE`,
        );
      },
    });
  }
}

interface Shared {
  readonly page: Page;
  readonly devtools: CDPSession;
  readonly size: ViewportSize | null;
  /** Runs a script before those of each document. */
  readonly before: (content: string) => Promise<{ dispose(): Promise<void> }>;
}

async function begin(browser: Browser): Promise<Shared> {
  const page = await browser.newPage();
  const add = page.addInitScript.bind(page);
  const shared = {
    page,
    devtools: await page.context().newCDPSession(page),
    size: page.viewportSize(),
    before: (content: string) => add({ content }),
  };
  refuseWhatStays('page', page);
  refuseWhatStays('context', page.context());
  return shared;
}

/** One page a worker, emptied between its tests: a fresh one compiles the app anew, a second each time. */
export class SharedPage {
  private shared: Shared | null = null;
  private scripts: { dispose(): Promise<void> }[] = [];

  /** The page as a first visit finds it. @param scripts to run before those of a document */
  async open(browser: Browser, scripts: readonly string[]): Promise<Page> {
    this.shared ??= await begin(browser);
    const { page } = this.shared;
    for (const content of scripts) this.scripts.push(await this.shared.before(content));
    return page;
  }

  /** Empties it for the next test. @param fine where not, the page is given up: a failure builds on nothing */
  async leave(fine: boolean): Promise<void> {
    if (!this.shared) return;
    const { page, devtools, size } = this.shared;
    page.removeAllListeners();
    if (!fine || page.isClosed()) {
      this.shared = null;
      this.scripts = [];
      return page.close();
    }
    for (const script of this.scripts.splice(0)) await script.dispose();
    await page.goto(BLANK);
    await page.evaluate(() => sessionStorage.clear());
    const { origin } = new URL(page.url());
    await devtools.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' });
    if (size) await page.setViewportSize(size);
  }
}
