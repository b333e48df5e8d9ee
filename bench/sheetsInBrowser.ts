// The worker of sheets as it is built, in a real browser: from the text to the answer in the page, over the time
// that the parser alone takes there.
import { readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { clickWhatHasSettled } from '../e2e/clicks';
import { ensureBuild, ensureChromium } from '../scripts/lib/ensure.mjs';
import { createServer } from '../server/app';
import { listenFrom } from '../server/listen';
import { print, round3 } from './print';
import { context, sheet, tidy } from './sheetTexts';

const TURNS = 11;
const median = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1] ?? 0;

async function main(): Promise<void> {
  await ensureBuild();
  const { server, port } = await listenFrom(createServer('dist'), '127.0.0.1', 0);
  const base = `http://127.0.0.1:${port}`;
  const browser = await chromium.launch({
    executablePath: await ensureChromium(),
    args: ['--no-sandbox'],
  });
  const page = await browser.newPage();
  clickWhatHasSettled(page);
  await page.goto(`${base}/demo`);
  await page.waitForURL(`${base}/`);
  await page.goto(`${base}/data/spreadsheet`);
  await page.getByRole('button', { name: 'Paste cells' }).click();
  await page.getByLabel('Cells, as they were copied').fill('Date,Nitrate\n2026-03-05,5');
  const begun = page.waitForEvent('worker', (one) => one.url().includes('/sheets-'));
  await page.getByRole('button', { name: 'Read the cells' }).click();
  const worker = (await begun).url();
  const parser = await browser.newPage();
  await parser.addScriptTag({
    content: readFileSync('node_modules/papaparse/papaparse.min.js', 'utf8'),
  });
  for (const [what, text] of Object.entries({ 'a session a row': sheet, 'a test a row': tidy })) {
    const [alone, read]: [number[], number[]] = [[], []];
    let tests = 0;
    for (let turn = 0; turn < TURNS; turn += 1) {
      alone.push(
        await parser.evaluate((csv) => {
          const { Papa } = window as unknown as {
            Papa: { parse(csv: string, how: object): unknown };
          };
          const from = performance.now();
          Papa.parse(csv, { delimiter: ',' });
          return performance.now() - from;
        }, text),
      );
      const answer = await page.evaluate(
        ([url, csv, known]) =>
          new Promise<{ ms: number; tests: number }>((resolve) => {
            const wide = window as unknown as { bench?: Worker };
            wide.bench ??= new Worker(url as string);
            const from = performance.now();
            wide.bench.onmessage = ({ data }: MessageEvent) => {
              if (data.kind === 'read') {
                resolve({ ms: performance.now() - from, tests: data.result.readings.length });
              }
            };
            wide.bench.postMessage({
              ask: 'read',
              source: { from: 'paste', text: csv },
              mapping: null,
              context: known,
            });
          }),
        [worker, text, context] as const,
      );
      read.push(answer.ms);
      tests = answer.tests;
    }
    print('a sheet in the worker', {
      what,
      tests,
      parserMs: round3(median(alone)),
      readMs: round3(median(read)),
      ratio: round3(median(read) / median(alone)),
    });
  }
  await browser.close();
  server.close();
}

void main().catch((error: Error) => {
  process.stderr.write(`${error.stack ?? error.message}\n`);
  process.exit(1);
});
