import { AxeBuilder } from '@axe-core/playwright';
import { gzipSync } from 'node:zlib';
import { expect, goTo, openDemo, openTestSheet, saved, test, tooWide } from './support';

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
  '/bench',
  '/bench/salinity-raise',
  '/guide',
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
  '/log/response',
  '/cycle/dose',
  '/cycle/method',
  '/cycle/challenge',
  '/cycle/programme',
  '/cycle/end',
  '/rhythm',
  '/rhythm/waterChange',
  '/away',
  '/emergency',
  '/moving/move',
  '/moving/add',
  '/costs',
  '/month',
];

// In parts, so that none of them is a long test on a slow machine.
const PARTS = [0, 8, 16, 24, 32, 40].map((from) => PLACES.slice(from, from + 8));
for (const scheme of ['light', 'dark'] as const) {
  PARTS.forEach((places, part) => {
    test(`no screen has a serious barrier (${scheme}, part ${part + 1})`, async ({ page }, {
      project,
    }) => {
      // Every screen by day, every screen by night, and every screen at both sizes: what fails in one of
      // the four and in no other has not been seen.
      test.skip((project.name === 'wide') !== (scheme === 'light'));
      test.setTimeout(240_000);
      await openDemo(page);
      await page.emulateMedia({ colorScheme: scheme });
      for (const place of places) {
        await page.goto(place);
        await expect(page.getByRole('main')).toBeVisible();
        await page.waitForLoadState('networkidle');
        const { violations } = await new AxeBuilder({ page }).analyze();
        const serious = violations
          .filter((v) => v.impact === 'serious' || v.impact === 'critical')
          .map(
            (v) =>
              `${place} ${scheme} ${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`,
          );
        expect(serious).toEqual([]);
      }
    });
  });
}

/** Pages beside those, which at 320 px have the most to fit in. */
const CROWDED = [
  '/quarantine/medicines',
  '/quarantine/protocols',
  '/quarantine/outbreak',
  '/quarantine/readiness',
  '/runs/waterChange',
];

[...PARTS, CROWDED].forEach((places, part) => {
  test(`nothing is wider than the narrowest phone (part ${part + 1})`, async ({ page }, {
    project,
  }) => {
    // One width is one width, whatever the project's is.
    test.skip(project.name === 'wide');
    test.setTimeout(120_000);
    await page.setViewportSize({ width: 320, height: 640 });
    await openDemo(page);
    for (const place of places) {
      await page.goto(place);
      await expect(page.getByRole('main')).toBeVisible();
      await page.waitForLoadState('networkidle');
      expect(await tooWide(page), place).toEqual([]);
    }
  });
});

test('the first load fetches at most 455 kB of script, gzipped', async ({ page }) => {
  // A browser that saves data fetches nothing beforehand: what Today waits for is all there is.
  await page.addInitScript({
    content: "Object.defineProperty(navigator, 'connection', { value: { saveData: true } })",
  });
  const bodies: Promise<Buffer>[] = [];
  page.on('response', (response) => {
    // The jobs run in a worker, which is fetched, with its client and what daily life rests on, after
    // Today can be used.
    const waits = !/\/(jobs|client|problem|stocking|dailyLife)-[^/]*\.js$/.test(response.url());
    if (waits && response.url().endsWith('.js')) bodies.push(response.body());
  });
  await openDemo(page);
  await expect(page.getByRole('img', { name: /^The course of/ })).toBeVisible();
  const sizes = (await Promise.all(bodies)).map((body) => gzipSync(body, { level: 9 }).length);
  const bytes = sizes.reduce((sum, size) => sum + size, 0);
  test.info().annotations.push({
    type: 'first load',
    description: `${Math.round(bytes / 1000)} kB in ${sizes.length} files`,
  });
  process.stdout.write(
    `${JSON.stringify({ firstLoadKb: Math.round(bytes / 1000), files: sizes.length })}\n`,
  );
  expect(bytes).toBeGreaterThan(300_000);
  expect(bytes).toBeLessThanOrEqual(455_000);
});

