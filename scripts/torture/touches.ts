import { chromium, type CDPSession, type Page } from '@playwright/test';
import { PROCEDURES } from '../../src/core/runs/procedures';
import { SETTLES_MS } from '../../src/ui/press/settling';
import { clickWhatHasSettled } from '../../e2e/clicks';

/** Between two taps of a finger, ms. */
const GAPS = [60, 120, 200, 300] as const;
/** Lists, each with rows that something is done by. */
const LISTS = [
  '/',
  '/chores',
  '/data',
  '/stock',
  '/stock/wishes',
  '/quarantine',
  '/instruments',
  '/tanks',
  '/emergency',
  '/more',
  '/water',
  '/cycle',
  '/catalogue',
  '/log/test',
  '/calculators',
  '/settings',
];
/** Acts that leave the page for the system, which a tap by a program must not. */
const OUTSIDE = /Export|Import|Print|calendar|Erase|photo|Leave the demo/i;

interface Second {
  /** What the second tap hit, and whether it was the same thing in the same place as before the first. */
  name: string;
  kept: boolean;
  taken: boolean;
  /** Between the two as the page had them, ms: a busy machine makes more of it. */
  gap: number;
}

/**
 * Listens in the page for what each tap hits: told from outside, and not by what guards the targets. As a
 * text, since a function would bring along helpers that the page does not have.
 */
const LISTEN = `
  window.taps = [];
  const ids = new WeakMap();
  let next = 0;
  addEventListener('click', (event) => {
    const target = event.target instanceof Element
      ? event.target.closest('button, a, [role="button"], [role="radio"], [role="checkbox"], [role="link"]')
      : null;
    if (!target) return;
    if (!ids.has(target)) ids.set(target, next += 1);
    const { top, left } = target.getBoundingClientRect();
    const name = target.getAttribute('aria-label') ?? target.textContent ?? '';
    const tap = {
      id: ids.get(target),
      name,
      act: name.replace(/\\d+/g, '#'),
      page: location.pathname + ' ' + (document.querySelector('h1')?.textContent ?? ''),
      top,
      left,
      refused: false,
      at: event.timeStamp,
    };
    window.taps.push(tap);
    setTimeout(() => { tap.refused = target.getAttribute('data-settling') === 'refused'; }, 0);
  }, { capture: true });
`;

async function tapAt(cdp: CDPSession, x: number, y: number): Promise<void> {
  const touchPoints = [{ x, y }];
  await cdp.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints });
  await cdp.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
}

/** Taps one target twice, and tells what the second tap came to; null where it hit nothing. */
async function twice(
  page: Page,
  cdp: CDPSession,
  nth: number,
  gap: number,
): Promise<Second | null> {
  const targets = page.getByRole('main').locator('button, [role="button"], [role="radio"]');
  const target = targets.nth(nth);
  const name = (await target.getAttribute('aria-label')) ?? (await target.innerText());
  if (OUTSIDE.test(name)) return null;
  await target.scrollIntoViewIfNeeded();
  await page.waitForFunction(
    (one) => !one?.hasAttribute('data-settling'),
    await target.elementHandle(),
  );
  const box = await target.boundingBox();
  if (!box) return null;
  const [x, y] = [box.x + box.width / 2, box.y + Math.min(box.height / 2, 40)];
  await page.evaluate(() => {
    (window as unknown as { taps: object[] }).taps = [];
  });
  await tapAt(cdp, x, y);
  await page.waitForTimeout(gap);
  await tapAt(cdp, x, y);
  await page.waitForTimeout(120);
  const taps = (await page.evaluate(() => (window as unknown as { taps: object[] }).taps)) as {
    id: number;
    name: string;
    act: string;
    page: string;
    top: number;
    left: number;
    refused: boolean;
    at: number;
  }[];
  const after = await page.evaluate(
    () => `${location.pathname} ${document.querySelector('h1')?.textContent ?? ''}`,
  );
  const [first, second] = taps;
  if (!first || !second) return null;
  const kept =
    first.id === second.id &&
    first.act === second.act &&
    // One that leads onward by itself acted twice where the page went on after the second tap as well.
    (first.page === second.page || second.page === after) &&
    Math.abs(first.top - second.top) <= 8 &&
    Math.abs(first.left - second.left) <= 8;
  return { name: second.name, kept, taken: !second.refused, gap: second.at - first.at };
}

/**
 * Every list and every run, by touch: a random target of each is tapped twice within the gaps of a
 * finger. Wrong is a second tap that was taken by what it did not aim at, and one refused by what kept
 * its identity, act and place.
 * Control: make `refuses` in ui/press/guard answer false, or take the key of a step from its controls in
 * Running: both are found here.
 */
export async function torturedByTouches(base: string, rounds: number, chance: () => number) {
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox'],
  });
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  clickWhatHasSettled(page);
  page.setDefaultTimeout(15_000);
  await page.addInitScript({ content: LISTEN });
  const cdp = await context.newCDPSession(page);
  await page.goto(`${base}/demo`);
  await page.waitForURL(`${base}/`);
  const places = [...LISTS, ...Object.keys(PROCEDURES).map((id) => `/runs/${id}`)];
  const wrong: string[] = [];
  let [tapped, slid] = [0, 0];
  for (let round = 0; round < rounds; round += 1) {
    for (const place of places) {
      const gap = GAPS[Math.floor(chance() * GAPS.length)] ?? 120;
      try {
        await page.goto(`${base}${place}`);
        await page.getByRole('main').locator('button').first().waitFor();
        const begin = page.getByRole('main').getByRole('button', { name: 'Begin', exact: true });
        if (place.startsWith('/runs/') && (await begin.count())) await begin.click();
        await page.waitForTimeout(500);
        const count = await page
          .getByRole('main')
          .locator('button, [role="button"], [role="radio"]')
          .count();
        const second = await twice(page, cdp, Math.floor(chance() * count), gap);
        if (!second) continue;
        if (second.gap >= SETTLES_MS) continue;
        tapped += 1;
        if (!second.kept) slid += 1;
        if (!second.kept && second.taken) wrong.push(`${place}, ${gap} ms: took ${second.name}`);
        if (second.kept && !second.taken) wrong.push(`${place}, ${gap} ms: lost ${second.name}`);
      } catch (error) {
        wrong.push(`${place}: not reached (${String(error).split('\n')[0]})`);
      }
    }
  }
  await browser.close();
  return { places: places.length, tapped, slid, wrong };
}
