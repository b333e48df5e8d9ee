import type { Page } from '@playwright/test';
import {
  closePad,
  expect,
  follow,
  goTo,
  openDemo,
  saved,
  test,
  typeValue,
  WORKED_OUT,
} from './support';
import { OWN_PAGE } from './sharedPage';

const DAY = 24 * 3_600_000;
const heading = (page: Page) => page.getByRole('heading', { level: 1 });

async function look(page: Page, tank: string): Promise<void> {
  await page.getByRole('button', { name: /Switch tank$/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: new RegExp(`^${tank}`) })
    .click();
  await expect(
    page.getByRole('button', { name: new RegExp(`^${tank}.*Switch tank$`) }),
  ).toBeVisible();
}

test(
  'a week of chores: a tap each, one put off, one left out with its reason',
  { tag: [OWN_PAGE.tag, WORKED_OUT.tag] },
  async ({ page }) => {
    await page.clock.install();
    await openDemo(page);
    await look(page, 'Fulmar');
    const round = page.getByRole('button', { name: /^Done: Daily round/ });
    await round.click();
    // A slip of the thumb is taken back, and the chore is due as before.
    await page.getByRole('status').getByRole('button', { name: 'Undo' }).click();
    for (const days of [1, 2, 4]) {
      await round.click();
      await saved(page, 'Daily round: done');
      await expect(round).toHaveCount(0);
      await page.clock.fastForward(days * DAY);
      await expect(round).toHaveCount(1);
    }
    await page.getByRole('button', { name: 'Put something off' }).click();
    const sheet = page.getByRole('dialog');
    await sheet.getByRole('button', { name: /^Flush the membrane/ }).click();
    await sheet.getByLabel(/^Why it is left out/).fill('renewed last week');
    await sheet.getByRole('button', { name: 'Leave it out this time' }).click();
    await expect(page.getByRole('button', { name: /^Done: Flush the membrane/ })).toHaveCount(0);

    await goTo(page, 'Chores');
    await expect(heading(page)).toHaveText(/ today/);
    await expect(page.getByRole('img', { name: /^week of/ })).toBeVisible();
    await page.getByRole('button', { name: /^Flush the membrane/ }).click();
    await expect(page.getByText('left out', { exact: true })).toBeVisible();

    // A chore of one’s own: weekly, on days of the week.
    await page.getByRole('button', { name: 'Back' }).click();
    await page.getByRole('button', { name: 'Add a chore' }).click();
    await page.getByLabel('What it is').fill('Wipe the lamp');
    await page.getByRole('checkbox', { name: 'Sun' }).click();
    await page.reload();
    // What is half typed outlives a reload.
    await expect(page.getByLabel('What it is')).toHaveValue('Wipe the lamp');
    await page.getByRole('button', { name: 'Save it' }).click();
    await saved(page, 'Chore saved');
    await expect(
      page.getByRole('button', { name: /^Wipe the lamp, every week on Sun/ }),
    ).toBeVisible();

    const file = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the calendar file' }).click();
    expect((await file).suggestedFilename()).toMatch(/^zoarium-.*\.ics$/);
  },
);

test('an emergency by one hand: two taps to the first step, each step a tap', async ({ page }) => {
  await openDemo(page);
  await follow(page, '/calculators');
  await page.getByRole('button', { name: 'SOS, emergencies' }).click();
  await page.getByRole('button', { name: /^Power cut/ }).click();
  await expect(heading(page)).toHaveText('Heater and lights unplugged.');
  await expect(page.getByText('First five minutes').first()).toBeVisible();
  await expect(page.getByText('Water and electricity')).toBeVisible();
  const done = page.getByRole('button', { name: 'Done', exact: true });
  for (const title of ['Look at the sump.', 'Move the surface.', 'No food, lid off, few visits.']) {
    await done.click();
    await expect(heading(page)).toHaveText(title);
  }
  await done.click();
  await page.getByRole('textbox', { name: 'The room' }).fill('14');
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(heading(page)).toHaveText('Keep it warm.');
  // This tank’s own figure, as a range, and no promise of hours of oxygen.
  await expect(
    page.getByText(/in a room of 14 °C \(57 °F\): about [\d.]+ to [\d.]+ °C in the first hour/),
  ).toBeVisible();
  await follow(page, '/');
  // It goes on, on top of Today.
  await page
    .getByRole('main')
    .getByRole('button', { name: /^Power cut, Kittiwake/ })
    .click();
  await expect(heading(page)).toHaveText('Keep it warm.');
  await page.getByRole('button', { name: 'Stop it', exact: true }).click();
  await page.getByRole('button', { name: 'Stop it now' }).click();
  await follow(page, '/emergency');
  await page.getByRole('button', { name: /^A person is hurt/ }).click();
  await expect(page.getByText(/The emergency number first: 112 in Europe/).first()).toBeVisible();
});

