// What the app costs the page's own thread in a real browser: a tick, an act and an opening with one
// long log, changes of place, and what a thousand of them leave on the heap.
import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromium, type CDPSession, type Page } from '@playwright/test';
import { createServer } from '../server/app';
import { listenFrom } from '../server/listen';
import { ensureBuild, ensureChromium } from '../scripts/lib/ensure.mjs';
import { toLogFile, writeLogFile } from '../src/core';
import { oneTank } from './oneTankLog';
import { print } from './print';
import { clickWhatHasSettled } from '../e2e/clicks';

const SIZES = (process.env.SIZES ?? '1000,50000').split(',').map(Number);
const VISITS = Number(process.env.VISITS ?? 1000);
const PLACES = ['Water', 'Animals', 'More', 'Today'] as const;
const QUIET_MS = 400;

/** Tasks of the page's thread, its longest and their sum, ms, until it was quiet for a while. */
async function busy(page: Page, cdp: CDPSession, act: () => Promise<unknown>, opens = false) {
  const time = async () => {
    const { metrics } = await cdp.send('Performance.getMetrics');
    const of = (wanted: string) => metrics.find(({ name }) => name === wanted)?.value ?? 0;
    // What the bench itself asks of the page through its own wire is no work of the app.
    return (of('TaskDuration') - of('DevToolsCommandDuration')) * 1000;
  };
  await page.evaluate(() => {
    (window as unknown as { longest: number }).longest = 0;
  });
  const before = opens ? 0 : await time();
  await act();
  let last = await time();
  for (let quiet = 0; quiet < QUIET_MS; quiet += 100) {
    await page.waitForTimeout(100);
    const now = await time();
    if (now - last > 15) quiet = 0;
    last = now;
  }
  const longest = await page
    .evaluate(() => (window as unknown as { longest?: number }).longest ?? 0)
    .catch(() => 0);
  return { sum: Math.round(last - before), longest: Math.round(longest) };
}

async function opened(base: string) {
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--js-flags=--expose-gc'],
  });
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    serviceWorkers: 'block',
    timezoneId: 'Europe/Berlin',
  });
  const page = await context.newPage();
  clickWhatHasSettled(page);
  page.setDefaultTimeout(120_000);
  await page.addInitScript(() => {
    const known = window as unknown as { longest: number };
    known.longest = 0;
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) {
        known.longest = Math.max(known.longest, duration);
      }
    }).observe({ entryTypes: ['longtask'] });
  });
  const cdp = await context.newCDPSession(page);
  await cdp.send('Performance.enable');
  await page.goto(`${base}/demo`);
  await page.waitForURL(`${base}/`);
  return { browser, page, cdp };
}

async function longLog(base: string, size: number): Promise<void> {
  const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'zoarium-bench-')), 'log.json');
  const { revisions } = oneTank(size, Date.now());
  writeFileSync(file, writeLogFile(toLogFile(revisions, new Date().toISOString())));
  const { browser, page, cdp } = await opened(base);
  await page.getByRole('button', { name: 'Leave the demo' }).click();
  await page.goto(`${base}/data`);
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Import a log or photos' }).click();
  await (await chooser).setFiles(file);
  await page.getByRole('button', { name: /^Import \d/ }).click();
  await page.getByText(/^Imported/).waitFor();
  const open = await busy(
    page,
    cdp,
    async () => {
      await page.goto(`${base}/`);
      await page.getByRole('heading', { level: 1 }).waitFor();
    },
    true,
  );
  await page.getByRole('link', { name: 'Today' }).click();
  const tick = await busy(page, cdp, () =>
    page.evaluate(() => {
      // A minute later, as the clock of the app sees it.
      const real = Date.now;
      Date.now = () => real() + 60_000;
      document.dispatchEvent(new Event('visibilitychange'));
    }),
  );
  await page.goto(`${base}/log/note`);
  await page.getByLabel('What you saw or did').fill('Bench');
  const save = await busy(page, cdp, async () => {
    await page.getByRole('button', { name: 'Save the note' }).click();
    await page.getByText('Saved the note').waitFor();
  });
  await page.goto(`${base}/data`);
  await page.getByRole('button', { name: 'Make a copy now' }).waitFor();
  const copy = await busy(page, cdp, async () => {
    await page.getByRole('button', { name: 'Make a copy now' }).click();
    await page.getByRole('button', { name: /^The copy of today/ }).waitFor();
  });
  await page.goto(`${base}/search`);
  const field = page.getByLabel('What are you looking for?');
  await field.click();
  // The first letter prepares the lines of the entries, which are kept with the log.
  const first = await busy(page, cdp, () => page.keyboard.type('n'));
  const letters: number[] = [];
  for (const letter of 'itrate low on a friday') {
    letters.push((await busy(page, cdp, () => page.keyboard.type(letter))).sum);
  }
  const inOrder = letters.sort((a, b) => a - b);
  const letter = { median: inOrder[inOrder.length >> 1], most: inOrder.at(-1) };
  print('one tank in a page', {
    readings: size,
    open,
    tick,
    save,
    copy,
    search: { first, letter },
  });
  await browser.close();
}

