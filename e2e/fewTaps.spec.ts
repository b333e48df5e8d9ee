import { expect, openDemo, test, WORKED_OUT } from './support';
import type { Locator, Page } from '@playwright/test';

/** What a keeper looks for, with the README alone, is this near to Today at most. */
const MOST = 4;

/** A hand that begins at Today and counts what it taps; typing is no tap. */
class Thumb {
  taps = 0;
  readonly main: Locator;
  constructor(private readonly page: Page) {
    this.main = page.getByRole('main').filter({ visible: true });
  }
  private async tap(target: Locator): Promise<void> {
    await target.click();
    this.taps += 1;
  }
  /** A place at the foot, or among those of the group above it. */
  place(name: string): Promise<void> {
    return this.tap(
      this.page
        .getByRole('navigation', { name: /^Places/ })
        .getByRole('link', { name, exact: true })
        .filter({ visible: true }),
    );
  }
  /** A row of More. */
  row(name: string): Promise<void> {
    return this.tap(this.main.getByRole('link', { name, exact: true }));
  }
  press(name: string | RegExp): Promise<void> {
    const exact = typeof name === 'string';
    return this.tap(
      this.page.getByRole('button', { name, exact }).filter({ visible: true }).first(),
    );
  }
  heading(name: RegExp): Promise<void> {
    return expect(this.main.getByRole('heading', { level: 1, name })).toBeVisible();
  }
}

const DEEDS: readonly (readonly [
  what: string,
  done: (thumb: Thumb, page: Page) => Promise<void>,
])[] = [
  [
    'log a test',
    async (thumb, page) => {
      await thumb.press('Log');
      await thumb.press('Ammonia 0.25');
      await thumb.press(/^Save/);
      await expect(page.getByRole('status').getByText('Saved 1 reading')).toBeVisible();
    },
  ],
  [
    'undo it',
    async (thumb, page) => {
      await thumb.place('More');
      await thumb.row('Data');
      await thumb.press(/^Undo: Ammonia/);
      await expect(page.getByRole('status').getByText(/^Undone/)).toBeVisible();
    },
  ],
  [
    'read the verdict',
    async (thumb) => {
      await thumb.place('Water');
      await thumb.place('Cycle');
      await expect(thumb.main.getByRole('heading', { name: 'Ready when' })).toBeVisible();
      await expect(thumb.main.getByRole('button', { name: /^Rule for done: / })).toBeVisible();
    },
  ],
  [
    'ask for a fish',
    async (thumb, page) => {
      await thumb.place('Animals');
      await thumb.press('Can I add … today?');
      await page.getByRole('textbox', { name: 'Can I add … today?' }).fill('firefish');
      await thumb.press(/^Firefish/);
      await thumb.heading(/^No|^Not|^Yes/);
    },
  ],
  [
    'start a batch',
    async (thumb) => {
      await thumb.place('Animals');
      await thumb.place('Quarantine');
      await thumb.press('Begin a batch');
      await expect(thumb.main.getByRole('textbox', { name: 'Which animal' })).toBeVisible();
    },
  ],
  [
    'drip a shrimp',
    async (thumb, page) => {
      await thumb.place('Animals');
      await thumb.place('Acclimation');
      await thumb.main.getByRole('textbox', { name: 'Which animal' }).fill('cleaner shrimp');
      await thumb.press(/cleaner shrimp/i);
      for (const [field, value] of Object.entries({
        Salinity: '31',
        Temperature: '24',
        'Water in it': '1',
      })) {
        await thumb.main.getByRole('textbox', { name: field }).first().fill(value);
      }
      await thumb.press('Begin');
      await expect(page.getByText(/mL a minute|drip/i).first()).toBeVisible();
    },
  ],
  [
    'mix 40 L',
    async (thumb) => {
      await thumb.place('Water');
      await thumb.place('Mix saltwater');
      await thumb.press('Begin');
      await thumb.main.getByRole('textbox', { name: 'Water to make ready' }).fill('40');
      await thumb.press('Note it');
      await thumb.heading(/^To which salinity/);
    },
  ],
  [
    'go away for a week',
    async (thumb) => {
      await thumb.place('More');
      await thumb.row('Going away');
      await thumb.main.getByRole('textbox', { name: 'First day away' }).fill('2031-05-01');
      await thumb.main.getByRole('textbox', { name: 'Last day away' }).fill('2031-05-07');
      await thumb.press('Save it');
    },
  ],
  [
    'export',
    async (thumb, page) => {
      await thumb.place('More');
      await thumb.row('Data');
      const [file] = await Promise.all([
        page.waitForEvent('download'),
        thumb.press('Export the whole log'),
      ]);
      expect(file.suggestedFilename()).toMatch(/\.json$/);
    },
  ],
  [
    'an emergency',
    async (thumb) => {
      await thumb.press('SOS, emergencies');
      await thumb.press(/^Power cut/);
      await expect(thumb.main.getByText('First five minutes').first()).toBeVisible();
    },
  ],
];

test('what one looks for is four taps from Today at most', WORKED_OUT, async ({ page }) => {
  await openDemo(page);
  const taps: Record<string, number> = {};
  for (const [what, done] of DEEDS) {
    await page.evaluate(() => {
      history.pushState(null, '', '/');
      dispatchEvent(new PopStateEvent('popstate', { state: null }));
    });
    await expect(page.getByRole('heading', { level: 2, name: 'To do' })).toBeVisible();
    const thumb = new Thumb(page);
    await test.step(what, () => done(thumb, page));
    taps[what] = thumb.taps;
  }
  test.info().annotations.push({ type: 'taps', description: JSON.stringify(taps) });
  expect(Object.entries(taps).filter(([, count]) => count > MOST)).toEqual([]);
});
