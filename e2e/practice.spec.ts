import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { runCommand } from '../cli/commands';
import { scriptOf } from '../scripts/lib/inBrowser.mjs';
import { FORTY_RUNS } from '../src/testing/practicePrints';
import { clickWhatHasSettled } from './clicks';
import { closePad, expect, follow, savedAndLeft, test, typeValue, WORKED_OUT } from './support';
import { OWN_PAGE } from './sharedPage';
import { LAWS } from '../src/core/practice/world/nature';

/** Reads a vial as a keeper does: the step whose patch is nearest to its colour. */
async function readVial(page: Page, parameter: string): Promise<string> {
  const step = await page
    .getByRole('img', { name: `A vial of the ${parameter} card beside its card` })
    .evaluate((shown) => {
      const colourOf = (part: Element | null | undefined) =>
        part ? (getComputedStyle(part).backgroundColor.match(/\d+/g) ?? []).map(Number) : [];
      const [vial, card] = shown.children;
      const wanted = colourOf(vial);
      const off = [...(card?.children ?? [])].map((patch) => ({
        step: patch.textContent,
        by: colourOf(patch.firstElementChild).reduce(
          (sum, value, n) => sum + (value - (wanted[n] ?? 0)) ** 2,
          0,
        ),
      }));
      return off.sort((one, other) => one.by - other.by)[0]?.step ?? '';
    });
  await page.getByRole('button', { name: `${parameter} ${step}`, exact: true }).click();
  return step;
}

async function begin(page: Page, situation: RegExp): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'Practise on a made-up tank' }).click();
  await page.getByRole('button', { name: situation }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByRole('button', { name: 'Move the clock' })).toBeVisible();
  // A beginning leads to Today once it is kept, and once only.
  await expect(page).toHaveURL(/\/$/);
  await expect(page.getByRole('heading', { name: 'To do' })).toBeVisible();
}

test('forty random lives come to the same bits in this browser as in Node', async ({ page }) => {
  await page.goto('about:blank');
  const code = scriptOf('src/testing/practicePrints.ts', 'prints');
  for (const laws of LAWS) {
    const print = await page.evaluate<string>(`${code}; prints.practicePrints(40, 0, ${laws})`);
    expect(print).toBe(FORTY_RUNS[laws]);
  }
});

test(
  'a situation is looked at, tested, waited for, looked back on, and carried to a second browser',
  { tag: [OWN_PAGE.tag, WORKED_OUT.tag] },
  async ({ page, browser }) => {
    await begin(page, /^A bottle that promised/);
    await page.getByRole('button', { name: 'Look at the tank' }).click();
    await expect(page.getByRole('dialog').getByText('The water is clear.')).toBeVisible();
    await page.getByRole('button', { name: 'Close' }).click();

    // A vial that is read before its minutes are over is pale; waiting is a gesture, not a pause.
    await follow(page, '/log/test');
    await page.getByRole('button', { name: /minute wait for Ammonia$/ }).click();
    await page.getByRole('button', { name: /min for Ammonia card pass$/ }).click();
    await expect(page.getByText('read it now').first()).toBeVisible();
    await readVial(page, 'Ammonia');
    await page.getByRole('button', { name: 'Save 1 reading' }).click();
    await expect(page.getByText('Saved 1 reading')).toBeVisible();

    // What was done a week ago cannot be done now.
    await page.getByRole('button', { name: 'Move the clock' }).click();
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /^A week on/ })
      .click();
    await expect(page.getByRole('button', { name: 'Practice, day 14' })).toBeVisible();

    // On the narrowest phone the band still takes one row.
    const usual = page.viewportSize() ?? { width: 390, height: 844 };
    await page.setViewportSize({ width: 320, height: 640 });
    await expect(page.getByRole('button', { name: 'Move the clock' })).toHaveText('Clock');
    const rows = ['Practice, day 14', 'Move the clock', 'Look at the tank'].map((name) =>
      page.getByRole('button', { name }).boundingBox(),
    );
    expect(new Set((await Promise.all(rows)).map((box) => box?.y)).size).toBe(1);
    await page.setViewportSize(usual);

    await page.getByRole('button', { name: 'Practice, day 14' }).click();
    await page.getByRole('button', { name: 'See what was really going on' }).click();
    await expect(page.getByText('Answer first')).toBeVisible();
    await page.getByRole('radio', { name: 'Next to nothing' }).click();
    await expect(page.getByText(/4 in 1,000 were alive/)).toBeVisible();
    const life = (await page.getByText(/^This life: /).innerText()).slice(11, 27);
    expect(life).toMatch(/^[0-9a-f]{16}$/);

    await follow(page, '/practice');
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Keep it as a file' }).click(),
    ]);
    const file = await download.path();
    const printed = JSON.parse(runCommand(['practice', file], Date.now())) as Record<
      string,
      unknown
    >;
    expect(printed).toMatchObject({
      situation: 'A bottle that promised a week',
      fingerprint: life,
    });

    // A reload finds it where it stood; leaving it finds one's own log, which it never touched.
    await page.reload();
    await expect(page.getByText('Day 14 of a made-up tank.')).toBeVisible();
    await page.getByRole('button', { name: 'Leave practice' }).click();
    await expect(page.getByText('From filled glass to a stocked reef.')).toBeVisible();

    const other = await (await browser.newContext()).newPage();
    clickWhatHasSettled(other);
    await other.goto('/practice');
    const chosen = other.waitForEvent('filechooser');
    await other.getByRole('button', { name: 'Open a practice kept as a file' }).click();
    await (
      await chosen
    ).setFiles({
      name: 'run.json',
      mimeType: 'application/json',
      buffer: readFileSync(file),
    });
    await expect(other.getByRole('button', { name: 'Practice, day 14' })).toBeVisible();
    await expect(other.getByRole('heading', { name: 'To do' })).toBeVisible();
    await follow(other, '/practice/after');
    await expect(other.getByText(`This life: ${life}`)).toBeVisible();
    await other.context().close();
  },
);

