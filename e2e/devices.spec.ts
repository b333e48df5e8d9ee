import os from 'node:os';
import path from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { clickWhatHasSettled } from './clicks';
import { expect, follow, logAmmonia, saved, savedAndLeft, setUpTank, test } from './support';

/** Another device: a browser of its own, of the size of this one. */
async function deviceBeside(browser: Browser, beside: Page): Promise<Page> {
  const context = await browser.newContext({
    viewport: beside.viewportSize() ?? undefined,
    baseURL: new URL(beside.url()).origin,
  });
  const page = await context.newPage();
  clickWhatHasSettled(page);
  return page;
}

/** Makes a carry by a button of the screen, as a file. */
async function carried(page: Page, button: string): Promise<string> {
  await follow(page, '/data/devices');
  await page.getByRole('button', { name: button, exact: true }).first().click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save it as a file' }).click(),
  ]);
  const file = path.join(os.tmpdir(), `${process.pid}-${download.suggestedFilename()}`);
  await download.saveAs(file);
  return file;
}

async function choose(page: Page, file: string): Promise<void> {
  await follow(page, '/data/devices');
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Take over a file' }).click(),
  ]);
  await chooser.setFiles(file);
}

const named = async (page: Page, name: string) => {
  await follow(page, '/data/devices');
  await page.getByRole('textbox', { name: 'Its name on the others' }).fill(name);
  await page.getByRole('button', { name: `Call it ${name}` }).click();
  await expect(page.getByRole('button', { name: `Call it ${name}` })).toHaveCount(0);
};

const note = async (page: Page, text: string) => {
  await follow(page, '/log/note');
  await page.getByLabel('What you saw or did').fill(text);
  await page.getByRole('button', { name: 'Save the note' }).click();
  await savedAndLeft(page, /note/i);
};

test('phone and desk keep one log for a week, with a carry lost and one taken twice', async ({
  page: phone,
  browser,
}) => {
  await setUpTank(phone, 'Dunlin');
  await named(phone, 'Phone');
  await logAmmonia(phone, '0.5');
  await saved(phone, /reading/);
  const whole = await carried(phone, 'Carry to another device');

  const desk = await deviceBeside(browser, phone);
  await desk.goto('/');
  await expect(desk.getByRole('button', { name: 'Set up my tank' })).toBeVisible();
  await named(desk, 'Desk');
  await choose(desk, whole);
  const sheet = desk.getByRole('dialog');
  await expect(sheet.getByText('Take over from Phone')).toBeVisible();
  await expect(sheet.getByText(/1 test/)).toBeVisible();
  await expect(sheet.getByText('Tanks in it: Dunlin.')).toBeVisible();
  await sheet.getByRole('button', { name: /^Take over \d+ records$/ }).click();
  await expect(desk.getByRole('heading', { name: 'Phone has all of this.' })).toBeVisible();

  // Both go on; what the phone carries first is lost on the way.
  await note(desk, 'planned at the desk');
  await note(phone, 'seen at the tank');
  await carried(phone, 'Carry to another device');
  const back = await carried(desk, 'Carry to Phone');
  await choose(phone, back);
  await phone.getByRole('button', { name: /^Take over \d+ record/ }).click();
  await expect(phone.getByRole('heading', { name: 'Desk lacks some of this.' })).toBeVisible();
  const rest = await carried(phone, 'Carry to Desk');
  for (const time of ['first', 'again'] as const) {
    await choose(desk, rest);
    const button = time === 'first' ? /^Take over \d+ record/ : 'Note that Phone has it too';
    await desk.getByRole('button', { name: button }).click();
    await expect(desk.getByRole('heading', { name: 'Phone has all of this.' })).toBeVisible();
  }
  for (const page of [phone, desk]) {
    await follow(page, '/journal');
    await expect(page.getByText('planned at the desk')).toBeVisible();
    await expect(page.getByText('seen at the tank')).toBeVisible();
  }
  // What came is known by its name, outlives a reload, and goes again by one undo.
  await follow(desk, '/data/changes');
  await desk.reload();
  await expect(desk.getByText('Took over from Phone: 1 note')).toBeVisible();
  await desk.getByRole('button', { name: 'Undo: Took over from Phone: 1 note' }).click();
  await follow(desk, '/journal');
  await expect(desk.getByText('planned at the desk')).toBeVisible();
  await expect(desk.getByText('seen at the tank')).toHaveCount(0);
  await desk.context().close();
});
