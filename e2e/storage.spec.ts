import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromium, type Page } from '@playwright/test';
import {
  expect,
  follow,
  goTo,
  logAmmonia,
  openDemo,
  openTestSheet,
  saved,
  setUpTank,
  test,
} from './support';
import { OWN_PAGE } from './sharedPage';

const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';

/** Runs work on the object store of the log's database. */
async function inDatabase<T>(page: Page, name: string, work: string): Promise<T> {
  return page.evaluate(
    ([database, code]) =>
      new Promise<unknown>((resolve, reject) => {
        const open = indexedDB.open(database ?? '');
        open.onerror = () => reject(open.error);
        open.onsuccess = () => {
          const db = open.result;
          const table = db.objectStoreNames[0] ?? '';
          const store = db.transaction(table, 'readwrite').objectStore(table);
          const run = { keys: store.getAllKeys(), store };
          run.keys.onsuccess = () => {
            const keys = run.keys.result as string[];
            if (code === 'keys') return resolve(keys);
            for (const key of keys.filter((k) => /^(journal|chunk)\//.test(k))) {
              const read = store.get(key);
              read.onsuccess = () => {
                if (String(read.result).includes('"reading"')) {
                  store.put(`${String(read.result).slice(0, 120)}`, key);
                }
              };
            }
            store.transaction.oncomplete = () => resolve(keys);
          };
        };
      }),
    [name, work],
  ) as Promise<T>;
}

/** Kills a browser with all that it has started. */
function killAll({ pid }: ChildProcess): void {
  if (pid !== undefined) process.kill(-pid, 'SIGKILL');
}

test('what was confirmed outlives a browser that is killed', async ({ baseURL }) => {
  const profile = mkdtempSync(path.join(os.tmpdir(), 'zoarium-profile-'));
  const start = async () => {
    const child = spawn(
      CHROMIUM,
      [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--no-first-run',
        '--disable-background-networking',
        '--remote-debugging-port=0',
        `--user-data-dir=${profile}`,
        'about:blank',
      ],
      // A group of its own: some are started by a script, which would die alone.
      { stdio: ['ignore', 'ignore', 'pipe'], detached: true },
    );
    const address = await new Promise<string>((resolve) => {
      let text = '';
      child.stderr.on('data', (data: Buffer) => {
        text += data.toString();
        const found = /DevTools listening on (\S+)/.exec(text);
        if (found?.[1]) resolve(found[1]);
      });
    });
    const browser = await chromium.connectOverCDP(address);
    const context = browser.contexts()[0];
    const page = context?.pages()[0] ?? (await context?.newPage());
    if (!page) throw new Error('no page');
    await page.setViewportSize({ width: 1280, height: 800 });
    return { child, page, browser };
  };
  const first = await start();
  await first.page.goto(`${baseURL}/demo`);
  await first.page.waitForURL(`${baseURL}/`);
  await logAmmonia(first.page, '2');
  await saved(first.page, 'Saved 1 reading');
  const ended = new Promise((resolve) => first.child.on('exit', resolve));
  killAll(first.child);
  await ended;
  await first.browser.close().catch(() => undefined);

  const second = await start();
  await second.page.goto(`${baseURL}/demo`);
  await second.page.waitForURL(`${baseURL}/`);
  await expect(second.page.getByRole('button', { name: /^Ammonia 2 ppm/ })).toBeVisible();
  await second.browser.close();
  killAll(second.child);
});

test('a damaged block is set aside, told of, and can be saved', async ({ page }) => {
  await openDemo(page);
  await logAmmonia(page, '2');
  await saved(page, 'Saved 1 reading');
  const before = await inDatabase<string[]>(page, 'zoarium-demo', 'keys');
  expect(before.length).toBeGreaterThan(0);
  await page.goto('/settings');
  await page.getByRole('radio', { name: 'Night' }).click();
  await saved(page, 'Changed the settings');
  await inDatabase(page, 'zoarium-demo', 'damage');
  await page.reload();
  await expect(page.getByText(/Part of the log was damaged/)).toBeVisible();
  await page.getByRole('button', { name: 'See what is aside' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save what is aside' }).click(),
  ]);
  expect(readFileSync(await download.path(), 'utf8')).toContain('aside/');
});

/** Fills what is left of the quota, in a database of its own. */
function fillUp(page: Page): Promise<void> {
  return page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const open = indexedDB.open('ballast');
        open.onupgradeneeded = () => open.result.createObjectStore('blocks');
        open.onsuccess = () => {
          const db = open.result;
          let size = 65_536;
          let key = 0;
          const put = () => {
            const work = db.transaction('blocks', 'readwrite', { durability: 'strict' });
            work.objectStore('blocks').put('x'.repeat(size), (key += 1));
            work.oncomplete = put;
            work.onabort = () => {
              size = Math.floor(size / 2);
              if (size >= 16) return put();
              db.close();
              resolve();
            };
          };
          put();
        };
      }),
  );
}

