import { expect, goTo, openDemo, openTestSheet, saved, test, WORKED_OUT } from './support';

test('a place lies as it was left, a tap on it leads to its top, and no place says so', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Cycle');
  const title = page.getByRole('heading', { level: 1 });
  await expect(title).toHaveText('Nitrite is turning.');
  await page.getByRole('button', { name: /^Rule for done:/ }).scrollIntoViewIfNeeded();
  await page.getByRole('button', { name: /^Method:/ }).hover();
  await page.mouse.wheel(0, 2000);
  await expect(title).not.toBeInViewport();
  await goTo(page, 'Water');
  await expect(title).not.toHaveText('Nitrite is turning.');
  await goTo(page, 'Cycle');
  await expect(title).toHaveText('Nitrite is turning.');
  await expect(title).not.toBeInViewport();
  await goTo(page, 'Cycle');
  await expect(title).toBeInViewport();
  await page.goto('/nowhere/at/all');
  await expect(title).toHaveText('There is nothing at this address.');
  await page.goto('/log/entry/00000000-0000-7000-8000-000000000000');
  await expect(title).toHaveText('This entry is gone.');
});

test('every place is found in its group, and an entry by its words', async ({ page }) => {
  await openDemo(page);
  const places = page.getByRole('navigation', { name: 'Places' });
  await places.getByRole('link', { name: 'More' }).click();
  const main = page.getByRole('main');
  await expect(main.getByText(/^\d+ things? today, about \d+ min\.$/)).toBeVisible();
  await main.getByRole('link', { name: 'Journal', exact: true }).click();
  const lines = main.getByRole('listitem');
  await expect(lines.first()).toBeVisible();
  await page.getByLabel('Find an entry').fill('nitrite');
  await expect(lines.filter({ hasText: /nitrite/i }).first()).toBeVisible();
  await expect(lines.filter({ hasNotText: /nitrite/i })).toHaveCount(0);
  await lines.first().getByRole('button').click();
  await expect(page).toHaveURL(/\/log\/entry\//);
  await page.goBack();
  await expect(page).toHaveURL(/\/journal$/);
  // Beside each other, above the foot: the places of the group one is in.
  await places.getByRole('link', { name: 'Animals', exact: true }).click();
  await places.getByRole('link', { name: 'Quarantine', exact: true }).click();
  await expect(page).toHaveURL(/\/quarantine$/);
});

test('the cycle is judged criterion by criterion, by the rule for done one chooses', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Cycle');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Nitrite is turning.');
  await page.getByRole('button', { name: /^Nitrite reads zero: not yet/ }).click();
  await expect(page.getByRole('dialog')).toContainText('What would settle it');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Rule for done: both zero for 7 days/ }).click();
  await page.getByRole('radio', { name: /^Challenge dose/ }).click();
  await page.getByRole('radio', { name: '48 h' }).click();
  await page.getByRole('button', { name: 'Judge it this way' }).click();
  await saved(page, 'Changed the rule for done');
  await expect(page.getByRole('button', { name: /^Challenge passed/ })).toBeVisible();
  await page.getByRole('button', { name: 'As a table' }).click();
  await expect(page.getByRole('table')).toContainText('mg N/L');
});

test('units, bands and night are settings, and settings can be undone', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Settings');
  await page.getByRole('radio', { name: 'Night' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
  await page.getByRole('button', { name: 'All US' }).click();
  await goTo(page, 'Today');
  await expect(page.getByRole('button', { name: /55 gal net/ })).toBeVisible();
  await goTo(page, 'Settings');
  await page.getByRole('button', { name: 'Bands one by one' }).click();
  await page.getByRole('button', { name: /^Alkalinity/ }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('From').fill('6.5');
  await sheet.getByRole('button', { name: 'Use this band' }).click();
  await expect(page.getByText('6.5–9 dKH')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText('7.5–9 dKH')).toBeVisible();
});

test('a kit is described by its own card, and moves on the sheet', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Test kits and meters');
  await page
    .getByRole('button', { name: /Ammonia card/ })
    .first()
    .click();
  await page.getByLabel('The steps on the card').fill('0 0.5 1 3 6');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await saved(page, 'Saved Ammonia card');
  await page.getByRole('button', { name: 'Move Ammonia card down' }).click();
  await saved(page, 'Moved Ammonia card');
  await openTestSheetAfterMove(page);
});

async function openTestSheetAfterMove(page: Parameters<typeof openTestSheet>[0]): Promise<void> {
  await openTestSheet(page);
  await expect(page.getByRole('button', { name: 'Ammonia 6', exact: true })).toBeVisible();
  const names = await page
    .getByRole('group', { name: /steps of the card/ })
    .evaluateAll((groups) => groups.map((group) => group.getAttribute('aria-label')));
  expect(names.slice(0, 2)).toEqual(['Nitrite, steps of the card', 'Ammonia, steps of the card']);
}

test('the course can be moved by keys and read as a table', WORKED_OUT, async ({ page }) => {
  await openDemo(page);
  const course = page.getByRole('img', { name: /^The timeline of Kittiwake/ });
  // What the forecast and the plan add is drawn: the drawing is compared with itself below.
  await expect(course).toHaveAccessibleName(/Last fish/);
  await course.focus();
  await page.keyboard.press('0');
  const before = await course.innerHTML();
  await page.keyboard.press('+');
  await page.keyboard.press('ArrowLeft');
  await expect.poll(() => course.innerHTML()).not.toBe(before);
  await page.keyboard.press('0');
  await expect.poll(() => course.innerHTML()).toBe(before);
  await page.getByRole('button', { name: 'All milestones' }).click();
  await expect(page.getByRole('table', { name: 'Milestones' })).toContainText('Ammonia clear');
});
