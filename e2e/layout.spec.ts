import axe from 'axe-core';
import { gzipSync } from 'node:zlib';
import type { Page } from '@playwright/test';
import { expect, follow, openDemo, test, tooWide, WORKED_OUT } from './support';
import { OWN_PAGE } from './sharedPage';

const PLACES = [
  '/',
  '/water',
  '/water/nitrate',
  '/cycle',
  '/tanks',
  '/tanks/new',
  '/tanks/this',
  '/tanks/this/rock',
  '/instruments',
  '/instruments/new',
  '/data',
  '/data/spreadsheet',
  '/data/changes',
  '/data/devices',
  '/data/report',
  '/dosing',
  '/photos',
  '/calculators',
  '/calculators/salinity-raise',
  '/practice',
  '/practice/after',
  '/guide',
  '/guide/white-spots',
  '/journal',
  '/search',
  '/more',
  '/settings',
  '/log/test',
  '/log/dose',
  '/log/water-change',
  '/log/note',
  '/log/animals',
  '/log/sighting',
  '/log/calibration',
  '/log/paper',
  '/runs/build',
  '/catalogue/volitans-lionfish',
  '/stock',
  '/stock/add?species=firefish',
  '/stock/wishes',
  '/stock/growth',
  '/stock/corals',
  '/quarantine',
  '/quarantine/begin?species=firefish',
  '/acclimate?species=firefish',
  '/log/growth-measure',
  '/cycle/dose',
  '/cycle/method',
  '/cycle/challenge',
  '/cycle/programme',
  '/cycle/end',
  '/chores',
  '/chores/waterChange',
  '/away',
  '/emergency',
  '/moving/move',
  '/moving/add',
  '/costs',
  '/month',
];

/** Pages beside those, which at 320 px have the most to fit in. */
const CROWDED = [
  '/quarantine/medicines',
  '/quarantine/protocols',
  '/quarantine/outbreak',
  '/quarantine/readiness',
  '/runs/waterChange',
];

/**
 * What a page has of serious and critical barriers, each with where it stands. What looks for them is
 * brought into the page once, and not for every screen.
 * @param contrast whether colours are held against their grounds as well, which takes two thirds of the time
 */
async function barriers(page: Page, contrast: boolean): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  return page.evaluate(async (enabled) => {
    const { violations } = await (window as unknown as { axe: typeof axe }).axe.run({
      resultTypes: ['violations'],
      rules: { 'color-contrast': { enabled } },
    });
    return violations
      .filter((v) => v.impact === 'serious' || v.impact === 'critical')
      .map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`);
  }, contrast);
}

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const NARROW = { width: 320, height: 640 };

/** Resized, and drawn anew for it: what stood there at another size may fit by chance. */
async function sizedTo(page: Page, size: typeof DESK): Promise<void> {
  await page.setViewportSize(size);
  await page.evaluate(
    () => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))),
  );
}

/**
 * Walks the screens one after the other, each by day on a desk, then by night on a phone, then at the
 * narrowest width: what fails by night on a desk alone has not been seen. The app is loaded once a part,
 * since a reload at each screen would infer the filter bacteria anew.
 */
const SIZE = Math.ceil(PLACES.length / 3);
const PARTS = [0, 1, 2].map((part) => PLACES.slice(part * SIZE, (part + 1) * SIZE));
PARTS.forEach((places, part) => {
  test(
    `no screen has a serious barrier, and none is too wide (part ${part + 1})`,
    { tag: [OWN_PAGE.tag, WORKED_OUT.tag] },
    async ({ page }) => {
      test.setTimeout(240_000);
      await openDemo(page);
      for (const [nth, place] of places.entries()) {
        // All colours come from two sets of a dozen: each screen is looked at in one of them, in turn.
        const byDay = nth % 2 === 0;
        await sizedTo(page, DESK);
        await page.emulateMedia({ colorScheme: 'light' });
        await follow(page, place);
        expect(await tooWide(page), place).toEqual([]);
        expect(await barriers(page, byDay), place).toEqual([]);
        await sizedTo(page, PHONE);
        await page.emulateMedia({ colorScheme: 'dark' });
        await expect.poll(() => tooWide(page), { message: `${place} at 390 px` }).toEqual([]);
        expect(await barriers(page, !byDay), `${place} at 390 px`).toEqual([]);
        await sizedTo(page, NARROW);
        await expect.poll(() => tooWide(page), { message: `${place} at 320 px` }).toEqual([]);
      }
    },
  );
});

test(
  'what has the most to fit in is no wider than the narrowest phone',
  WORKED_OUT,
  async ({ page }) => {
    await page.setViewportSize(NARROW);
    await openDemo(page);
    for (const place of CROWDED) {
      await follow(page, place);
      expect(await tooWide(page), place).toEqual([]);
    }
  },
);

/** Fetched after Today can be used: the worker's jobs with their client, and what daily life rests on. */
const FOLLOWS = /\/(jobs|client|problem|stocking|dailyLife)-[^/]*\.js$/;

test(
  'the first load fetches at most 441 kB of script, gzipped, and 695 with what follows it',
  { tag: [OWN_PAGE.tag, WORKED_OUT.tag] },
  async ({ page }) => {
    // Phones save data here, and fetch nothing beforehand: what Today waits for is all there is.
    const fetched: Promise<{ follows: boolean; bytes: number }>[] = [];
    page.on('response', (response) => {
      if (!response.url().endsWith('.js')) return;
      const follows = FOLLOWS.test(response.url());
      fetched.push(
        response.body().then((body) => ({ follows, bytes: gzipSync(body, { level: 9 }).length })),
      );
    });
    await openDemo(page);
    await expect(page.getByRole('img', { name: /^The timeline of/ })).toBeVisible();
    // The forecast is the last of what follows.
    await expect(page.getByText(/8 in 10/).first()).toBeVisible();
    const files = await Promise.all(fetched);
    const sum = (such: (file: { follows: boolean }) => boolean) =>
      files.filter(such).reduce((total, { bytes }) => total + bytes, 0);
    const [first, all] = [sum(({ follows }) => !follows), sum(() => true)];
    const figures = {
      firstLoadKb: Math.round(first / 1000),
      withWhatFollowsKb: Math.round(all / 1000),
      files: files.length,
    };
    test.info().annotations.push({ type: 'first load', description: JSON.stringify(figures) });
    process.stdout.write(`${JSON.stringify(figures)}\n`);
    expect(first).toBeGreaterThan(300_000);
    expect(first).toBeLessThanOrEqual(441_000);
    expect(all).toBeLessThanOrEqual(695_000);
  },
);