test(
  'an emergency before there is a tank, and where the log cannot be opened',
  OWN_PAGE,
  async ({ page }) => {
    await page.goto('/emergency');
    await page.getByRole('button', { name: /^A person is hurt/ }).click();
    await expect(page.getByText(/The emergency number first: 112 in Europe/).first()).toBeVisible();
    await page.getByRole('button', { name: 'Other emergencies' }).click();
    await page.getByRole('button', { name: /^Power cut/ }).click();
    await expect(page.getByText('Look at the sump')).toBeVisible();

    await page.addInitScript(() => {
      Object.defineProperty(window, 'indexedDB', { get: () => undefined });
      Object.defineProperty(window, 'localStorage', {
        get: () => {
          throw new DOMException('denied', 'SecurityError');
        },
      });
    });
    await page.goto('/');
    await expect(heading(page)).toHaveText('The log cannot be opened.');
    await page.getByRole('button', { name: 'Emergencies' }).click();
    await page.getByRole('button', { name: /^A person is hurt/ }).click();
    await expect(page.getByText(/The emergency number first: 112 in Europe/).first()).toBeVisible();
  },
);

test(
  'twelve days away: what is done before, what waits, and one page for who comes by',
  OWN_PAGE,
  async ({ page }) => {
    await openDemo(page);
    await look(page, 'Fulmar');
    await goTo(page, 'Chores');
    await page.getByRole('button', { name: /^Days away/ }).click();
    await expect(heading(page)).toHaveText('When are you away?');
    const ahead = (days: number) => {
      const at = new Date(Date.now() + days * DAY);
      return `${at.getFullYear()}-${String(at.getMonth() + 1).padStart(2, '0')}-${String(at.getDate()).padStart(2, '0')}`;
    };
    await page.getByRole('textbox', { name: 'First day away' }).fill(ahead(4));
    await page.getByRole('textbox', { name: 'Last day away' }).fill(ahead(15));
    await page.getByLabel('Who comes by').fill('Ines');
    await page.getByLabel(/^Whom to call/).fill('Jonas, next door');
    await page.getByRole('button', { name: 'Save it' }).click();
    await expect(heading(page)).toHaveText(/^12 days away, from /);
    await expect(page.getByText('Before you leave').first()).toBeVisible();
    await expect(page.getByText('Waits until you are back').first()).toBeVisible();
    await expect(page.getByText('Not for a sheet').first()).toBeVisible();
    await page.getByRole('button', { name: 'The sheet' }).click();
    await expect(heading(page)).toHaveText('For Ines.');
    await expect(page.getByText('Jonas, next door')).toBeVisible();
    await expect(page.getByText(/Pellets: \d pinch/).first()).toBeVisible();
    await page.emulateMedia({ media: 'print', colorScheme: 'dark' });
    await expect(page.getByRole('button', { name: 'Print it' })).toBeHidden();
    const paper = await page.evaluate(() => getComputedStyle(document.body).backgroundColor);
    expect(paper).toBe('rgb(255, 255, 255)');
    await page.emulateMedia({ media: 'screen' });
    await follow(page, '/');
    await expect(page.getByText(/^Away from /).first()).toBeVisible();
  },
);

test(
  'back after five weeks of silence: three things, in order, each done by what is logged',
  OWN_PAGE,
  async ({ page }) => {
    await page.clock.install();
    await openDemo(page);
    await look(page, 'Fulmar');
    await expect(page.getByText(/^Back after/)).toHaveCount(0);
    // In two steps: a browser counts no further at once.
    await page.clock.fastForward(18 * DAY);
    await page.clock.fastForward(18 * DAY);
    await expect(page.getByText('Back after five weeks')).toBeVisible();
    await expect(
      page.getByText('Three things, in this order. Everything else can wait until they are done.'),
    ).toBeVisible();
    await page.getByRole('button', { name: /^1\. Look, count, top up.*open/ }).click();
    await typeValue(page, 'Salinity', '36.4');
    await closePad(page);
    await page.getByRole('button', { name: /^Save/ }).click();
    await expect(
      page.getByRole('button', { name: /^1\. Look, count, top up.*done/ }),
    ).toBeVisible();
    await expect(
      page.getByRole('button', { name: /^3\. Change 47 L, matched, open/ }),
    ).toBeVisible();
  },
);

test(
  'a move from 76 to 208 litres: the gap, the order, who went where, the old tank closed',
  WORKED_OUT,
  async ({ page }) => {
    test.setTimeout(120_000);
    await openDemo(page);
    await look(page, 'Spare tank');
    await goTo(page, 'Tanks');
    await page.getByRole('button', { name: /^Move Spare tank/ }).click();
    await page.getByLabel('Net water of the new tank').fill('208');
    await expect(page.getByText(/Mix 187 L of salt water beforehand.* bring 38 L/)).toBeVisible();
    await expect(heading(page)).toHaveText(/^(The filter|A small gap)/, { timeout: 60_000 });
    await expect(
      page.getByText(/kills? within the hour|never moved unrinsed/).first(),
    ).toBeVisible();
    await page.getByRole('button', { name: 'Begin the move' }).click();
    await expect(heading(page)).toHaveText('Media seeded beforehand.');
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(page.getByText('187 L', { exact: true })).toBeVisible();
    await follow(page, '/moving/move');
    await page.getByRole('button', { name: 'Log who moved' }).click();
    const sheet = page.getByRole('dialog');
    await sheet.getByRole('radio', { name: /^Kittiwake/ }).click();
    await sheet.getByRole('button', { name: /^Log \d+ groups? as moved/ }).click();
    await expect(
      page.getByRole('status').getByText(/^Moved \d+ groups? to Kittiwake/),
    ).toBeVisible();
    await follow(page, '/tanks');
    await expect(
      page.getByRole('button', { name: /^Spare tank closed; its log is kept/ }),
    ).toBeVisible();
  },
);
