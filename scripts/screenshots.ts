import { chromium, type Page } from '@playwright/test';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { clickWhatHasSettled } from '../e2e/clicks';
import { pair } from '../e2e/pairing';
import { createServer } from '../server/app';
import { standIns } from '../server/instruments/run';
import { listenFrom } from '../server/listen';
import path from 'node:path';

/** The main views, from the demo: file name, size, theme, address, and what to do first. */
interface View {
  name: string;
  size: 'phone' | 'wide';
  theme?: 'light' | 'dark';
  address: string;
  first?: (page: Page) => Promise<void>;
}

const SIZES = { phone: { width: 390, height: 844 }, wide: { width: 1280, height: 800 } };

/** Views that are meant, by their names; all of them where none is named. */
const NAMED = process.argv.slice(2);

/** Waits for the forecast, which is worked out after the page is there. */
async function forecastShown(page: Page): Promise<void> {
  await page.getByText(/This tank clears/).waitFor();
}

async function aheadShown(page: Page): Promise<void> {
  await page.getByText(/It should be clear/).waitFor();
}

/** Goes to the stocked tank, and waits for its plan. */
async function stockShown(page: Page): Promise<void> {
  await page.getByRole('button', { name: /Switch tank$/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Fulmar/ })
    .click();
  await page.getByRole('button', { name: /^Mandarin dragonet, / }).waitFor();
  await page.getByRole('img', { name: /^made now/ }).waitFor();
}

const VIEWS: View[] = [
  { name: 'today', size: 'phone', address: '/', first: aheadShown },
  { name: 'today-night', size: 'phone', theme: 'dark', address: '/', first: aheadShown },
  { name: 'today-wide', size: 'wide', address: '/', first: aheadShown },
  {
    name: 'test-sheet',
    size: 'phone',
    address: '/log/test',
    first: async (page) => {
      await page.getByRole('button', { name: 'Ammonia 0', exact: true }).click();
      await page.getByRole('button', { name: 'Nitrite between 0.25 and 0.5', exact: true }).click();
      await page.getByRole('button', { name: /wait for Nitrate/ }).click();
    },
  },
  { name: 'cycle', size: 'phone', address: '/cycle', first: forecastShown },
  { name: 'cycle-wide', size: 'wide', address: '/cycle', first: forecastShown },
  {
    name: 'practice',
    size: 'phone',
    address: 'own:/practice?begin=bottleInSun',
    first: async (page) => {
      await page.getByRole('button', { name: 'Begin', exact: true }).click();
      await page.getByRole('button', { name: 'Log', exact: true }).click();
      await page.getByRole('button', { name: /minute wait for Ammonia$/ }).click();
      await page.getByRole('button', { name: /min for Ammonia card pass$/ }).click();
      await page.getByText('read it now').first().waitFor();
      await page.getByRole('button', { name: 'Dismiss' }).click();
    },
  },
  { name: 'water', size: 'phone', address: '/water' },
  {
    name: 'report-wide',
    size: 'wide',
    address: '/data/report',
    first: (page) => page.getByRole('img', { name: /^Salinity over time/ }).waitFor(),
  },
  { name: 'calculator', size: 'phone', address: '/calculators/water-change' },
  {
    name: 'monitor',
    size: 'phone',
    address: '/connected',
    first: async (page) => {
      await (await pair(page, 'A monitor with four probes', 'monitor')).close();
      // What its pairing says would stand over the chart.
      await page.getByRole('button', { name: 'Dismiss' }).click();
      await page.getByText(/^Measured at/).waitFor();
      await page
        .getByRole('img', { name: /Temperature as the probe measured it/ })
        .evaluate((chart) => chart.scrollIntoView({ block: 'center' }));
    },
  },
  {
    name: 'quarantine',
    size: 'phone',
    address: '/quarantine',
    first: async (page) => {
      await page.getByRole('button', { name: /^Spare tank: / }).click();
      await page.getByRole('img', { name: /clear days of/ }).waitFor();
    },
  },
  {
    name: 'add',
    size: 'phone',
    address: '/stock/add?species=mandarin-dragonet',
    first: (page) => page.getByRole('heading', { name: /^Not before/ }).waitFor(),
  },
  { name: 'stock', size: 'phone', address: '/stock', first: stockShown },
  { name: 'stock-wide', size: 'wide', address: '/stock', first: stockShown },
  {
    name: 'chores',
    size: 'phone',
    address: '/chores',
    first: (page) => page.getByRole('img', { name: /^week of/ }).waitFor(),
  },
  {
    name: 'emergency',
    size: 'phone',
    address: '/emergency',
    first: async (page) => {
      await page.getByRole('button', { name: /^Power cut/ }).click();
      await page.getByRole('heading', { name: 'Heater and lights unplugged.' }).waitFor();
    },
  },
  {
    name: 'month',
    size: 'phone',
    address: '/month',
    first: async (page) => {
      await page.getByRole('button', { name: /Switch tank$/ }).click();
      await page
        .getByRole('dialog')
        .getByRole('button', { name: /^Fulmar/ })
        .click();
      await page.getByRole('button', { name: 'Print it' }).waitFor();
    },
  },
  {
    name: 'welcome',
    size: 'phone',
    address: 'own:/',
    first: (page) => page.getByRole('button', { name: 'Set up my tank' }).waitFor(),
  },
];

async function main(): Promise<void> {
  const kept = mkdtempSync(path.join(tmpdir(), 'zoarium-'));
  const instruments = standIns({ DAYS: '1', TOKENS: path.join(kept, 'tokens.json') });
  const app = createServer(path.resolve('dist'), instruments);
  const { server, port } = await listenFrom(app, '127.0.0.1', 0);
  const base = `http://127.0.0.1:${port}`;
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-background-networking'],
  });
  mkdirSync('docs/screenshots', { recursive: true });
  const meant = VIEWS.filter(({ name }) => NAMED.length === 0 || NAMED.includes(name));
  for (const view of meant) {
    const context = await browser.newContext({
      viewport: SIZES[view.size],
      colorScheme: view.theme ?? 'light',
      locale: 'en-GB',
      timezoneId: 'Europe/Berlin',
      serviceWorkers: 'block',
    });
    const page = await context.newPage();
    clickWhatHasSettled(page);
    const own = view.address.startsWith('own:');
    if (!own) {
      await page.goto(`${base}/demo`);
      await page.waitForURL(`${base}/`);
    }
    await page.goto(base + view.address.replace('own:', ''));
    await page.getByRole('main').waitFor();
    await page.waitForLoadState('networkidle');
    await view.first?.(page);
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: `docs/screenshots/${view.name}.png` });
    await context.close();
  }
  await browser.close();
  instruments.stop();
  server.close();
  rmSync(kept, { recursive: true, force: true });
  process.stdout.write(`${meant.length} pictures in docs/screenshots\n`);
}

void main();
