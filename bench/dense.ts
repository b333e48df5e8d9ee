// 500,000 samples beside 20,000 entries in a real browser: what opening the app costs with them and without, and what a pan of a year
// of minutes costs the page's own thread against one of an empty chart in the same run.
import 'fake-indexeddb/auto';
import { mkdtempSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromium, type Browser, type CDPSession, type Page } from '@playwright/test';
import { createStore, entries } from 'idb-keyval';
import { clickWhatHasSettled } from '../e2e/clicks';
import { createServer } from '../server/app';
import { standIns } from '../server/instruments/run';
import { listenFrom } from '../server/listen';
import { ensureBuild, ensureChromium } from '../scripts/lib/ensure.mjs';
import { samplesBeside } from '../src/storage/forgetSamples';
import { SampleStore } from '../src/storage/sampleStore';
import { toLogFile, writeLogFile } from '../src/core';
import { oneTank } from './oneTankLog';
import { print, round3 } from './print';

const SAMPLES = Number(process.env.SAMPLES ?? 500_000);
const ENTRIES = Number(process.env.ENTRIES ?? 20_000);
/** Pairs of openings, one without the samples and one with them: a machine drifts by more than they cost. */
const OPENINGS = 15;
const PANS = 15;
const MINUTE_MS = 60_000;
const PLACEHOLDER = 'connection';

/** Samples up to now in blocks, under a name that the browser's own takes the place of; free ammonia has none. */
async function blocks(): Promise<[string, string][]> {
  const store = new SampleStore('dense');
  const start = Date.now() - (SAMPLES + 1) * MINUTE_MS;
  for (let from = 1; from <= SAMPLES; from += 2000)
    await store.take(
      PLACEHOLDER,
      'bench',
      Array.from({ length: Math.min(2000, SAMPLES - from + 1) }, (_, n) => ({
        number: from + n,
        at: start + (from + n) * MINUTE_MS,
        values: {
          temperature: 25.5 + 0.5 * Math.sin((from + n) / 229) + 0.1 * Math.sin((from + n) * 7),
          ph: 8.1,
          salinity: 34.8,
        },
      })),
      0,
    );
  const raw = await entries<string, unknown>(createStore(samplesBeside('dense'), 'samples'));
  return raw.flatMap(([key, value]): [string, string][] =>
    value instanceof ArrayBuffer ? [[key, Buffer.from(value).toString('base64')]] : [],
  );
}

const middle = (values: readonly number[], share = 0.5): number =>
  [...values].sort((a, b) => a - b)[
    Math.min(values.length - 1, Math.floor(values.length * share))
  ] ?? 0;

async function threadTime(cdp: CDPSession): Promise<number> {
  const { metrics } = await cdp.send('Performance.getMetrics');
  const of = (wanted: string) => metrics.find(({ name }) => name === wanted)?.value ?? 0;
  return (of('TaskDuration') - of('DevToolsCommandDuration')) * 1000;
}

async function settled(page: Page, cdp: CDPSession): Promise<number> {
  let last = await threadTime(cdp);
  for (let quiet = 0; quiet < 400; quiet += 100) {
    await page.waitForTimeout(100);
    const now = await threadTime(cdp);
    if (now - last > 15) quiet = 0;
    last = now;
  }
  return last;
}

/** Opens a new page on Today, ms of its thread until it is quiet. */
async function opening(page: Page, base: string): Promise<number> {
  const fresh = await page.context().newPage();
  const cdp = await page.context().newCDPSession(fresh);
  await cdp.send('Performance.enable');
  await fresh.goto(`${base}/`);
  await fresh.getByRole('heading', { level: 1 }).waitFor();
  const cost = await settled(fresh, cdp);
  await fresh.close();
  return cost;
}

async function pans(page: Page, cdp: CDPSession, probe: string): Promise<number[]> {
  await page.getByText(probe, { exact: true }).first().click();
  await page.getByText('Year', { exact: true }).click();
  const chart = page.locator('[role="img"][tabindex="0"]');
  await chart.scrollIntoViewIfNeeded();
  await page.waitForTimeout(1000);
  const box = await chart.boundingBox();
  if (!box) throw new Error('There is no chart.');
  const costs: number[] = [];
  for (let n = 0; n < PANS; n += 1) {
    const before = await settled(page, cdp);
    const direction = n % 2 === 0 ? 1 : -1;
    const from = box.x + box.width / 2 - direction * 60;
    await page.mouse.move(from, box.y + 100);
    await page.mouse.down();
    for (let step = 1; step <= 24; step += 1)
      await page.mouse.move(from + direction * step * 5, box.y + 100);
    await page.mouse.up();
    costs.push((await settled(page, cdp)) - before);
  }
  return costs;
}