test(
  'a full browser says so, keeps the reading in memory, and saves it when there is room',
  OWN_PAGE,
  async ({ page, baseURL }) => {
    test.setTimeout(120_000);
    // The browser looks at the quota when a database is first opened, and then seldom.
    const devtools = await page.context().newCDPSession(page);
    const origin = new URL(baseURL ?? '').origin;
    await devtools.send('Storage.overrideQuotaForOrigin', { origin, quotaSize: 600_000 });
    await setUpTank(page, 'Razorbill');
    await openTestSheet(page);
    await page.getByRole('button', { name: 'Ammonia 1', exact: true }).click();
    await fillUp(page);
    await page.getByRole('button', { name: 'Save 1 reading' }).click();
    await expect(page.getByText(/Not saved/)).toBeVisible();
    await expect(page.getByText(/refused to store it/)).toBeVisible();
    await expect(page.getByRole('button', { name: /^Ammonia 1 ppm/ })).toBeVisible();
    await page.getByRole('button', { name: 'Export', exact: true }).click();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Export the whole log' }).click(),
    ]);
    expect(readFileSync(await download.path(), 'utf8')).toContain('"reading"');
    await devtools.send('Storage.overrideQuotaForOrigin', { origin });
    await expect(async () => {
      await page.getByRole('button', { name: 'Try again' }).click();
      await expect(page.getByText(/Not saved/)).toHaveCount(0, { timeout: 2000 });
    }).toPass({ timeout: 60_000 });
    await page.reload();
    await goTo(page, 'Today');
    await expect(page.getByRole('button', { name: /^Ammonia 1 ppm/ })).toBeVisible();
  },
);

test('two tabs see each other’s entries and lose none', OWN_PAGE, async ({ page }) => {
  await setUpTank(page, 'Razorbill');
  const other = await page.context().newPage();
  await other.goto('/');
  await Promise.all([logAmmonia(page, '1'), logAmmonia(other, '2')]);
  await Promise.all([saved(page, 'Saved 1 reading'), saved(other, 'Saved 1 reading')]);
  for (const tab of [page, other]) {
    await tab.goto('/water/ammonia');
    await expect(tab.getByText('2 readings', { exact: true })).toBeVisible();
  }
  await openTestSheet(other);
  await other.getByRole('button', { name: 'Ammonia 4', exact: true }).click();
  await other.getByRole('button', { name: 'Save 1 reading' }).click();
  await saved(other, 'Saved 1 reading');
  await expect(page.getByText('3 readings', { exact: true })).toBeVisible();
});

test('the demo never mixes with one’s own log', OWN_PAGE, async ({ page }) => {
  await setUpTank(page, 'Razorbill');
  const demo = await page.context().newPage();
  await openDemo(demo);
  await demo.getByRole('button', { name: /Switch tank/ }).click();
  await expect(demo.getByRole('dialog')).toContainText('Fulmar');
  await expect(demo.getByRole('dialog')).not.toContainText('Razorbill');
  await page.reload();
  await page.getByRole('button', { name: /Switch tank/ }).click();
  await expect(page.getByRole('dialog')).not.toContainText('Kittiwake');
  await demo.keyboard.press('Escape');
  await demo.getByRole('button', { name: 'Leave the demo' }).click();
  await expect(demo.getByRole('button', { name: /^Razorbill/ })).toBeVisible();
});

