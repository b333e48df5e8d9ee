import { AxeBuilder } from '@axe-core/playwright';
import { gzipSync } from 'node:zlib';
import { expect, openDemo, test, tooWide } from './support';

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
    test(`no screen has a serious barrier, and none is too wide (${scheme}, part ${part + 1})`, async ({
      page,
    }, { project }) => {
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
        expect(await tooWide(page), place).toEqual([]);
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

test('the first load fetches at most 455 kB of script, gzipped', async ({ page }, { project }) => {
  test.skip(project.name === 'wide');
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
