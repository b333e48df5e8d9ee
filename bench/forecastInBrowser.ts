// How long the worker takes in a real browser for a forecast from forty readings, twice, and which task of the
// page's own thread is the longest while another rule for done asks for one.
import { chromium } from '@playwright/test';
import { askTheWorker, workerFile } from '../e2e/askTheWorker';
import { clickWhatHasSettled } from '../e2e/clicks';
import { goTo, openDemo } from '../e2e/support';
import { ensureBuild, ensureChromium } from '../scripts/lib/ensure.mjs';
import { createServer } from '../server/app';
import { listenFrom } from '../server/listen';
import { fortyReadings } from '../src/testing/heldOut/plainLife';
import { print } from './print';

async function main(): Promise<void> {
  await ensureBuild();
  const { server, port } = await listenFrom(createServer('dist'), '127.0.0.1', 0);
  const browser = await chromium.launch({
    executablePath: await ensureChromium(),
    args: ['--no-sandbox'],
  });
  const page = await browser.newPage({
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
  });
  clickWhatHasSettled(page);
  // What runs this file names the functions that it hands over to the page.
  await page.addInitScript('globalThis.__name ??= (named) => named');
  await page.goto('/icon.svg');
  const problem = fortyReadings();
  for (const time of ['first', 'again']) {
    const { bytes, inferMs, foretellMs } = await askTheWorker(page, workerFile(), problem);
    print('forecast in the worker', { time, bytes, inferMs, foretellMs, wantedMs: 1500 });
  }

  await openDemo(page);
  await goTo(page, 'Cycle');
  await page.getByText(/This tank clears/).waitFor();
  const figure = page.getByRole('button', { name: /^Ready by your rule for done:/ });
  const before = await figure.innerText();
  await page.getByRole('button', { name: /^Rule for done:/ }).click();
  await page.getByRole('radio', { name: /^Challenge dose/ }).click();
  await page.evaluate(() => {
    const seen = { tap: 0, tasks: [] as [from: number, ms: number][] };
    Object.assign(window, { seen });
    addEventListener('click', () => (seen.tap = performance.now()), true);
    new PerformanceObserver((list) => {
      for (const { startTime, duration } of list.getEntries())
        seen.tasks.push([startTime, Math.round(duration)]);
    }).observe({ type: 'longtask' });
  });
  await page.getByRole('button', { name: 'Judge it this way' }).click();
  while ((await figure.innerText()) === before) await page.waitForTimeout(100);
  const { tap, tasks } = await page.evaluate(
    () => (window as unknown as { seen: { tap: number; tasks: [number, number][] } }).seen,
  );
  // The forecast is asked for a moment after the tap; what the tap itself draws comes before it.
  const longest = (list: [number, number][]) => Math.max(0, ...list.map(([, ms]) => ms));
  print('longest task of the page', {
    atTheTapMs: longest(tasks.filter(([from]) => from < tap + 150)),
    whileAForecastRunsMs: longest(tasks.filter(([from]) => from >= tap + 150)),
    wantedMs: 100,
  });
  await browser.close();
  server.close();
}

void main().catch((error: Error) => {
  process.stderr.write(`${error.stack ?? error.message}\n`);
  process.exit(1);
});
