import { spawn, type ChildProcess } from 'node:child_process';
import { chromium, type Browser, type Page } from '@playwright/test';

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

/** Logs one reading of ammonia, and comes back once it is said to be saved. */
export async function logAmmonia(page: Page, base: string, step: string): Promise<void> {
  if (!page.url().endsWith('/log/test')) await page.goto(`${base}/log/test`);
  await page.getByRole('button', { name: `Ammonia ${step}`, exact: true }).click();
  await page.getByRole('button', { name: 'Save 1 reading' }).click();
  await page.getByRole('status').getByText('Saved 1 reading').waitFor();
}

/** Readings of ammonia that a page shows after it was loaded anew. */
export async function countAmmonia(page: Page, base: string): Promise<number> {
  await page.goto(`${base}/water/ammonia`);
  const words = page.getByText(/^\d+ readings?$/);
  await words.or(page.getByText('Ammonia is not measured yet.')).first().waitFor();
  return (await words.count()) === 0 ? 0 : Number.parseInt(await words.first().innerText(), 10);
}
