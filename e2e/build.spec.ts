import type { Page } from '@playwright/test';
import {
  expect,
  follow,
  goTo,
  openDemo,
  openTestSheet,
  saved,
  savedAndLeft,
  test,
} from './support';
import { OWN_PAGE } from './sharedPage';

const done = (page: Page) => page.getByRole('button', { name: 'Done', exact: true }).click();
const heading = (page: Page) => page.getByRole('heading', { level: 1 });

async function noteIt(page: Page, label: string, value: string): Promise<void> {
  await page.getByLabel(label).fill(value);
  await page.getByRole('button', { name: 'Note it' }).click();
}

test(
  'an empty stand is built, its water mixed, and 208 litres counted in',
  OWN_PAGE,
  async ({ page }) => {
    await page.clock.install();
    await page.goto('/');
    await page.getByRole('button', { name: 'Set up my tank' }).click();
    await page.getByLabel('Name').fill('Turnstone');
    await page.getByLabel('Volume on the label').fill('240');
    await page.getByRole('radio', { name: /^Empty/ }).click();
    await page.getByRole('button', { name: 'Set up this tank' }).click();

    await page.getByRole('button', { name: /^Build it/ }).click();
    await page.getByRole('button', { name: 'Begin' }).click();
    await expect(heading(page)).toHaveText('Stand and floor.');
    await expect(page.getByText(/Filled it weighs about \d+ kg/)).toBeVisible();
    await expect(page.getByText(/structural engineer/)).toBeVisible();
    await done(page);
    await expect(heading(page)).toHaveText('Leak test.');
    // In any order: the lid first, which the log then shows by itself.
    await page.getByRole('button', { name: 'A lid or mesh, open' }).click();
    await page.getByRole('button', { name: 'Log the lid' }).click();
    await page.getByRole('button', { name: 'Save the lid' }).click();
    await expect(page.getByRole('button', { name: 'A lid or mesh, done' })).toBeVisible();

    await page.goto('/');
    await goTo(page, 'Mix saltwater');
    await page.getByRole('button', { name: 'Begin' }).click();
    await noteIt(page, 'Water to make ready', '208');
    await noteIt(page, 'Wanted salinity', '35');
    await page.getByRole('radio', { name: /^Purified/ }).click();
    await expect(heading(page)).toHaveText('Get the water ready.');
    await done(page);
    await done(page);
    await expect(page.getByText(/^7.11 kg: nine tenths of 7.9 kg for 208 L/)).toBeVisible();
    await done(page);
    await page.getByRole('button', { name: /^Start the clock/ }).click();
    // A reload in the middle loses neither the step nor the clock.
    await page.reload();
    await expect(heading(page)).toHaveText('Let it mix.');
    await page.clock.fastForward('01:01:00');
    await expect(heading(page)).toHaveText('Measure it.');
    await page.getByLabel('It reads').fill('1.025');
    await expect(page.getByText(/reads like a specific gravity/)).toBeVisible();
    await noteIt(page, 'It reads', '32');
    await expect(page.getByText(/still missing/)).toBeVisible();
    await noteIt(page, 'Salt added now', '667');
    await noteIt(page, 'It reads at the end', '35.1');
    await done(page);
    await page.getByRole('button', { name: 'Log the batch' }).click();
    await saved(page, 'Mix salt water: logged');

    await follow(page, '/runs/fill');
    await page.getByRole('button', { name: 'Begin' }).click();
    await done(page);
    await done(page);
    await noteIt(page, 'Went in, in all', '208');
    for (let step = 0; step < 5; step += 1) await done(page);
    await page.getByRole('button', { name: 'Log it as filled' }).click();
    await saved(page, 'Fill the tank: logged');
    await follow(page, '/tanks/this');
    await expect(page.getByText(/^About 208 L of water counted at the fill/)).toBeVisible();
    await follow(page, '/calculators/salt-mix');
    await expect(page.getByText('learned from 1 mixing')).toBeVisible();
  },
);

test('a water change goes from its sum to its entry', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Calculators');
  await page.getByRole('main').getByText('A water change', { exact: true }).click();
  await page.getByLabel('Share of the water').fill('20');
  await expect(heading(page)).toHaveText('41.6 L.');
  await page.getByRole('button', { name: 'Log this change' }).click();
  await expect(page.getByLabel('Water changed')).toHaveValue('41.6');
  await page.getByRole('button', { name: 'Save the water change' }).click();
  await saved(page, 'Saved the water change');
});

test('a calibration reads the past of its instrument anew, and can be taken back', async ({
  page,
}) => {
  await openDemo(page);
  await follow(page, '/water/salinity');
  await expect(heading(page)).toHaveText('Salinity reads 34.8 ppt.');
  await openTestSheet(page);
  await page.getByRole('button', { name: 'More kinds of entry' }).click();
  await page.getByRole('dialog').getByText('Calibration', { exact: true }).click();
  await page.getByRole('radio', { name: 'Refractometer' }).click();
  await page.getByLabel('The standard is').fill('35');
  await page.getByLabel('It showed').fill('36.4');
  await expect(page.getByText(/will be read anew/)).toBeVisible();
  await page.getByRole('button', { name: 'Save the calibration' }).click();
  await savedAndLeft(page, 'Saved the calibration');
  await follow(page, '/water/salinity');
  await expect(heading(page)).toHaveText(/^Salinity reads 33\.\d ppt \(read as 34\.8\)\.$/);
  await expect(page.getByText(/read as 34.8/).last()).toBeVisible();
});
