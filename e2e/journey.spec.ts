import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import {
  expect,
  goTo,
  logSixValues,
  openDemo,
  openTestSheet,
  saved,
  savedAndLeft,
  setUpTank,
  test,
} from './support';

async function exportLog(page: Page): Promise<{ text: string; records: unknown[] }> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export the whole log' }).click(),
  ]);
  const text = readFileSync(await download.path(), 'utf8');
  return { text, records: (JSON.parse(text) as { records: unknown[] }).records };
}

test('a tank, a test session, a correction, an undo, and the whole log out and in', async ({
  page,
}) => {
  await setUpTank(page, 'Razorbill');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The cycle has not begun.');

  await logSixValues(page);
  await expect(page.getByText(/Free ammonia/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Save 6 readings' }).click();
  await savedAndLeft(page, 'Saved 6 readings');
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Not yet ready for fish.');
  await expect(page.getByRole('button', { name: /^Ammonia 0.25 ppm/ })).toBeVisible();

  await goTo(page, 'Water');
  await page.getByRole('button', { name: /^pH 8.05/ }).click();
  await page.getByRole('button', { name: /^8.05 .*Change/ }).click();
  await page.getByRole('textbox', { name: 'pH' }).fill('8.15');
  await page.getByRole('button', { name: 'Save the change' }).click();
  await saved(page, 'Corrected the ph reading');
  await expect(page.getByRole('heading', { name: 'pH reads 8.15.' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'pH reads 8.05.' })).toBeVisible();

  await goTo(page, 'Data');
  const before = await exportLog(page);
  expect(before.records.length).toBeGreaterThan(12);
  await page.getByRole('button', { name: 'Erase this log' }).click();
  await page.getByLabel('Type erase to go on').fill('erase');
  await page.getByRole('button', { name: 'Erase everything' }).click();
  await saved(page, /^Erased/);

  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Import a log' }).click(),
  ]);
  await chooser.setFiles({
    name: 'log.json',
    mimeType: 'application/json',
    buffer: Buffer.from(before.text),
  });
  await page.getByRole('button', { name: /^Import \d+ records/ }).click();
  await saved(page, /^Imported/);
  const after = await exportLog(page);
  expect(after.records).toEqual(before.records);
  await page.reload();
  await goTo(page, 'Water');
  await expect(page.getByRole('button', { name: /^pH 8.05/ })).toBeVisible();
});

test('a form with something missing keeps what was typed and says what is wrong', async ({
  page,
}) => {
  await page.goto('/tanks/new');
  await page.getByLabel('Volume on the label').fill('ninety');
  await page.getByLabel('Name').fill('Guillemot');
  await page.getByRole('button', { name: 'Set up this tank' }).click();
  await expect(page.getByText('"ninety" is not a number.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Name')).toHaveValue('Guillemot');
  await expect(page.getByLabel('Volume on the label')).toHaveValue('ninety');
});

test('a dose, a water change and a note are logged and can be removed', async ({ page }) => {
  await setUpTank(page, 'Razorbill');
  await openTestSheet(page);
  await page.getByRole('link', { name: 'Dose' }).click();
  await page.getByRole('radio', { name: 'By the rise' }).click();
  await page.getByLabel('How much').fill('2');
  await expect(page.getByText(/Raises ammonia by about/)).toBeVisible();
  await page.getByRole('button', { name: 'Save the dose' }).click();
  await saved(page, 'Saved the dose');

  await openTestSheet(page);
  await page.getByRole('link', { name: 'Water change' }).click();
  await page.getByLabel('Water changed').fill('20,8');
  await expect(page.getByText('10 %')).toBeVisible();
  await page.getByRole('button', { name: 'Save the water change' }).click();
  await saved(page, 'Saved the water change');

  await openTestSheet(page);
  await page.getByRole('button', { name: 'More kinds of entry' }).click();
  await page.getByRole('dialog').getByText('Note', { exact: true }).click();
  await page.getByRole('button', { name: 'Save the note' }).click();
  await expect(page.getByText('Write a word or two first.')).toBeVisible();
  await page.getByLabel('What you saw or did').fill('Rock in, lights off.');
  await page.getByRole('button', { name: 'Save the note' }).click();
  await saved(page, 'Saved the note');

  await page.getByRole('button', { name: /^Note, Rock in/ }).click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await saved(page, 'Removed the note');
  await expect(page.getByRole('button', { name: /^Note, Rock in/ })).toHaveCount(0);
});

test('a file that is no log is refused in words and changes nothing', async ({ page }) => {
  await setUpTank(page, 'Razorbill');
  await goTo(page, 'Data');
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Import a log' }).click(),
  ]);
  await chooser.setFiles({
    name: 'photo.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"a":1}'),
  });
  await expect(page.getByText(/This is not a Zoarium log/)).toBeVisible();
});

test('keys lead everywhere, and stay silent while something is typed', async ({ page }) => {
  await setUpTank(page, 'Razorbill');
  await page.keyboard.press('c');
  await expect(page).toHaveURL('/cycle');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('g');
  await page.getByLabel('Find a page or a word').fill('water cycle');
  await expect(page).toHaveURL('/guide');
  await page.getByLabel('Find a page or a word').blur();
  await page.keyboard.press('l');
  await expect(page).toHaveURL('/log/test');
});

test('one field leads anywhere, by keys alone', async ({ page }) => {
  await openDemo(page);
  await page.keyboard.press('/');
  const field = page.getByLabel('What are you looking for?');
  await expect(field).toBeFocused();
  const seek = async (typed: string, found: RegExp) => {
    await field.fill(typed);
    await expect(page.getByRole('main').getByRole('button', { name: found }).first()).toBeVisible();
  };
  await seek('white spots', /^Signs of disease/);
  await seek('nitrite stuck', /^Why is nitrite stuck/);
  await seek('nitrite', /^Nitrite: .*, entry$/);
  await seek('Kittiwake', /^Kittiwake, tank$/);
  await seek('qqqqq', /^Back$/);
  await expect(page.getByText('Nothing here is called "qqqqq".')).toBeVisible();
  await seek('12 l at 25 %', /^A change of 25 %: 3 L/);
  await field.press('Enter');
  const share = page.getByLabel('Share of the water');
  await expect(share).toHaveValue('25');
  // What is typed from then on outlives a reload, and the figures of the search do not come back.
  await share.fill('30');
  await expect(page).not.toHaveURL(/share/);
  await page.reload();
  await expect(share).toHaveValue('30');
  await page.goBack();
  await seek('madarin', /mandarin.*: can I add one today\?/i);
  await field.press('ArrowDown');
  await field.press('ArrowUp');
  await field.press('Enter');
  await expect(page).toHaveURL(/\/stock\/add\?species=.*mandarin/);
});