/** A practice of a kind that is known: its seed comes from the browser's chance otherwise. */
async function seeded(page: Page, seed: number): Promise<void> {
  await page.addInitScript((known) => {
    const drawn = crypto.getRandomValues.bind(crypto);
    crypto.getRandomValues = (array) => {
      const filled = drawn(array);
      if (filled instanceof Uint32Array && filled.length === 1) filled[0] = known;
      return filled;
    };
  }, seed);
}

async function dose(page: Page): Promise<void> {
  await follow(page, '/log/dose');
  await page.getByRole('radio', { name: 'By the rise' }).click();
  await page.getByLabel('How much').fill('2');
  await page.getByRole('button', { name: 'Save the dose' }).click();
  await savedAndLeft(page, 'Saved the dose');
}

/** What is read off a meter, by its field. */
const METERS = [
  ['pH', 'pH pen'],
  ['Salinity', 'Refractometer'],
  ['Temperature', 'Thermometer'],
  ['Alkalinity', 'Alkalinity drops'],
] as const;

/** Ammonia and nitrite by their vials; once both read zero the rest as well, as the meters show it. @returns whether they do */
async function testAll(page: Page): Promise<boolean> {
  await follow(page, '/log/test');
  const zeros: boolean[] = [];
  for (const parameter of ['Ammonia', 'Nitrite']) {
    await page.getByRole('button', { name: `Start the 5 minute wait for ${parameter}` }).click();
    await page.getByRole('button', { name: new RegExp(`min for ${parameter} card pass$`) }).click();
    await expect(page.getByText('read it now').first()).toBeVisible();
    zeros.push((await readVial(page, parameter)) === '0');
  }
  const zero = zeros.every(Boolean);
  for (const [label, meter] of zero ? METERS : []) {
    const shows = await page.getByText(new RegExp(`^${meter} shows`)).innerText();
    await typeValue(page, label, /shows ([\d.]+)/.exec(shows)?.[1] ?? '');
  }
  await closePad(page);
  const count = zero ? 6 : 2;
  await page.getByRole('button', { name: `Save ${count} readings` }).click();
  await savedAndLeft(page, `Saved ${count} readings`);
  return zero;
}

test(
  'dry rock is taken to ready in one sitting',
  { tag: [OWN_PAGE.tag, WORKED_OUT.tag] },
  async ({ page }) => {
    test.setTimeout(240_000);
    await seeded(page, 6);
    await begin(page, /^Dry rock and ammonium chloride/);
    await follow(page, '/log/lid');
    await page.getByRole('button', { name: 'Save the lid' }).click();
    await savedAndLeft(page, /^Saved/);
    await follow(page, '/log/heater-check');
    await page.getByRole('button', { name: /^Save/ }).click();
    await savedAndLeft(page, /^Saved/);
    await dose(page);
    const ready = page.getByRole('heading', { level: 1, name: /^Ready/ });
    let clear = false;
    for (let week = 1; week <= 8 && (await ready.count()) === 0; week += 1) {
      await page.getByRole('button', { name: 'Move the clock' }).click();
      await page
        .getByRole('dialog')
        .getByRole('button', { name: /^A week on/ })
        .click();
      await expect(page.getByRole('button', { name: `Practice, day ${7 * week}` })).toBeVisible();
      const zero = await testAll(page);
      await follow(page, '/');
      if (!zero) continue;
      // The first zeros are dosed on top of; later ones may be enough, once the forecast was asked.
      if (clear) await ready.waitFor({ timeout: 20_000 }).catch(() => undefined);
      clear = true;
      if ((await ready.count()) === 0) await dose(page);
    }
    await expect(ready).toBeVisible();
  },
);
