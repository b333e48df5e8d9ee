import { writeFileSync } from 'node:fs';
import { runCommand } from '../cli/commands';
import { headsOfType, mergeRevisions, EMPTY_LOG, readLogFile, tankHistory } from '../src/core';
import { cycleProblem } from '../src/core/cycle/forecast';
import {
  expect,
  follow,
  goTo,
  IN_FULL,
  openDemo,
  openTestSheet,
  saved,
  savedAndLeft,
  test,
  tooWide,
  WORKED_OUT,
} from './support';
import { askTheWorker, workerFile } from './askTheWorker';
import { OWN_PAGE } from './sharedPage';

const NOON = '2026-11-24T12:00:00.000Z';

test(
  'the forecast is drawn, opens to its working, answers for a day, and asks for a test',
  WORKED_OUT,
  async ({ page }) => {
    await openDemo(page);
    await goTo(page, 'Cycle');
    await expect(page.getByText(/This tank clears/)).toBeVisible();
    await page.getByRole('button', { name: /^Clears nitrite:/ }).click();
    await expect(page.getByRole('dialog')).toContainText(
      'What the filter bacteria can turn over in a day',
    );
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Ready by your rule for done:/ }).click();
    const sheet = page.getByRole('dialog');
    await expect(sheet.getByText(/^By \w+ \d+ \w+ \d+: .*in (10|20)\.$/)).toBeVisible();
    const day = sheet.getByLabel('Ready by the evening of', { exact: true });
    await day.fill('2020-01-01');
    await expect(sheet.getByText('That day has gone by.')).toBeVisible();
    await day.fill('2099-01');
    await expect(sheet.getByText(/Write a day/)).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('heading', { name: 'Next test worth doing' })).toBeVisible();
    await expect(page.getByRole('heading', { name: 'If you do nothing' })).toBeVisible();
    await expect(page.getByText(/Raise alkalinity to 8.5:/)).toBeVisible();
    await expect(page.getByRole('heading', { name: 'What holds it back' })).toBeVisible();
    await goTo(page, 'Today');
    await expect(
      page.getByText(/^(The test that tells most about the date|Both are likely clear by then)/),
    ).toBeVisible();
    await page.getByRole('button', { name: 'All milestones' }).click();
    await expect(page.getByRole('table', { name: 'Milestones' })).toContainText('Cycle done');
  },
);

test(
  'the browser and the command give the same forecast for the same file and seed',
  IN_FULL,
  async ({ page }, info) => {
    const at = Date.parse(NOON);
    const file = info.outputPath('log.json');
    const demo = runCommand(['demo', '--at', NOON], at);
    writeFileSync(file, demo);
    const reading = readLogFile(demo);
    if (!reading.ok) throw new Error(reading.why);
    const log = mergeRevisions(EMPTY_LOG, reading.file.records);
    const tank = headsOfType(log, 'tank').find((t) => t.body.name === 'Kittiwake');
    if (!tank) throw new Error('The demo has no Kittiwake.');
    const problem = cycleProblem(tankHistory(log, tank.id, at), at);
    // The worker file that the app uses, given the same problem; of the app itself nothing is needed.
    await page.goto('/icon.svg');
    const { forecast, bytes } = await askTheWorker(page, workerFile(), problem);
    expect(bytes).toBeLessThanOrEqual(1_000_000);
    const printed = JSON.parse(
      runCommand(['forecast', file, '--tank', 'Kittiwake', '--at', NOON], at),
    );
    expect(Date.parse(printed.milestones.ready.p50)).toBe(forecast.milestones.ready.p50);
    expect(printed.capacity).toEqual(forecast.capacity);
  },
);

test(
  'newer readings move the forecast, and a reload in the middle loses nothing',
  { tag: [OWN_PAGE.tag, WORKED_OUT.tag] },
  async ({ page }) => {
    await openDemo(page);
    await goTo(page, 'Cycle');
    await expect(page.getByText(/This tank clears/)).toBeVisible();
    const figure = page.getByRole('button', { name: /^Clears nitrite:/ });
    const before = await figure.innerText();
    for (const step of ['Nitrite 5', 'Nitrite 2']) {
      await openTestSheet(page);
      await page.getByRole('button', { name: step, exact: true }).click();
      await page.getByRole('button', { name: /^Save 1 reading/ }).click();
      await savedAndLeft(page, /Logged|Saved/);
    }
    await page.reload();
    await goTo(page, 'Cycle');
    await expect(page.getByText(/This tank clears/)).toBeVisible();
    await expect.poll(() => figure.innerText()).not.toBe(before);
    // Back leads to before the reload, and nothing is read or worked out anew for it.
    const after = await figure.innerText();
    await goTo(page, 'Tanks');
    // Nor is it for the reload: filter bacteria are not inferred again from the same readings.
    let inferred = 0;
    await page.exposeFunction('askedToInfer', () => (inferred += 1));
    await page.addInitScript(() => {
      const { postMessage } = Worker.prototype;
      Worker.prototype.postMessage = function (this: Worker, message: { job?: string }) {
        if (message.job === 'infer') (window as unknown as { askedToInfer(): void }).askedToInfer();
        postMessage.call(this, message);
      } as typeof postMessage;
    });
    await page.reload();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('4 tanks.');
    await expect.poll(() => page.workers().length).toBe(1);
    let workers = 0;
    page.on('worker', () => (workers += 1));
    await page.goBack();
    await expect(page).toHaveURL('/');
    await goTo(page, 'Cycle');
    await expect.poll(() => figure.innerText()).toBe(after);
    expect(workers).toBe(0);
    expect(inferred).toBe(0);
  },
);

test('a very long name breaks nothing on the narrowest phone', async ({ page }) => {
  await openDemo(page);
  await goTo(page, 'Tanks');
  await page.getByRole('button', { name: /^Kittiwake .* net of / }).click();
  await page.getByRole('button', { name: /^Name and kind/ }).click();
  await page.getByLabel('Name').fill('The long low reef in the back room beside the old window 2');
  await page.getByRole('button', { name: /^Save/ }).click();
  await saved(page, /^Changed /);
  await expect(page).not.toHaveURL(/\/name$/);
  await page.setViewportSize({ width: 320, height: 640 });
  for (const place of [
    '/',
    '/cycle',
    '/cycle/dose',
    '/cycle/programme',
    '/log/animals',
    '/log/observation',
  ]) {
    await follow(page, place);
    await expect(page.getByRole('main')).toBeVisible();
    expect(await tooWide(page)).toEqual([]);
  }
  await follow(page, '/cycle');
  const name = page
    .getByRole('button', { name: /Switch tank/ })
    .getByText('Cycle', { exact: true });
  await expect(name).toBeVisible();
  expect(await name.evaluate((word) => word.scrollWidth - word.clientWidth)).toBe(0);
});
