import { appendFileSync, cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Page } from '@playwright/test';
import { writeServiceWorker } from '../scripts/lib/serviceWorker.mjs';
import { createServer } from '../server/app';
import { listenFrom } from '../server/listen';
import { expect, follow, savedAndLeft, test, WORKED_OUT } from './support';

test.use({ serviceWorkers: 'allow' });

/** A server of one's own, which can be stopped. */
async function serve(root: string) {
  const { server, port } = await listenFrom(createServer(root), '127.0.0.1', 0);
  return {
    base: `http://127.0.0.1:${port}`,
    stop: () =>
      new Promise<void>((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}

/** One visit, until the device says that it is ready. */
async function visit(page: Page, base: string): Promise<void> {
  await page.goto(`${base}/demo`);
  await page.waitForURL(`${base}/`);
  await page.goto(`${base}/settings`);
  await expect(page.getByText(/^This device is ready for the tank room/)).toBeVisible();
}

/** A place of each piece that the app is fetched in: what else lies in a piece is there with it. */
const PLACES = [
  '/chores',
  '/emergency',
  '/cycle',
  '/cycle/dose',
  '/tanks',
  '/instruments',
  '/stock',
  '/calculators/salt-mix',
  '/log/paper',
  '/log/water-change',
  '/data',
  '/data/spreadsheet',
  '/photos',
  '/practice',
  '/guide',
  '/search',
  '/settings',
];

test(
  'after one visit every place opens with the server gone, and a test session is kept',
  WORKED_OUT,
  async ({ page }) => {
    const { base, stop } = await serve('dist');
    await visit(page, base);
    await stop();
    await page.goto(`${base}/`);
    // Loaded anew once; each other place fetches what is its own alone, as it does when it is first opened.
    for (const place of PLACES) {
      await follow(page, place);
      const main = page.getByRole('main');
      const anything = main.getByRole('heading').or(main.getByRole('button')).first();
      await expect(anything, place).toBeVisible();
      await expect(page.getByText('did not open'), place).toHaveCount(0);
    }
    // The forecast is worked out in a worker, whose file is kept as well.
    await page.goto(`${base}/cycle`);
    await expect(page.getByText(/8 in 10/).first()).toBeVisible();
    await page.goto(`${base}/log/test`);
    await page.getByRole('button', { name: 'Ammonia 0.25', exact: true }).click();
    await page.getByRole('button', { name: 'Save 1 reading' }).click();
    await savedAndLeft(page, 'Saved 1 reading');
    await page.goto(`${base}/`);
    await page.reload();
    await expect(page.getByRole('button', { name: /^Ammonia 0.25 ppm/ })).toBeVisible();
  },
);

test('a newer build is used when it is asked for, under a form half typed', async ({ page }) => {
  test.setTimeout(180_000);
  const root = mkdtempSync(path.join(tmpdir(), 'zoarium-build-'));
  cpSync('dist', root, { recursive: true });
  const { base, stop } = await serve(root);
  try {
    await visit(page, base);
    await page.goto(`${base}/log/note`);
    await page.getByLabel('What you saw or did').fill('Half a sentence, and');
    const style = () =>
      page.evaluate(async () => (await fetch('/theme.css', { cache: 'no-store' })).text());
    appendFileSync(path.join(root, 'theme.css'), '\n/* the newer build */\n');
    await writeServiceWorker(root);
    await page.evaluate(async () => (await navigator.serviceWorker.ready).update());
    await expect(page.getByText(/^A newer Zoarium is ready/)).toBeVisible();
    // Until it is asked for, nothing of it is served.
    expect(await style()).not.toContain('the newer build');
    const reloaded = page.waitForEvent('load');
    await page.getByRole('button', { name: 'Use it now' }).click();
    await reloaded;
    await expect(page.getByLabel('What you saw or did')).toHaveValue('Half a sentence, and');
    expect(await style()).toContain('the newer build');
    await expect(page.getByText(/^A newer Zoarium is ready/)).toHaveCount(0);
  } finally {
    await stop();
    rmSync(root, { recursive: true, force: true });
  }
});

test.describe('with the network taken away', () => {
  test.use({ loud: true });

  test('a page that does not start says so without any script, and is fetched anew', async ({
    page,
  }) => {
    const { base, stop } = await serve('dist');
    await page.route('**/*.js', (route) => route.abort());
    await page.goto(`${base}/water`);
    await expect(page.getByText('Zoarium has not started yet.')).toBeVisible();
    await page.unroute('**/*.js');
    await page.getByRole('link', { name: 'Fetch it anew' }).click();
    await expect(page.getByRole('button', { name: 'Set up my tank' })).toBeVisible();
    await expect(page.getByText('Zoarium has not started yet.')).toHaveCount(0);
    await stop();
  });

  test('an empty page that a device keeps is mended, and with no network says so', async ({
    page,
  }) => {
    const { base, stop } = await serve('dist');
    await visit(page, base);
    const emptied = () =>
      page.evaluate(async () => {
        for (const name of await caches.keys()) {
          const cache = await caches.open(name);
          for (const kept of await cache.keys()) {
            if (!new URL(kept.url).pathname.endsWith('/index.html')) continue;
            const headers = { 'Content-Type': 'text/html' };
            await cache.put(kept, new Response('', { headers }));
          }
        }
      });
    await emptied();
    await page.goto(`${base}/`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await emptied();
    await stop();
    await page.goto(`${base}/`);
    await expect(page.getByText(/there is no network to mend it/)).toBeVisible();
  });

  test('a first visit that is cut off opens by itself once the network is back', async ({
    page,
  }) => {
    const { base, stop } = await serve('dist');
    let cut = true;
    // What comes after the first three files, which is where a visit of two seconds ends.
    await page.route(/\/web\/(?!__|entry)[^/]*\.js$/, (route) =>
      cut ? route.abort() : route.continue(),
    );
    await page.goto(`${base}/calculators`);
    await expect(page.getByText('The network is gone.')).toBeVisible();
    cut = false;
    await expect(page.getByLabel('Find a sum')).toBeVisible();
    await expect(page.getByText('The network is gone.')).toBeHidden();
    await stop();
  });
});
