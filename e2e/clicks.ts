import type { Locator, Page } from '@playwright/test';

/** What takes taps, and lies in nothing that does not yet. */
const SETTLED = ':not([data-settling]):not([data-settling] *)';

let helped = false;

/**
 * Every click of a browser test is made as a patient person makes it: on what is in sight, and once it
 * takes taps. The page says which does not by `data-settling`; no time is waited for.
 */
export function clickWhatHasSettled(page: Page): void {
  if (helped) return;
  helped = true;
  const locators = Object.getPrototypeOf(page.locator('html')) as Locator;
  for (const act of ['click', 'dblclick', 'tap', 'check', 'uncheck'] as const) {
    const plainly = locators[act] as (this: Locator, options?: object) => Promise<void>;
    locators[act] = async function (this: Locator, options?: object) {
      for (let tries = 0; tries < 5; tries += 1) {
        // Scrolling on the way to a click would move it from under the finger. What was drawn anew meanwhile
        // is looked for again, as a click does by itself.
        try {
          await this.scrollIntoViewIfNeeded();
        } catch (error) {
          if (tries === 4 || !/not attached/.test(String(error))) throw error;
          continue;
        }
        await plainly.call(this.and(this.page().locator(SETTLED)), options);
        // The second of two taps may well be refused, where the first led to something else.
        if (act === 'dblclick') return;
        // It moved between the look and the click: whoever sees it dimmed taps it again.
        if ((await this.page().locator('[data-settling="refused"]').count()) === 0) return;
      }
    };
  }
}
