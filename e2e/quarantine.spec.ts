import type { Page } from '@playwright/test';
import { expect, goTo, openDemo, test, WORKED_OUT } from './support';
import { OWN_PAGE } from './sharedPage';

/** Opens a batch of the demo by the tank it is in. */
async function openBatch(page: Page, tank: string): Promise<void> {
  await goTo(page, 'Quarantine');
  await page.getByRole('button', { name: new RegExp(`^${tank}: `) }).click();
  await expect(page.getByRole('group', { name: /.+/ }).first()).toBeVisible();
}

const title = (page: Page) => page.getByRole('heading', { level: 1 });

async function measure(page: Page, salinity: string, litres = '1'): Promise<void> {
  await page.getByRole('textbox', { name: 'Salinity', exact: true }).first().fill(salinity);
  await page.getByRole('textbox', { name: 'Temperature', exact: true }).first().fill('23');
  await page.getByRole('textbox', { name: 'Water in it', exact: true }).fill(litres);
}

async function chooseTank(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: /Switch tank/ }).click();
  await page.getByRole('dialog').getByText(name, { exact: true }).click();
}

test(
  'a sign restarts a batch, healing it counts on, and the plan of its tank says why',
  WORKED_OUT,
  async ({ page }) => {
    await openDemo(page);
    await openBatch(page, 'Spare tank');
    await expect(title(page)).toHaveText('11 clear days to go.');
    const blenny = page.getByRole('group', { name: 'Tailspot blenny' });
    await blenny.getByRole('button', { name: 'A sign…' }).click();
    await page.getByRole('checkbox', { name: 'White grains' }).click();
    await page.getByRole('button', { name: 'Log the sign' }).click();
    await expect(title(page)).toHaveText('A sign stands.');
    await page.getByRole('button', { name: 'Back' }).click();
    await goTo(page, 'Today');
    await chooseTank(page, 'Fulmar');
    await goTo(page, 'Stock');
    await expect(
      page.getByText(/Its batch in Spare tank is clear that day, begun anew/).first(),
    ).toBeVisible({ timeout: 30_000 });
  },
);

test('a batch that is clear and checked is released to its tank', OWN_PAGE, async ({ page }) => {
  await page.clock.install();
  await openDemo(page);
  await openBatch(page, 'Spare tank');
  for (const name of ['Firefish', 'Tailspot blenny']) {
    await page.getByRole('group', { name }).getByRole('button', { name: 'Well' }).click();
  }
  await page.clock.fastForward(12 * 24 * 3_600_000);
  await expect(title(page)).toHaveText('Clear.');
  for (const box of await page.getByRole('checkbox').all()) await box.click();
  await page.getByRole('button', { name: 'They are in Fulmar: log it' }).click();
  await expect(page.getByRole('status').getByText('Released to Fulmar')).toBeVisible();
  await expect(page.getByText(/^1 batch in quarantine/)).toBeVisible();
});

test(
  'a drip goes on by the time of day through a reload and ten minutes away',
  OWN_PAGE,
  async ({ page }) => {
    await page.clock.install();
    await openDemo(page);
    await chooseTank(page, 'Fulmar');
    await goTo(page, 'Acclimation');
    await page.getByRole('textbox', { name: 'Which animal' }).fill('neon goby');
    await page.getByRole('button', { name: /^Neon goby/ }).click();
    await measure(page, '36.4');
    await expect(title(page)).toHaveText('Drip.');
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    await page.getByRole('button', { name: 'Done' }).click();
    await page.getByRole('button', { name: 'Done' }).click();
    await page.getByRole('button', { name: /^It floats/ }).click();
    await page.clock.fastForward(21 * 60_000);
    await expect(title(page)).toHaveText('Into the bucket.');
    await page.getByRole('button', { name: 'Done' }).click();
    await page.getByRole('button', { name: /^It drips/ }).click();
    await expect(page.getByText(/^Expected now: 36\.4 ppt/)).toBeVisible();
    const address = page.url();
    await page.goto('about:blank');
    await page.clock.fastForward(10 * 60_000);
    await page.goto(address);
    await expect(page.getByText(/^Expected now: 3(5\.[5-9]|6\.0) ppt/)).toBeVisible();
    await expect(page.getByText('Top-off unit is off', { exact: true })).toBeVisible();
    await page.clock.fastForward(60 * 60_000);
    await expect(title(page)).toHaveText('Match the temperature again.');
    for (let i = 0; i < 3; i += 1) await page.getByRole('button', { name: 'Done' }).click();
    await expect(title(page)).toHaveText('Put back what the drip took.');
    await page.getByRole('button', { name: 'It is back' }).click();
    await page.getByRole('button', { name: 'Done' }).click();
    await page.getByRole('button', { name: 'End it: they are in' }).click();
    await expect(page.getByRole('button', { name: /^Neon goby/ }).first()).toBeVisible();
  },
);

test('an outbreak waits for the last fish, then counts the days without', async ({ page }) => {
  await openDemo(page);
  await chooseTank(page, 'Fulmar');
  await goTo(page, 'Quarantine');
  await page.getByRole('button', { name: /^A disease in the display/ }).click();
  await expect(page.getByText(/which want about \d+ L of quarantine/)).toBeVisible();
  await page.getByRole('button', { name: 'Begin: all fish out' }).click();
  await expect(title(page)).toHaveText(/still in\.$/);
  await page.getByRole('button', { name: 'The steps, one by one' }).click();
  await expect(title(page)).toHaveText('Name it as well as you can.');
});

test('a coral is looked over, dipped by its label and placed; snails go to three tanks', async ({
  page,
}) => {
  await openDemo(page);
  await chooseTank(page, 'Fulmar');
  await goTo(page, 'Acclimation');
  await page.getByRole('textbox', { name: 'Which animal' }).fill('candy cane');
  await page.getByRole('button', { name: /^Candy cane/ }).click();
  await page.getByRole('checkbox', { name: 'Both waters are of one system' }).click();
  await page.getByRole('textbox', { name: 'Minutes of the dip, by its label' }).fill('8');
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(title(page)).toHaveText('Look it over.');
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'It is in the dip: 8 minutes' }).click();
  await page.getByRole('button', { name: 'Out of the dip' }).click();
  await page.getByRole('button', { name: 'Stop it', exact: true }).click();
  await page.getByRole('button', { name: 'Stop it now' }).click();
  await goTo(page, 'Acclimation');
  await page.getByRole('textbox', { name: 'Which animal' }).fill('cerith snail');
  await page.getByRole('button', { name: /^Cerith snail/ }).click();
  await page.getByRole('textbox', { name: /^How many/ }).fill('50');
  await page.getByRole('textbox', { name: 'Into Kittiwake' }).fill('15');
  await page.getByRole('textbox', { name: 'Into Spare tank' }).fill('5');
  await expect(page.getByText('30 into Fulmar')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Both waters are of one system' }).click();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  await page.getByRole('button', { name: 'Done' }).click();
  await page.getByRole('button', { name: 'Clean', exact: true }).click();
  await page.getByRole('button', { name: 'Set aside' }).click();
  await expect(page.getByText(/1 clean, 1 set aside, of 30/)).toBeVisible();
});
