import {
  expect,
  follow,
  goTo,
  openDemo,
  openTestSheet,
  saved,
  savedAndLeft,
  test,
  WORKED_OUT,
} from './support';

test('drops are counted, kept over a reload, and logged', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Cycle');
  await page.getByRole('button', { name: /^No ammonia now|^Dose \d/ }).click();
  await expect(page.getByText('416 drops or 20.8 mL')).toBeVisible();
  await page.getByLabel('Raise ammonia by').fill('0.02');
  await expect(page.getByText(/^4 drops/)).toBeVisible();
  const pad = page.getByRole('button', { name: /Tap for each drop/ });
  await pad.click();
  await pad.click();
  await page.reload();
  await expect(page.getByRole('button', { name: /Drop 2 of 4/ })).toBeVisible();
  await pad.click();
  await pad.click();
  await expect(page.getByText('That is all of them.')).toBeVisible();
  await page.getByRole('button', { name: 'Log 4 drops' }).click();
  await savedAndLeft(page, 'Saved the dose');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await follow(page, '/cycle/dose');
  await page.getByLabel('Raise ammonia by').fill('9');
  await expect(page.getByText('More than the filter bacteria can use')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Log .*mL/ })).toBeDisabled();
});

test('a challenge runs by the log and survives a reload', async ({ page }) => {
  await openDemo(page);
  await follow(page, '/log/dose');
  await page.getByRole('radio', { name: 'By the rise' }).click();
  await page.getByLabel('How much').fill('2');
  await page.getByRole('button', { name: 'Save the dose' }).click();
  await savedAndLeft(page, 'Saved the dose');
  await follow(page, '/cycle');
  await page.getByRole('button', { name: /^Rule for done:/ }).click();
  await page.getByRole('radio', { name: /^Challenge dose/ }).click();
  await page.getByRole('button', { name: 'Judge it this way' }).click();
  await goTo(page, 'Today');
  await page.getByRole('button', { name: /^Test ammonia and nitrite for the challenge/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Let it work.');
  await page.reload();
  await expect(page.getByText('Test both in')).toBeVisible();
  await page.getByRole('button', { name: 'Log the test' }).click();
  await expect(page.getByRole('button', { name: 'Ammonia 0', exact: true })).toBeVisible();
});

test(
  'methods are played in this tank; a fish only behind its cautions',
  WORKED_OUT,
  async ({ page }) => {
    await openDemo(page);
    await goTo(page, 'Cycle');
    await page.getByRole('button', { name: /^Method:/ }).click();
    await expect(page.getByText(/Ammonium chloride with bottled bacteria: about/)).toBeVisible();
    await page.getByRole('radio', { name: /^A fish/ }).click();
    const choose = page.getByRole('button', { name: 'Cycle it this way' });
    await expect(page.getByText('Hard on the animal', { exact: true })).toBeVisible();
    await expect(choose).toBeDisabled();
    await page.getByRole('checkbox', { name: 'I accept these cautions' }).click();
    await choose.click();
    await saved(page, 'Changed the method');
    await follow(page, '/cycle');
    await expect(page.getByText('Test ammonia today')).toBeVisible();
    await openTestSheet(page);
    await page.getByRole('button', { name: 'Ammonia 2', exact: true }).click();
    await page.getByRole('button', { name: /^Save 1 reading/ }).click();
    await savedAndLeft(page, /Logged|Saved/);
    await follow(page, '/cycle');
    await expect(page.getByText(/^(Act now|Emergency): free ammonia/)).toBeVisible();
    await goTo(page, 'Today');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(
      'Watch: an animal is in before the cycle is done.',
    );
    // Cycle, which says the same, is kept out of sight.
    const urgent = page.getByText(/^(Act now|Emergency): free ammonia/).filter({ visible: true });
    await expect(urgent).toBeVisible();
  },
);

test('growth is logged as sighted, corrected, and counts by its rule for done', async ({
  page,
}) => {
  await openDemo(page);
  await follow(page, '/log/sighting');
  await page.getByRole('radio', { name: /^Diatoms/ }).click();
  await page.getByRole('radio', { name: 'Patches' }).click();
  await page.getByRole('button', { name: 'Save the growth' }).click();
  await savedAndLeft(page, /^Saved/);
  await goTo(page, 'Cycle');
  await page.getByRole('button', { name: /^Rule for done:/ }).click();
  await page.getByRole('radio', { name: /^Algae/ }).click();
  await page.getByRole('button', { name: 'Judge it this way' }).click();
  await page.getByRole('button', { name: /^Algae succession seen/ }).click();
  await expect(page.getByRole('dialog')).toContainText('Seen so far: diatoms');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Entry|Diatoms/ })
    .first()
    .click();
  await page.getByRole('radio', { name: 'A trace' }).click();
  await page.getByRole('button', { name: 'Save the change' }).click();
  await saved(page, /Corrected/);
});

test('a programme and the last steps are dated and summed for the tank', async ({ page }) => {
  await openDemo(page);
  await follow(page, '/cycle/programme');
  await page.getByLabel('First day, for 100 L').fill('50');
  await page.getByLabel('Later, for 100 L').fill('ten');
  await expect(page.getByText('"ten" is not a number.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep this programme' })).toBeDisabled();
  await page.getByLabel('Later, for 100 L').fill('10');
  await page.getByLabel('For', { exact: true }).fill('30');
  await expect(page.getByText('104 mL of bacteria')).toBeVisible();
  await expect(page.getByText('The programme ends: test both')).toBeVisible();
  await page.getByRole('button', { name: 'Keep this programme' }).click();
  await saved(page, 'Kept the programme');
  await follow(page, '/');
  await page.getByRole('button', { name: /^20.8 mL of bacteria/ }).click();
  await expect(page).toHaveURL(/\/log\/bacteria/);
  await follow(page, '/cycle/end');
  await expect(page.getByText(/1\. Change \d+ L of water/)).toBeVisible();
  await expect(page.getByText(/g of baking soda/)).toBeVisible();
  await page.getByRole('radio', { name: 'None' }).click();
  await expect(page.getByText('1. Change no water')).toBeVisible();
});

test('what another screen decided survives a change of the tank’s record', async ({ page }) => {
  await openDemo(page);
  await follow(page, '/cycle/programme');
  await page.getByLabel('First day, for 100 L').fill('50');
  await page.getByLabel('Later, for 100 L').fill('10');
  await page.getByRole('button', { name: 'Keep this programme' }).click();
  await saved(page, 'Kept the programme');
  await follow(page, '/tanks');
  await page.getByRole('button', { name: /^Kittiwake .* net of / }).click();
  await page.getByRole('button', { name: /^Name and kind/ }).click();
  await page.getByLabel('Name').fill('Kittiwake the second');
  await page.getByRole('button', { name: /^Save/ }).click();
  await saved(page, /^Changed /);
  await expect(page).not.toHaveURL(/\/name$/);
  await follow(page, '/cycle');
  await expect(
    page.getByRole('button', { name: /^Method: dry rock, bottle, ammonium/ }),
  ).toBeVisible();
  await follow(page, '/cycle/programme');
  await expect(page.getByText('The programme is due on Today.')).toBeVisible();
});

test('a prawn is weighed and logged as what it is', async ({ page }) => {
  await openDemo(page);
  await follow(page, '/cycle/dose');
  await page.getByRole('radio', { name: 'Prawn' }).click();
  await page.getByRole('button', { name: /^Log [\d.]+ g$/ }).click();
  await savedAndLeft(page, 'Saved the dose');
  await follow(page, '/');
  await expect(page.getByText(/Prawn in/).first()).toBeVisible();
});