test('a place lies as it was left, and a tap on it leads to its top', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Cycle');
  const title = page.getByRole('heading', { level: 1 });
  await expect(title).toHaveText('Nitrite is turning.');
  await page.getByRole('button', { name: /^School:/ }).scrollIntoViewIfNeeded();
  await page.getByRole('button', { name: /^Method:/ }).hover();
  await page.mouse.wheel(0, 2000);
  await expect(title).not.toBeInViewport();
  await goTo(page, 'Water');
  await expect(title).not.toHaveText('Nitrite is turning.');
  await goTo(page, 'Cycle');
  await expect(title).toHaveText('Nitrite is turning.');
  await expect(title).not.toBeInViewport();
  await goTo(page, 'Cycle');
  await expect(title).toBeInViewport();
});

test('the cycle is judged criterion by criterion, by the school one chooses', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Cycle');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Nitrite is turning.');
  await page.getByRole('button', { name: /^Nitrite reads zero: not yet/ }).click();
  await expect(page.getByRole('dialog')).toContainText('What would settle it');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^School: both zero, held 7 days/ }).click();
  await page.getByRole('radio', { name: /^Challenge dose/ }).click();
  await page.getByRole('radio', { name: '48 h' }).click();
  await page.getByRole('button', { name: 'Judge it this way' }).click();
  await saved(page, 'Changed the school');
  await expect(page.getByRole('button', { name: /^Challenge passed/ })).toBeVisible();
  await page.getByRole('button', { name: 'As a table' }).click();
  await expect(page.getByRole('table')).toContainText('mg N/L');
});

test('units, bands and night are settings, and settings can be undone', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Settings');
  await page.getByRole('radio', { name: 'Night' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
  await page.getByRole('button', { name: 'All US' }).click();
  await goTo(page, 'Today');
  await expect(page.getByRole('button', { name: /55 gal net/ })).toBeVisible();
  await goTo(page, 'Settings');
  await page.getByRole('button', { name: 'Bands one by one' }).click();
  await page.getByRole('button', { name: /^Alkalinity/ }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('From').fill('6.5');
  await sheet.getByRole('button', { name: 'Use this band' }).click();
  await expect(page.getByText('6.5–9 dKH')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText('7.5–9 dKH')).toBeVisible();
});

test('a kit is described by its own card, and moves on the sheet', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Instruments');
  await page
    .getByRole('button', { name: /Ammonia card/ })
    .first()
    .click();
  await page.getByLabel('The steps on the card').fill('0 0.5 1 3 6');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await saved(page, 'Saved Ammonia card');
  await page.getByRole('button', { name: 'Move Ammonia card down' }).click();
  await saved(page, 'Moved Ammonia card');
  await openTestSheetAfterMove(page);
});

async function openTestSheetAfterMove(page: Parameters<typeof openTestSheet>[0]): Promise<void> {
  await openTestSheet(page);
  await expect(page.getByRole('button', { name: 'Ammonia 6', exact: true })).toBeVisible();
  const names = await page
    .getByRole('group', { name: /steps of the card/ })
    .evaluateAll((groups) => groups.map((group) => group.getAttribute('aria-label')));
  expect(names.slice(0, 2)).toEqual(['Nitrite, steps of the card', 'Ammonia, steps of the card']);
}

test('the course can be moved by keys and read as a table', async ({ page }) => {
  await openDemo(page);
  const course = page.getByRole('img', { name: /^The course of Kittiwake/ });
  // What the forecast and the plan add is drawn: the drawing is compared with itself below.
  await expect(course).toHaveAccessibleName(/Last fish/);
  await course.focus();
  const before = await course.innerHTML();
  await page.keyboard.press('+');
  await page.keyboard.press('ArrowLeft');
  await expect.poll(() => course.innerHTML()).not.toBe(before);
  await page.keyboard.press('0');
  await expect.poll(() => course.innerHTML()).toBe(before);
  await page.getByRole('button', { name: 'All milestones' }).click();
  await expect(page.getByRole('table', { name: 'Milestones' })).toContainText('Ammonia clear');
});

test('an address that leads nowhere says so', async ({ page }) => {
  await openDemo(page);
  await page.goto('/nowhere/at/all');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    'There is nothing at this address.',
  );
  await page.goto('/log/entry/00000000-0000-7000-8000-000000000000');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('This entry is gone.');
});