async function places(base: string): Promise<void> {
  const { browser, page, cdp } = await opened(base);
  await page.waitForTimeout(3000);
  const link = (place: string) =>
    page
      .getByRole('navigation', { name: 'Places' })
      .getByRole('link', { name: place, exact: true });
  const go = (place: string) => link(place).click();
  const at = new Map<string, { x: number; y: number }>();
  for (const place of PLACES) {
    const box = await link(place).boundingBox();
    if (!box) throw new Error(`${place} is not in the bar`);
    at.set(place, { x: box.x + box.width / 2, y: box.y + box.height / 2 });
  }
  // By the mouse's own messages: what finds and scrolls to a link for a test runs in the page as well.
  const tap = async (place: string) => {
    const position = { ...at.get(place)!, button: 'left', clickCount: 1 } as const;
    await cdp.send('Input.dispatchMouseEvent', { ...position, type: 'mousePressed' });
    await cdp.send('Input.dispatchMouseEvent', { ...position, type: 'mouseReleased' });
  };
  print('nothing done', await busy(page, cdp, async () => undefined));
  print('tapping the place one is in', await busy(page, cdp, () => tap('Today')));
  for (const visit of ['first', 'second', 'third', 'fourth', 'fifth', 'sixth']) {
    const sums: Record<string, unknown> = {};
    for (const place of PLACES) sums[place] = await busy(page, cdp, () => tap(place));
    print('a change of place', { visit, ...sums });
  }
  const heap = async () => {
    await cdp.send('HeapProfiler.collectGarbage');
    const { metrics } = await cdp.send('Performance.getMetrics');
    return (
      Math.round((metrics.find(({ name }) => name === 'JSHeapUsedSize')?.value ?? 0) / 1e5) / 10
    );
  };
  const heaps = [await heap()];
  for (let n = 1; n <= VISITS; n += 1) {
    await go(PLACES[n % PLACES.length] ?? 'Today');
    await page.getByRole('main').waitFor();
    if (n % Math.ceil(VISITS / 10) === 0) heaps.push(await heap());
  }
  print('heap over changes of place, MB', { visits: VISITS, heaps });
  await browser.close();
}

async function main(): Promise<void> {
  await ensureBuild();
  process.env.CHROMIUM = await ensureChromium();
  // The address of another build that is served, to be measured in turn.
  const given = process.env.BASE;
  const own = given ? null : await listenFrom(createServer('dist'), '127.0.0.1', 0);
  const base = given ?? `http://127.0.0.1:${own?.port}`;
  if (process.env.PART !== 'long') await places(base);
  if (process.env.PART !== 'places') for (const size of SIZES) await longLog(base, size);
  own?.server.close();
}

void main().catch((error: Error) => {
  process.stderr.write(`${error.stack ?? error.message}\n`);
  process.exit(1);
});
