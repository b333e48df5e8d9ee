import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import {
  expect,
  follow,
  logAmmonia,
  openDemo,
  saved,
  setUpTank,
  test,
  WORKED_OUT,
} from './support';
import { OWN_PAGE } from './sharedPage';

/** Pages of a PDF, by the objects that each has one of. */
const pagesOf = (pdf: Buffer): number =>
  (pdf.toString('latin1').match(/\/Type\s*\/Page(?!s)/g) ?? []).length;

async function taken(page: Page, as: RegExp): Promise<{ name: string; bytes: Buffer }> {
  await page.getByRole('button', { name: 'Save the picture' }).first().click();
  const sheet = page.getByRole('dialog');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    sheet.getByRole('button', { name: as }).click(),
  ]);
  await expect(sheet).toHaveCount(0);
  return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) };
}

test(
  'a chart leaves as SVG and PNG with its sentence, dates and unit, and by night on a light ground',
  OWN_PAGE,
  async ({ page }) => {
    await page.emulateMedia({ colorScheme: 'dark' });
    await openDemo(page);
    await follow(page, '/water/nitrate');
    const svg = await taken(page, /^As SVG/);
    expect(svg.name).toMatch(/^kittiwake-nitrate-.*\.svg$/);
    const text = svg.bytes.toString('utf8');
    expect(text).toContain('Nitrate over time, 3 readings');
    expect(text).toMatch(/Kittiwake · \d+ \w+ \d{4} to \d+ \w+ \d{4} · ppm NO3/);
    expect(text).toContain("@font-face{font-family:'Source Serif 4'");
    // The colours of the day, none by a name that stands for nothing elsewhere.
    expect(text).toContain('fill="#fcf9f1"');
    expect(text).not.toContain('var(--');
    const png = await taken(page, /^As PNG/);
    expect([...png.bytes.subarray(0, 8)]).toEqual([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
    // Three pixels to each of the drawing that it was made of.
    const width = Number(/^<svg[^>]* width="(\d+)"/.exec(text)?.[1]);
    expect(png.bytes.readUInt32BE(16)).toBe(width * 3);
  },
);

test(
  'the report of a tank is printed on a few pages of A4 and Letter',
  WORKED_OUT,
  async ({ page }) => {
    await openDemo(page);
    await follow(page, '/data/report');
    for (const heading of ['How it stands', 'Who was lost', 'What the figures rest on']) {
      await expect(page.getByRole('heading', { name: heading })).toBeVisible();
    }
    await expect(page.getByRole('img', { name: /^Ammonia, nitrite and nitrate/ })).toBeVisible();
    await expect(page.getByRole('img', { name: /^Salinity over time/ })).toBeVisible();
    await expect(page.getByText('Ocellaris clownfish × 2')).toBeVisible();
    for (const format of ['A4', 'Letter'] as const) {
      const pages = pagesOf(await page.pdf({ format }));
      expect(pages, format).toBeGreaterThanOrEqual(2);
      expect(pages, format).toBeLessThanOrEqual(4);
    }
  },
);

test(
  'a folder is chosen once and holds the log, its tests and a manifest, and what one changes stays',
  OWN_PAGE,
  async ({ page }) => {
    // A folder of the browser's own stands in for the one that a person would pick.
    await page.addInitScript(() => {
      Object.assign(window, {
        showDirectoryPicker: async () =>
          (await navigator.storage.getDirectory()).getDirectoryHandle('Reef', { create: true }),
      });
    });
    await setUpTank(page, 'Turnstone');
    await logAmmonia(page, '0.5');
    await saved(page, /reading/);
    await follow(page, '/data');
    await page.getByRole('button', { name: 'Choose a folder' }).click();
    await expect(page.getByText(/^Renewed today .*: 2 files in it from Zoarium\.$/)).toBeVisible();
    const files = () =>
      page.evaluate(async () => {
        const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('Reef');
        const texts: Record<string, string> = {};
        const all = folder as unknown as { values(): AsyncIterable<FileSystemFileHandle> };
        for await (const file of all.values()) {
          texts[file.name] = await (await file.getFile()).text();
        }
        return texts;
      });
    const first = await files();
    const [log = '', manifest = '', tests = ''] = Object.keys(first).sort();
    expect([log, manifest, tests]).toEqual([
      expect.stringMatching(/^zoarium-log-\d{4}-\d\d-\d\d\.json$/),
      'zoarium-manifest.json',
      expect.stringMatching(/^zoarium-tests-\d{4}-\d\d-\d\d\.csv$/),
    ]);
    expect(first[tests]).toContain('Turnstone,');
    expect(first[log]).toContain('"format": "zoarium-log"');
    await page.evaluate(async (name) => {
      const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('Reef');
      const writable = await (await folder.getFileHandle(name)).createWritable();
      await writable.write('with remarks of mine');
      await writable.close();
    }, tests);
    // It is known again after a reload, and renewed beside what is not ours any more.
    await page.reload();
    await page.getByRole('button', { name: 'Renew it now' }).click();
    await expect.poll(async () => Object.keys(await files()).length).toBe(4);
    const then = await files();
    expect(then[tests]).toBe('with remarks of mine');
    expect(then[tests.replace('.csv', '-2.csv')]).toContain('Turnstone,');
    // What lies in it is a copy like any other.
    await expect(page.getByText(/the copy of .* would have it all/)).toBeVisible();
  },
);
