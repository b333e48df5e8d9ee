import type { Locator, Page } from '@playwright/test';
import { expect, follow, goTo, openDemo, test, WORKED_OUT } from './support';

test.use({ hasTouch: true });

async function middleOf(target: Locator): Promise<[number, number]> {
  // As a click would, but that it is not made: in sight, at rest, and taking taps.
  await target.click({ trial: true });
  const box = await target.boundingBox();
  if (!box) throw new Error('Not to be seen.');
  return [box.x + box.width / 2, box.y + box.height / 2];
}

/** Taps a place twice, as fast as a finger can. */
async function tapTwice(page: Page, target: Locator): Promise<void> {
  const [x, y] = await middleOf(target);
  await page.touchscreen.tap(x, y);
  await page.touchscreen.tap(x, y);
}

const step = (page: Page, place: number) =>
  expect(page.getByText(new RegExp(`^step ${place} of`))).toBeVisible();

test('a second tap answers no question that slid under the finger', async ({ page }) => {
  await openDemo(page);
  await follow(page, '/emergency');
  await page.getByRole('button', { name: /^Leak or overflow/ }).click();
  await step(page, 1);
  await tapTwice(page, page.getByRole('button', { name: 'Done', exact: true }));
  await step(page, 2);
  await expect(page.getByRole('radio', { checked: true })).toHaveCount(0);
  await tapTwice(page, page.getByRole('button', { name: 'Stop it', exact: true }));
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.getByRole('button', { name: 'Go on with it' }).click();
  await step(page, 2);
});

test('a second tap on what is due ticks nothing below it', WORKED_OUT, async ({ page }) => {
  await openDemo(page);
  await page.getByRole('button', { name: /^Fulmar: / }).click();
  const ticks = page.getByRole('main').getByRole('button', { name: /^Done: / });
  // What batches and medicines ask for joins the list a moment after the chores.
  let labels: (string | null)[] = [];
  let looks = 0;
  await expect
    .poll(async () => {
      const before = labels.join();
      labels = await ticks.evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')));
      looks = labels.join() === before ? looks + 1 : 0;
      return labels.length > 1 && looks > 4;
    })
    .toBe(true);
  const [, second] = labels;
  await tapTwice(page, ticks.first());
  await expect(page.getByRole('status').getByText(/: done$/)).toBeVisible();
  await expect(page.getByRole('button', { name: second ?? '', exact: true })).toBeVisible();
});

test('a second tap on Undo undoes one act', async ({ page }) => {
  await openDemo(page);
  await follow(page, '/data');
  const undo = page.getByRole('button', { name: /^Undo: / });
  const first = await undo.first().getAttribute('aria-label');
  await tapTwice(page, undo.first());
  await expect(page.getByRole('status').getByText('Undone')).toBeVisible();
  await expect(undo.nth(1)).toHaveAccessibleName(first ?? '');
});

test(
  'a counter, a pad and the rows of a card take every tap, however fast',
  WORKED_OUT,
  async ({ page }) => {
    await openDemo(page);
    await goTo(page, 'Cycle');
    await page.getByRole('button', { name: /^No ammonia now|^Dose \d/ }).click();
    // The forecast's sentence comes in above the counter and moves it.
    await expect(page.getByText(/By the forecast it is time/)).toBeVisible();
    await page.getByLabel('Raise ammonia by').fill('2');
    const counter = page.getByRole('button', { name: /Tap for each drop/ });
    const [x, y] = await middleOf(counter);
    for (let n = 0; n < 10; n += 1) await page.touchscreen.tap(x, y);
    await expect(page.getByRole('button', { name: /^Drop 10 of/ })).toBeVisible();
    await follow(page, '/log/test');
    for (const step of ['Ammonia 0.5', 'Nitrite 1', 'Nitrate 5']) {
      const [left, top] = await middleOf(page.getByRole('button', { name: step, exact: true }));
      await page.touchscreen.tap(left, top);
    }
    await expect(page.getByRole('button', { name: 'Save 3 readings' })).toBeVisible();
    const field = page.getByRole('main').getByRole('textbox', { name: 'pH', exact: true });
    await page.touchscreen.tap(...(await middleOf(field)));
    const pad = page.getByRole('group', { name: 'Digits for pH' });
    const key = await middleOf(pad.getByRole('button', { name: '7', exact: true }));
    for (let n = 0; n < 8; n += 1) await page.touchscreen.tap(...key);
    await expect(field).toHaveValue('77777777');
  },
);
