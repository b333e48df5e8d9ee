import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { INSTRUMENTS, pair } from './pairing';
import { expect, follow, setUpTank, test } from './support';
import { OWN_PAGE } from './sharedPage';

// Losing the link is one of the journeys: the browser tells of each try that fails.
test.use({ loud: true });

const title = (page: Page) => page.getByRole('heading', { level: 1 });

test(
  'a monitor is paired, a spike rings until it is seen, the link is lost and comes back',
  OWN_PAGE,
  async ({ page }) => {
    await setUpTank(page, 'Knot');
    await follow(page, '/connected');
    const screen = await pair(page, 'A monitor with four probes', 'monitor');
    await expect(title(page)).toContainText('°C, pH');
    await expect(page.getByText(/^Measured at/)).toBeVisible();
    await expect(
      page.getByRole('img', { name: /Temperature as the probe measured it/ }),
    ).toBeVisible();

    const spike = screen.getByRole('button', { name: /The temperature spikes/ });
    // One that a broken-off try left behind would be ended by the press.
    if ((await spike.getAttribute('aria-pressed')) === 'true') await spike.click();
    await spike.click();
    const alarm = page.getByRole('alert');
    await expect(alarm).toContainText('The temperature is far off');
    await expect(alarm).toContainText('Hold another thermometer in the water');
    // It stands over every screen, and leads to what helps.
    await follow(page, '/water');
    await alarm.getByRole('button', { name: 'What to do' }).click();
    await expect(page).toHaveURL(/\/runs\/heaterFault/);
    await page.goBack();
    await alarm.getByRole('button', { name: /Seen/ }).click();
    await expect(alarm).toHaveCount(0);
    // A second tab knows how it stands at once; a reload in the middle rings no second time.
    await follow(page, '/connected');
    await page.getByText('A monitor with four probes', { exact: true }).click();
    await expect(title(page)).toContainText(/3\d\.\d °C, pH/);
    const second = await page.context().newPage();
    await second.goto(page.url());
    await expect(title(second)).toContainText(/3\d\.\d °C, pH/);
    await second.close();
    await page.reload();
    await expect(title(page)).toContainText(/3\d\.\d °C, pH/);
    await expect(alarm).toHaveCount(0);
    await spike.click();

    await follow(page, '/connected');
    await page.getByText('A monitor with four probes', { exact: true }).click();
    await expect(page.getByText('The temperature is far off').first()).toBeVisible();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByText('Save its minutes as a spreadsheet').click(),
    ]);
    expect(await readFile(await download.path(), 'utf8')).toMatch(
      /^Time \(UTC\),Temperature.*\r\n\d{4}-\d\d-\d\d \d\d:\d\d,\d+\.?\d*,/,
    );
    await page.route(`**${INSTRUMENTS}/monitor/stream`, (route) => route.abort());
    await screen.getByRole('button', { name: /Breaks every connection/ }).click();
    await expect(title(page)).toHaveText('Not reached.');
    await page.unroute(`**${INSTRUMENTS}/monitor/stream`);
    await expect(title(page)).toContainText('°C, pH');
  },
);

test('a pen warms up, is read, and its figure goes into the log', OWN_PAGE, async ({ page }) => {
  await setUpTank(page, 'Sanderling');
  await follow(page, '/connected');
  await pair(page, 'A conductivity pen', 'pen');
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  await expect(title(page)).toHaveText('It is warming up.');
  await expect(title(page)).toHaveText(/^3\d\.\d ppt\.$/);
  const shown = (await title(page).textContent())?.replace('.', '.').replace(/\.$/, '') ?? '';
  await page.getByRole('button', { name: 'Log it' }).click();
  await expect(page.getByText(`Logged ${shown}`)).toBeVisible();
  await follow(page, '/journal');
  await expect(page.getByText('Salinity', { exact: true }).first()).toBeVisible();
});

test(
  'a slip of a shop is typed in, kept apart from one’s own tests and laid beside them',
  OWN_PAGE,
  async ({ page }) => {
    await setUpTank(page, 'Turnstone');
    await follow(page, '/connected/slip');
    await page
      .getByLabel('Or type it, a line for each figure')
      .fill('nitrate 4.2 mg/L NO3-N\nammonia fine\npH 7.9\nalkalinity 150 ppm CaCO3');
    await expect(title(page)).toHaveText('2 figures to bring in.');
    await expect(page.getByText(/“fine” is no figure/)).toBeVisible();
    await expect(page.getByText(/pH is measured at the tank/)).toBeVisible();
    // What is typed outlives a reload.
    await page.reload();
    await expect(title(page)).toHaveText('2 figures to bring in.');
    await page.getByRole('button', { name: 'Bring it in' }).click();
    await expect(page.getByText('Brought in 2 figures of a shop')).toBeVisible();
    await follow(page, '/journal');
    await expect(page.getByText('4.2 ppm N').first()).toBeVisible();
  },
);
