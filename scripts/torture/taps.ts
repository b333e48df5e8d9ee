import { readFileSync } from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import { clickWhatHasSettled } from '../../e2e/clicks';

type Records = Record<string, number>;

interface Case {
  path: string;
  /** Fills in what the form needs. */
  fill?: (page: Page) => Promise<void>;
  button: string | RegExp;
  /** What one tap writes: revisions of this type, or of entries of this kind. */
  writes: string;
}

const entry = (path: string, kind: string, name: string, fill?: Case['fill']): Case => ({
  path: `/log/${path}`,
  fill,
  button: `Save the ${name}`,
  writes: kind,
});
const text = (label: string, value: string) => (page: Page) =>
  page.getByLabel(label, { exact: true }).fill(value);

/** Every button that saves. */
const CASES: readonly Case[] = [
  {
    path: '/tanks/new',
    fill: async (page) => {
      await text('Name', 'Twice')(page);
      await page.getByLabel('Volume on the label').fill('200');
    },
    button: 'Set up this tank',
    writes: 'tank',
  },
  {
    path: '/instruments/new',
    fill: async (page) => {
      await text('Name', 'Twice')(page);
      await page.getByLabel('Steps', { exact: false }).first().fill('0 1 2');
    },
    button: 'Save',
    writes: 'kit',
  },
  {
    path: '/log/test',
    fill: (page) =>
      page
        .getByRole('main')
        .getByRole('button', { name: 'Ammonia 1', exact: true })
        .first()
        .click(),
    button: 'Save 1 reading',
    writes: 'reading',
  },
  entry('dose', 'dose', 'dose', async (page) => {
    await page.getByRole('radio', { name: 'By the rise' }).click();
    await text('How much', '1')(page);
  }),
  entry('water-change', 'waterChange', 'water change', text('Water changed', '20')),
  entry('feed', 'feed', 'feeding'),
  entry('top-off', 'topOff', 'top-off', text('Water added', '2')),
  entry('animals', 'animals', 'animals', text('What they are', 'Snails')),
  entry('observation', 'observation', 'observation', text('What you saw', 'A film')),
  entry('sighting', 'sighting', 'growth'),
  entry('light', 'light', 'light'),
  entry('lid', 'lid', 'lid'),
  entry('heater-check', 'heaterCheck', 'heater check'),
  entry('treatment', 'treatment', 'treatment'),
  entry('note', 'note', 'note', text('What you saw or did', 'Twice')),
  {
    path: '/cycle/method',
    button: 'Cycle it this way',
    writes: 'tank',
    fill: (page) => page.getByRole('radio', { name: /^A raw prawn/ }).click(),
  },
  {
    path: '/cycle',
    fill: async (page) => {
      await page.getByRole('button', { name: /^School:/ }).click();
      await page
        .getByRole('radio', { name: /^Both zero(?!,)/ })
        .first()
        .click();
    },
    button: 'Judge it this way',
    writes: 'tank',
  },
  {
    path: '/cycle/programme',
    fill: async (page) => {
      await text('First day, for 100 L', '50')(page);
      await text('Later, for 100 L', '10')(page);
    },
    button: 'Keep this programme',
    writes: 'tank',
  },
  { path: '/settings', button: /^Night$/, writes: 'settings' },
];

async function recordsOf(page: Page, base: string): Promise<Records> {
  await page.goto(`${base}/data`);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export the whole log' }).click(),
  ]);
  const { records } = JSON.parse(readFileSync(await download.path(), 'utf8')) as {
    records: { type: string; body: { kind?: string } }[];
  };
  const counts: Records = {};
  for (const { type, body } of records) {
    const key = type === 'entry' ? (body.kind ?? '') : type;
    counts[key] = (counts[key] ?? 0) + 1;
  }
  return counts;
}

/** Taps every saving button twice, as fast as a finger can, and counts what was written. */
export async function torturedByTaps(base: string) {
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox'],
  });
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  clickWhatHasSettled(page);
  page.setDefaultTimeout(15_000);
  await page.goto(`${base}/demo`);
  await page.waitForURL(`${base}/`);
  const wrong: string[] = [];
  let before = await recordsOf(page, base);
  for (const { path, fill, button, writes } of CASES) {
    const label = `${path} ${String(button)}`;
    try {
      await page.goto(`${base}${path}`);
      await fill?.(page);
      const role = path === '/settings' ? 'radio' : 'button';
      await page.getByRole(role, { name: button, exact: true }).dblclick({ noWaitAfter: true });
      await page.getByRole('status').getByText(/./).first().waitFor();
    } catch (error) {
      wrong.push(`${label}: not reached (${String(error).split('\n')[0]})`);
    }
    const after = await recordsOf(page, base);
    const written = (after[writes] ?? 0) - (before[writes] ?? 0);
    if (written !== 1) wrong.push(`${label}: wrote ${written} of ${writes}`);
    before = after;
  }
  await browser.close();
  return { buttons: CASES.length, wrong };
}