/** A browser's own store with the log in it and a monitor paired. */
async function prepared(
  browser: Browser,
  base: string,
  file: string,
): Promise<{ page: Page; id: string }> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  page.setDefaultTimeout(60_000);
  clickWhatHasSettled(page);
  await page.goto(`${base}/data`);
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Import a log or photos' }).click();
  await (await chooser).setFiles(file);
  await page.getByRole('button', { name: /^Import \d/ }).click();
  await page.getByText(/^Imported/).waitFor();
  await page.goto(`${base}/connected`);
  await page.getByRole('button', { name: 'Pair A monitor with four probes' }).click();
  const screen = await context.newPage();
  await screen.goto(`${base}/instruments/v1/monitor/screen`);
  const code = (await screen.locator('.code').getAttribute('data-code')) ?? '';
  await screen.close();
  await page.getByLabel('Code on its screen').fill(code);
  await page.getByRole('button', { name: 'Pair it' }).click();
  await page.waitForURL(/\/connected\/[0-9a-f-]{36}$/);
  return { page, id: page.url().split('/').at(-1) ?? '' };
}

async function putBlocks(page: Page, made: readonly (readonly [string, string])[]): Promise<void> {
  for (let from = 0; from < made.length; from += 200)
    await page.evaluate(
      async ({ some, database }) => {
        const db = await new Promise<IDBDatabase>((resolve) => {
          const asked = indexedDB.open(database);
          asked.onsuccess = () => resolve(asked.result);
        });
        const writing = db.transaction('samples', 'readwrite');
        for (const [key, text] of some)
          writing
            .objectStore('samples')
            .put(Uint8Array.from(atob(text), (sign) => sign.charCodeAt(0)).buffer, key);
        await new Promise((resolve) => (writing.oncomplete = resolve));
        db.close();
      },
      { some: made.slice(from, from + 200), database: samplesBeside('zoarium') },
    );
}

async function main(): Promise<void> {
  await ensureBuild();
  const instruments = standIns({ DAYS: '0', TOKENS: `/tmp/zoarium-bench-${process.pid}.json` });
  const { server, port } = await listenFrom(createServer('dist', instruments), '127.0.0.1', 0);
  const base = `http://127.0.0.1:${port}`;
  const browser = await chromium.launch({
    executablePath: await ensureChromium(),
    args: ['--no-sandbox'],
  });
  const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'zoarium-bench-')), 'log.json');
  const { revisions } = oneTank(ENTRIES, Date.now());
  writeFileSync(file, writeLogFile(toLogFile(revisions, new Date().toISOString())));
  const { page: bare } = await prepared(browser, base, file);
  const { page, id } = await prepared(browser, base, file);
  const made = await blocks();
  await putBlocks(
    page,
    made.map(([key, text]) => [key.replace(PLACEHOLDER, id), text]),
  );
  const without: number[] = [];
  const beside: number[] = [];
  for (let n = 0; n < OPENINGS; n += 1) {
    without.push(await opening(bare, base));
    beside.push(await opening(page, base));
  }
  await bare.context().close();

  await page.goto(`${base}/connected/${id}`);
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Performance.enable');
  await page.getByText('Year', { exact: true }).waitFor();
  // The first pass is not counted: the page still works on its log, and its code is not yet warm.
  await pans(page, cdp, 'Free ammonia');
  const empty = await pans(page, cdp, 'Free ammonia');
  const full = await pans(page, cdp, 'Temperature');
  print('dense', {
    samples: SAMPLES,
    entries: ENTRIES,
    blocks: made.length,
    openingWithoutMs: Math.round(middle(without)),
    openingWithMs: Math.round(middle(beside)),
    openingRatio: round3(middle(beside) / middle(without)),
    // The middle of the pairs' own ratios: what drifts, drifts for both of a pair.
    openingRatioOfPairs: round3(middle(beside.map((ms, n) => ms / (without[n] ?? ms)))),
    panOfNothingMs: Math.round(middle(empty)),
    panOfAYearMs: Math.round(middle(full)),
    panRatioMedian: round3(middle(full) / middle(empty)),
    panRatio95: round3(middle(full, 0.95) / middle(empty, 0.95)),
  });
  await browser.close();
  instruments.stop();
  server.close();
  process.exit(0);
}

void main();
