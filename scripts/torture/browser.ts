import { readFileSync } from 'node:fs';
import { spawn, type ChildProcess } from 'node:child_process';
import { chromium, type Browser, type Page } from '@playwright/test';
import { clickWhatHasSettled } from '../../e2e/clicks';

const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';

/** A browser process with a profile that outlives it. */
export interface Living {
  browser: Browser;
  page: Page;
  /** Ends every process of it at once, as a power cut of the program would. */
  kill: () => Promise<void>;
}

function addressOf(child: ChildProcess): Promise<string> {
  return new Promise((resolve, reject) => {
    let text = '';
    child.stderr?.on('data', (data: Buffer) => {
      text += data.toString();
      const found = /DevTools listening on (\S+)/.exec(text);
      if (found?.[1]) resolve(found[1]);
    });
    child.on('exit', () => reject(new Error(`Chromium ended before it listened:\n${text}`)));
  });
}

/** Starts Chromium on a profile. @param wrap a program to run it under, with its arguments */
export async function startBrowser(profile: string, wrap: string[] = []): Promise<Living> {
  const [program = CHROMIUM, ...args] = [
    ...wrap,
    CHROMIUM,
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--remote-debugging-port=0',
    `--user-data-dir=${profile}`,
    'about:blank',
  ];
  const child = spawn(program, args, { stdio: ['ignore', 'ignore', 'pipe'], detached: true });
  const ended = new Promise<void>((resolve) => child.on('exit', () => resolve()));
  const browser = await chromium.connectOverCDP(await addressOf(child));
  const context = browser.contexts()[0] ?? (await browser.newContext());
  const page = context.pages()[0] ?? (await context.newPage());
  clickWhatHasSettled(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  return {
    browser,
    page,
    kill: async () => {
      if (child.pid !== undefined) process.kill(-child.pid, 'SIGKILL');
      await ended;
      await browser.close().catch(() => undefined);
    },
  };
}

/** The nth value of its own that a thermometer can show, °C. */
export const nthValue = (n: number): string => (20 + n / 100).toFixed(2);

/** Logs one temperature, and comes back once it is said to be saved. */
export async function logTemperature(page: Page, base: string, value: string): Promise<void> {
  await page.goto(`${base}/log/test`);
  const box = page.getByRole('main').getByRole('textbox', { name: 'Temperature', exact: true });
  await box.fill(value);
  await page.getByRole('button', { name: 'Save 1 reading' }).click();
  await page.getByRole('status').getByText('Saved 1 reading').waitFor();
}

/** Every temperature of the log as a page that was loaded anew exports it. */
export async function temperaturesOf(page: Page, base: string): Promise<string[]> {
  await page.goto(`${base}/data`);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export the whole log' }).click(),
  ]);
  const { records } = JSON.parse(readFileSync(await download.path(), 'utf8')) as {
    records: { body: { parameter?: string; value?: { value: number } } }[];
  };
  return records.flatMap(({ body }) =>
    body.parameter === 'temperature' && body.value ? [body.value.value.toFixed(2)] : [],
  );
}

/** What is missing of what was said to be saved, and what is there twice. */
export function compared(said: ReadonlySet<string>, found: readonly string[]) {
  const there = new Set(found);
  return {
    said: said.size,
    found: found.length,
    lost: [...said].filter((value) => !there.has(value)).length,
    doubled: found.length - there.size,
  };
}
