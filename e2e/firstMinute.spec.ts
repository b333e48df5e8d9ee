import type { Locator, Page } from '@playwright/test';
import { expect, follow, savedAndLeft, test, WORKED_OUT } from './support';

/** Counts what a keeper taps; what is typed is not counted, since it has to be. */
class Hand {
  taps = 0;

  constructor(private readonly page: Page) {}

  async tap(target: Locator): Promise<void> {
    this.taps += 1;
    await target.click();
  }

  /** Types where the field has to be tapped first. */
  async fill(label: string | RegExp, text: string): Promise<void> {
    this.taps += 1;
    await this.page.getByLabel(label).fill(text);
  }
}

const DAY = 86_400_000;

/** A day so many days ago, as the browser of the tests writes days. */
function daysAgo(days: number): string {
  return new Intl.DateTimeFormat('en-GB', { timeZone: 'Europe/Berlin' }).format(
    Date.now() - days * DAY,
  );
}

type Stage = 'Empty' | 'Cycling' | 'Running' | 'Moving house';

async function begin(page: Page, stage: Stage, since?: string) {
  const hand = new Hand(page);
  await page.goto('/');
  await hand.tap(page.getByRole('button', { name: 'Set up my tank' }));
  await hand.fill('Name', 'Dunlin');
  await hand.fill('Volume on the label', '208');
  if (stage !== 'Cycling')
    await hand.tap(page.getByRole('radio', { name: new RegExp(`^${stage}`) }));
  if (since !== undefined) await hand.fill(/^(Water went in on|It has run since)$/, since);
  await hand.tap(page.getByRole('button', { name: 'Set up this tank' }));
  await expect(page).toHaveURL(stage === 'Moving house' ? '/moving/move' : '/');
  return hand;
}

test('an empty tank is set up in a few taps, and Today says what comes first', async ({ page }) => {
  const hand = await begin(page, 'Empty');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Nothing is filled yet.');
  await expect(page.getByRole('button', { name: /^Build it/ })).toBeVisible();
  expect(hand.taps).toBeLessThanOrEqual(10);
});

test(
  'on day 12 the tests on paper go in at once, and a forecast stands there',
  WORKED_OUT,
  async ({ page }) => {
    const hand = await begin(page, 'Cycling', daysAgo(12));
    await hand.tap(page.getByRole('button', { name: /^Enter the tests you have on paper/ }));
    const rows = [
      ['day 1', '2', '0', '', '2'],
      ['day 5', '1', '1', '', ''],
      [daysAgo(1), '0', '5', '10', ''],
    ] as const;
    for (const [index, [day, ...values]] of rows.entries()) {
      const line = index + 1;
      await page.getByLabel(`Day of line ${line}`).fill(day);
      for (const [at, name] of (
        ['Ammonia', 'Nitrite', 'Nitrate', 'Ammonia dosed'] as const
      ).entries()) {
        const value = values[at];
        if (value === undefined || value === '') continue;
        await page.getByLabel(new RegExp(`^${name}, .*line ${line}$`)).fill(value);
      }
    }
    await hand.tap(page.getByRole('button', { name: /^Save 8 of them/ }));
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Not yet ready for fish.');
    await expect(page.getByText(/8 in 10/).first()).toBeVisible();
    expect(hand.taps).toBeLessThanOrEqual(10);
  },
);

test('a running tank is set up in a few taps, and told part by part later', async ({ page }) => {
  const hand = await begin(page, 'Running', daysAgo(200));
  expect(hand.taps).toBeLessThanOrEqual(10);
  await expect(page.getByRole('button', { name: /^Log who lives here, today/ })).toBeVisible();
  await page.getByRole('button', { name: /^Say what rock and sand are in it/ }).click();
  await page.getByLabel('Rock, dry').fill('30');
  await page.getByLabel('Sand depth').fill('3');
  await expect(page.getByText(/less water, doses \d+ % smaller\./)).toBeVisible();
  await page.getByRole('button', { name: 'Save it' }).click();
  await savedAndLeft(page, 'Changed Dunlin');
  await follow(page, '/tanks/this');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Dunlin.');
  await expect(page.getByText('30 kg of dry rock, 3 cm of sand.')).toBeVisible();
  const words = page.getByText(/^Still to tell$/);
  await expect(words).toBeVisible();
});

test('a tank that moves house is set up, and what its move takes stands there', async ({
  page,
}) => {
  const hand = await begin(page, 'Moving house', daysAgo(400));
  await hand.tap(page.getByRole('button', { name: 'It is the same tank: 191 L' }));
  await expect(page.getByText(/^Mix \d+ L of salt water beforehand/)).toBeVisible();
  expect(hand.taps).toBeLessThanOrEqual(10);
});
