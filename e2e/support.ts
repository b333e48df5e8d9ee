import { expect, test as base, type Page } from '@playwright/test';
import { clickWhatHasSettled } from './clicks';
import { OWN_PAGE, SharedPage } from './sharedPage';

/** Fails a test on any error the page reports, a breach of the content policy included. */
export const test = base.extend<{ quiet: void; loud: boolean }, { shared: SharedPage }>({
  shared: [
    // eslint-disable-next-line no-empty-pattern -- the fixtures' first argument has to be taken apart
    async ({}, give) => give(new SharedPage()),
    { scope: 'worker' },
  ],
  page: async ({ browser, shared, hasTouch, serviceWorkers }, give, info) => {
    const scripts = [
      ...(info.tags.includes(IN_FULL.tag)
        ? []
        : [info.tags.includes(WORKED_OUT.tag) ? ROUGHLY : NEVER_DONE]),
      ...(info.project.name === 'phone' ? [SAVES_DATA] : []),
    ];
    // A page keeps for life what it was opened with.
    if (info.tags.includes(OWN_PAGE.tag) || hasTouch || serviceWorkers === 'allow') {
      const context = await browser.newContext();
      const page = await context.newPage();
      for (const content of scripts) await page.addInitScript({ content });
      await give(page);
      return context.close();
    }
    await give(await shared.open(browser, scripts));
    await shared.leave(info.status === info.expectedStatus);
  },
  /** Whether a test takes the network away, of which the browser then speaks. */
  loud: [false, { option: true }],
  quiet: [
    async ({ page, loud }, use) => {
      clickWhatHasSettled(page);
      const troubles: string[] = [];
      page.on('pageerror', (error) => troubles.push(error.message));
      page.on('console', (message) => {
        if (message.type() === 'error') troubles.push(message.text());
      });
      await use();
      if (!loud) expect(troubles).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

/**
 * Of a test that asks something of forecasts and plans. Every other is on a device that never gets so far: it
 * would work them out anew after each entry, which was the half of what a journey cost.
 */
export const WORKED_OUT = { tag: '@worked-out' };

/** Of a test that asks for the figures of a forecast themselves. */
export const IN_FULL = { tag: '@in-full' };

/** The worker of jobs as one that takes what it is given and never answers; all other workers as they are. */
const NEVER_DONE = `const Own = globalThis.Worker;
globalThis.Worker = function (address, options) {
  if (!String(address).includes('/jobs')) return new Own(address, options);
  return { postMessage() {}, terminate() {}, onmessage: null, onerror: null };
};`;

/**
 * The worker of jobs, asked for a posterior of fewer tanks: these tests hold what is said and where it leads, and those
 * of the core the figures; `npm run bench` asks as the app does.
 */
const ROUGHLY = `const Own = globalThis.Worker;
globalThis.Worker = function (address, options) {
  const own = new Own(address, options);
  if (!String(address).includes('/jobs')) return own;
  const post = own.postMessage.bind(own);
  own.postMessage = (asked) =>
    post(
      asked.job === 'infer'
        ? { ...asked, input: { particles: 80, otherParticles: 16, members: 80, ...asked.input } }
        : asked,
    );
  return own;
};`;

/** A browser that saves data fetches nothing beforehand, and each screen when it is first opened. */
const SAVES_DATA =
  "Object.defineProperty(navigator, 'connection', { value: { saveData: true }, configurable: true })";

export async function openDemo(page: Page): Promise<void> {
  await page.goto('/demo');
  await page.waitForURL('/');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
}

export function isWide(page: Page): boolean {
  return (page.viewportSize()?.width ?? 0) >= 900;
}

/**
 * Leads the app to an address as Back and Forward do, without loading it anew, and waits until what
 * stands there has been drawn and stays as it is.
 */
export async function follow(page: Page, address: string): Promise<void> {
  await page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, address);
  await expect.poll(() => page.url(), { message: address }).toContain(address.split('?')[0]);
  const main = page.locator('[role="main"]:visible');
  await expect(main).toHaveCount(1);
  let before = -1;
  await expect
    .poll(
      async () => {
        const [drawn, now] = [
          before,
          await main.evaluate((all) => all.querySelectorAll('*').length),
        ];
        before = now;
        return now > 8 && now === drawn;
      },
      { message: address },
    )
    .toBe(true);
}

/** The group that each place is found in. */
const GROUP_OF: Readonly<Record<string, string>> = {
  Cycle: 'Water',
  Dosing: 'Water',
  'Mix saltwater': 'Water',
  Calculators: 'Water',
  'Test kits and meters': 'Water',
  Stock: 'Animals',
  Species: 'Animals',
  Quarantine: 'Animals',
  Acclimation: 'Animals',
  Chores: 'Maintenance',
  Tanks: 'Tank and gear',
  Photos: 'Records',
  Data: 'Records',
};

/** Goes to a place as a person would: by its group, which stands in the rail, in the bar or under More. */
export async function goTo(page: Page, place: string): Promise<void> {
  const places = page.getByRole('navigation', { name: 'Places' });
  await expect(places).toBeVisible();
  const link = places.getByRole('link', { name: place, exact: true });
  if (await link.count()) return link.click();
  const group = places.getByRole('link', { name: GROUP_OF[place] ?? place, exact: true });
  if (await group.count()) {
    await group.click();
    return link.click();
  }
  await places.getByRole('link', { name: 'More' }).click();
  await page.getByRole('main').getByRole('link', { name: place, exact: true }).click();
}

/** Sets up a tank that is cycling since today, by a label that comes to 208 litres of water. */
export async function setUpTank(page: Page, name: string, base = ''): Promise<void> {
  await page.goto(`${base}/`);
  await page.getByRole('button', { name: 'Set up my tank' }).click();
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Volume on the label').fill('226.1');
  await page.getByRole('button', { name: 'Set up this tank' }).click();
  await expect(page.getByRole('status').getByText(`Set up ${name}`)).toBeVisible();
}

export async function openTestSheet(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Ammonia 0', exact: true })).toBeVisible();
}

/** Logs an ammonia test from any screen. @param step as it stands on the card */
export async function logAmmonia(page: Page, step: string): Promise<void> {
  await openTestSheet(page);
  await page.getByRole('button', { name: `Ammonia ${step}`, exact: true }).click();
  await page.getByRole('button', { name: 'Save 1 reading' }).click();
}

/** Types a digital value: on the pad where there is one, by keyboard where there is not. */
export async function typeValue(page: Page, label: string, value: string): Promise<void> {
  const box = page.getByRole('main').getByRole('textbox', { name: label, exact: true });
  await box.click();
  if (isWide(page)) {
    await box.fill(value);
    await box.press('Enter');
    return;
  }
  const pad = page.getByRole('group', { name: `Digits for ${label}` });
  for (const key of value) {
    await pad.getByRole('button', { name: key === '.' ? 'Point' : key, exact: true }).click();
  }
  const next = pad.getByRole('button', { name: /Next|Done/ });
  await next.click();
}

/** Closes the pad, if the last value left it open on the next field. */
export async function closePad(page: Page): Promise<void> {
  const pad = page.getByRole('group', { name: /^Digits for/ });
  while (await pad.count()) await pad.getByRole('button', { name: /Next|Done/ }).click();
}

export async function logSixValues(page: Page): Promise<void> {
  await openTestSheet(page);
  await page.getByRole('button', { name: 'Ammonia 0.25', exact: true }).click();
  await page.getByRole('button', { name: 'Nitrite between 0.5 and 1', exact: true }).click();
  await page.getByRole('button', { name: 'Nitrate 5', exact: true }).click();
  await typeValue(page, 'pH', '8.05');
  await typeValue(page, 'Salinity', '34.8');
  await typeValue(page, 'Temperature', '25.2');
  await closePad(page);
}

export async function saved(page: Page, words: string | RegExp): Promise<void> {
  await expect(page.getByRole('status').getByText(words)).toBeVisible();
}

/** Addresses of forms, which are left once they are saved. */
const FORMS = /\/(log|tanks|instruments)\/[^/]/;

/**
 * Saved, and the form that was saved is left: it closes a moment after it says so, and an address
 * asked for before that is undone by its going back.
 */
export async function savedAndLeft(page: Page, words: string | RegExp): Promise<void> {
  await saved(page, words);
  await expect(page).not.toHaveURL(FORMS);
}

/** What reaches beyond the right edge of the window, but for what scrolls by itself. */
export function tooWide(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    Array.from(document.querySelectorAll('[role="main"] *'))
      .filter((element) => {
        const box = element.getBoundingClientRect();
        return (
          box.width > 0 &&
          box.right > innerWidth + 1 &&
          // What slides within its own frame: a table, the tabs of a form.
          !element.closest('[role="region"], [role="navigation"], svg')
        );
      })
      .map((element) => element.outerHTML.slice(0, 120)),
  );
}