test('a messy sheet is asked about, brought in, undone, and comes in once', async ({ page }) => {
  await openDemo(page);
  await follow(page, '/data');
  await page.getByRole('button', { name: 'Bring in a spreadsheet' }).click();
  const choose = async (file: string) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Choose a file' }).click(),
    ]);
    await chooser.setFiles(path.resolve('src/core/sheets/fixtures', file));
  };
  await choose('ambiguousDays.csv');
  await expect(page.getByRole('heading', { name: '3 tests in ambiguousDays.csv.' })).toBeVisible();
  await expect(page.getByText('From 1 Feb 2026 to 3 Feb 2026, in Kittiwake.')).toBeVisible();
  await page.getByRole('radio', { name: '2 January 2026' }).click();
  await expect(page.getByText('From 2 Jan 2026 to 2 Mar 2026, in Kittiwake.')).toBeVisible();
  // What was said of it outlives a reload; the file itself has to be chosen once more.
  await page.reload();
  await choose('ambiguousDays.csv');
  await expect(page.getByText('From 2 Jan 2026 to 2 Mar 2026, in Kittiwake.')).toBeVisible();
  await page.getByRole('button', { name: 'Bring in 3 readings' }).click();
  await expect(page.getByRole('status').getByText('Brought in 3 readings')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('status').getByText('Undone')).toBeVisible();
  await follow(page, '/data/spreadsheet');
  await choose('words.csv');
  await expect(page.getByText('“lime” is no figure.')).toBeVisible();
  const bring = page.getByRole('button', { name: /^Bring in \d+ readings$/ });
  await bring.click();
  await expect(page.getByRole('status').getByText(/^Brought in/)).toBeVisible();
  // It leads there by itself, and would once more from wherever one went before.
  await page.waitForURL('/water');
  // The sheets that leave are known again in the log that they left.
  await follow(page, '/data');
  const [saving] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export tests, one a row' }).click(),
  ]);
  const saved = path.join(os.tmpdir(), `zoarium-${Date.now()}.csv`);
  await saving.saveAs(saved);
  await follow(page, '/data/spreadsheet');
  await choose(saved);
  await expect(page.getByRole('button', { name: 'All of it is here already' })).toBeDisabled();
  // A picture under another name is refused, and nothing is lost.
  await follow(page, '/data');
  await follow(page, '/data/spreadsheet');
  await choose('../../../../public/icon.svg');
  await expect(page.getByText(/Nothing was changed/)).toBeVisible();
});

test('a copy within the browser outlives an erasing, and is brought back', async ({ page }) => {
  await setUpTank(page, 'Auk');
  await logAmmonia(page, '0.5');
  await saved(page, /reading/);
  await follow(page, '/data');
  await page.getByRole('button', { name: 'Make a copy now' }).click();
  await expect(page.getByRole('button', { name: /^The copy of today/ })).toHaveCount(1);
  await page.getByRole('button', { name: 'Erase this log' }).click();
  await page.getByRole('textbox', { name: 'Type erase to go on' }).fill('erase');
  await page.getByRole('button', { name: 'Erase everything' }).click();
  await expect(page.getByText('The log is empty.')).toBeVisible();
  await page
    .getByRole('button', { name: /^The copy of today/ })
    .first()
    .click();
  await expect(page.getByText(/records come back\. It is one act/)).toBeVisible();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('status').getByText(/^Brought back/)).toBeVisible();
  await page.reload();
  await follow(page, '/journal');
  await expect(page.getByText(/Ammonia/).first()).toBeVisible();
  // Whoever wants nothing left says so.
  await follow(page, '/data');
  await page.getByRole('button', { name: 'Erase this log' }).click();
  await page.getByRole('checkbox', { name: 'The copies within this browser too' }).click();
  await page.getByRole('textbox', { name: 'Type erase to go on' }).fill('erase');
  await page.getByRole('button', { name: 'Erase everything' }).click();
  await expect(page.getByText('The log is empty.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^The copy of/ })).toHaveCount(0);
});
