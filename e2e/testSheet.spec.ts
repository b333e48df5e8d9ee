import {
  closePad,
  expect,
  follow,
  openDemo,
  openTestSheet,
  saved,
  setUpTank,
  test,
  typeValue,
} from './support';
import { OWN_PAGE } from './sharedPage';

test('the first value is two taps from any screen; what it means opens to its working', async ({
  page,
}) => {
  await openDemo(page);
  await follow(page, '/water');
  await page.getByRole('button', { name: 'Log', exact: true }).click();
  await page.getByRole('button', { name: 'Ammonia 0', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Save 1 reading' })).toBeEnabled();
  await page.getByRole('button', { name: 'Ammonia 4', exact: true }).click();
  await expect(page.getByText('Danger')).toBeVisible();
  await page.getByRole('button', { name: 'How it is worked out' }).click();
  await expect(page.getByRole('dialog', { name: 'Free ammonia' })).toContainText('pKa');
  await page.keyboard.press('Escape');
  // A test that has no row of its own is added to those that have.
  await page.getByRole('button', { name: 'Add a test' }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Calcium drops/ })
    .click();
  await expect(page.getByRole('textbox', { name: 'Calcium', exact: true })).toBeVisible();
});

test('a reload in the middle of a test session loses neither values nor waits', async ({
  page,
}) => {
  await openDemo(page);
  await openTestSheet(page);
  await page.getByRole('button', { name: 'Nitrite between 1 and 2' }).click();
  await page.getByRole('button', { name: /Start the 5 minute wait for Nitrate/ }).click();
  await expect(page.getByText(/^wait [45]:\d\d$/)).toBeVisible();
  await typeValue(page, 'pH', '8.1');
  await closePad(page);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Nitrite between 1 and 2' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(page.getByText(/^wait [45]:\d\d$/)).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'pH', exact: true })).toHaveValue('8.1');
});

test('a wait that ends says so', OWN_PAGE, async ({ page }) => {
  await page.clock.install();
  await openDemo(page);
  await openTestSheet(page);
  await page.getByRole('button', { name: /Start the 5 minute wait for Ammonia/ }).click();
  await page.clock.fastForward('05:01');
  await expect(page.getByText('read it now', { exact: true })).toBeVisible();
  await saved(page, 'Ammonia: read it now');
});

test('an impossible value is questioned once, and either answer is kept', async ({ page }) => {
  await openDemo(page);
  await openTestSheet(page);
  await typeValue(page, 'pH', '82');
  await closePad(page);
  await expect(page.getByText(/pH cannot be 82. Did you mean 8.2\?/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Answer 1 question first' })).toBeDisabled();
  await page.getByRole('button', { name: 'Use 8.2' }).click();
  await expect(page.getByRole('button', { name: 'Save 1 reading' })).toBeEnabled();

  const temperature = page.getByRole('textbox', { name: 'Temperature', exact: true });
  await typeValue(page, 'Temperature', '31');
  await closePad(page);
  await page.getByRole('button', { name: 'Keep 31' }).click();
  await expect(temperature).toHaveValue('31');
  await page.getByRole('button', { name: 'Save 2 readings' }).click();
  await saved(page, 'Saved 2 readings');
});

test('the time of a test session can be set, and never lies ahead', async ({ page }) => {
  await setUpTank(page, 'Razorbill');
  await openTestSheet(page);
  await page.getByRole('button', { name: /^Time of this entry/ }).click();
  await page.getByRole('radio', { name: 'Yesterday' }).click();
  await page.getByLabel('Time', { exact: true }).fill('7:05');
  await page.getByRole('button', { name: 'Use this time' }).click();
  await expect(page.getByRole('button', { name: /Yesterday 07:05/ })).toBeVisible();
  await page.getByRole('button', { name: /^Time of this entry/ }).click();
  await page.getByRole('radio', { name: 'Today' }).click();
  await page.getByLabel('Time', { exact: true }).fill('23:59');
  await expect(page.getByText(/That lies ahead|Type it as/)).toBeVisible();
});

test('the field that the pad fills stays in sight, on the smallest phone too', async ({ page }) => {
  await page.setViewportSize({ width: 320, height: 640 });
  await openDemo(page);
  await openTestSheet(page);
  const temperature = page.getByRole('textbox', { name: 'Temperature', exact: true });
  await page.getByRole('textbox', { name: 'pH', exact: true }).click();
  const pad = page.getByRole('group', { name: /^Digits for/ });
  await pad.getByRole('button', { name: 'Next' }).click();
  await pad.getByRole('button', { name: 'Next' }).click();
  await expect(page.getByRole('group', { name: 'Digits for Temperature' })).toBeVisible();
  await expect(temperature).toBeInViewport({ ratio: 1 });
  const box = await temperature.boundingBox();
  const padBox = await pad.boundingBox();
  expect((box?.y ?? 0) + (box?.height ?? 0)).toBeLessThanOrEqual(padBox?.y ?? 0);
});
