import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { type Page } from '@playwright/test';
import { expect, follow, goTo, openDemo, saved, savedAndLeft, test, WORKED_OUT } from './support';
import { OWN_PAGE } from './sharedPage';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });

/** The demo at its stocked tank, with Stock open and its plan made. */
async function openStock(page: Page): Promise<void> {
  await openDemo(page);
  await page.getByRole('button', { name: /Switch tank$/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Fulmar/ })
    .click();
  await goTo(page, 'Stock');
  await expect(heading(page)).toHaveText(/^Room for \w+ small fish\.$/);
  await expect(page.getByRole('img', { name: /made now \d+ mg N a day/ })).toBeVisible();
}

test(
  'from wishes to a plan to a pinned change, and a rule set aside',
  WORKED_OUT,
  async ({ page }) => {
    await openStock(page);
    await expect(
      page.getByRole('button', { name: /^Mandarin dragonet, .*copepods of its own/ }),
    ).toBeVisible();
    await expect(
      page.getByRole('button', { name: /^Maroon clownfish, not planned/ }),
    ).toBeVisible();
    await page.getByRole('button', { name: '9 wished for' }).click();
    await expect(heading(page)).toHaveText(/^8 wishes by /);

    await page.getByRole('button', { name: /^Firefish: / }).click();
    await page.getByRole('textbox', { name: 'Pinned to a day' }).fill('1 May');
    await page.getByRole('button', { name: 'Pin it' }).click();
    await saved(page, 'Firefish pinned');
    await expect(
      page.getByRole('button', { name: /^Firefish: .*1 May( \d{4})?, pinned/ }),
    ).toBeVisible();
    await expect(page.getByText('What moved')).toBeVisible();
    await page.getByRole('button', { name: /^Firefish: / }).click();

    // Lifted, moved and put down by keys alone.
    const grip = page.getByRole('button', { name: 'Move Neon goby' });
    await grip.focus();
    await page.keyboard.press('Space');
    await expect(page.getByText('Neon goby over place 3.')).toBeAttached();
    await page.keyboard.press('ArrowUp');
    await expect(page.getByText('Neon goby over place 2.')).toBeAttached();
    await page.keyboard.press('ArrowUp');
    await expect(page.getByText('Neon goby over place 1.')).toBeAttached();
    await page.keyboard.press('Space');
    await saved(page, 'Order changed');
    await expect(
      page.getByRole('list', { name: 'Wishes' }).getByRole('listitem').first(),
    ).toContainText('Neon goby');

    await page.getByRole('button', { name: /^Maroon clownfish: not planned/ }).click();
    await page.getByLabel('Set the rule aside, because').fill('It is the last of an old pair');
    await page.getByRole('button', { name: 'Set it aside' }).click();
    await expect(
      page.getByRole('button', { name: /^Maroon clownfish: .*last of an old pair/ }),
    ).toBeVisible();
  },
);

test(
  'the shop question: yes with its peak, no by its rule, and not yet with its day',
  WORKED_OUT,
  async ({ page }) => {
    await openStock(page);
    await page.getByRole('button', { name: 'Can I add … today?' }).click();
    const field = page.getByRole('textbox', { name: 'Can I add … today?' });
    await field.fill('firefsh');
    await page.getByRole('button', { name: /^Firefish/ }).click();
    await expect(heading(page)).toHaveText('Yes.');
    await expect(page.getByText(/Free ammonia would peak near 0\.\d+ mg\/L/)).toBeVisible();
    await expect(page.getByText(/Quarantine comes first: 28 days/)).toBeVisible();
    for (let more = 0; more < 7; more += 1)
      await page.getByRole('button', { name: '+', exact: true }).click();
    await expect(heading(page)).toHaveText('No.');
    await expect(page.getByText(/two become a pair/).first()).toBeVisible();

    await field.fill('valentini');
    await page.getByRole('button', { name: /Valentini/ }).click();
    await expect(page.getByText(/crushes shells and legs/).first()).toBeVisible();
    await field.fill('mandarin dragonet');
    await page.getByRole('button', { name: /^Mandarin dragonet/ }).click();
    await expect(heading(page)).toHaveText(/^Not before \w+ \d+ \w+( \d{4})?\.$/);
    await page.getByRole('button', { name: 'What it needs' }).click();
    await expect(heading(page)).toHaveText('Mandarin dragonet.');
  },
);

test(
  'a death is logged, begins its run, and counts among the losses',
  WORKED_OUT,
  async ({ page }) => {
    await openStock(page);
    await page.getByRole('button', { name: /^Clownfish × 2/ }).click();
    await expect(heading(page)).toHaveText('Clownfish × 2.');
    await page.getByRole('button', { name: 'Died', exact: true }).click();
    await page.getByLabel('What of, if you know').fill('found behind the pump');
    await expect(page.getByText('Take it out, then test ammonia')).toBeVisible();
    await page.getByRole('button', { name: /^Save/ }).click();
    await savedAndLeft(page, /animals/i);
    await expect(heading(page)).toHaveText('Clownfish.');
    await expect(page.getByText('found behind the pump')).toBeVisible();
    await follow(page, '/');
    await page
      .getByRole('button', { name: /Dead or missing animal/ })
      .first()
      .click();
    await expect(heading(page)).toHaveText('Find it.');
    await expect(page.getByText(/Look for Clownfish/)).toBeVisible();
    await follow(page, '/stock/losses');
    await expect(heading(page)).toHaveText('3 losses.');
  },
);

test(
  'a coral that would sting its neighbour is moved away by keys, and another put on the plan',
  WORKED_OUT,
  async ({ page }) => {
    await openStock(page);
    await page.getByRole('button', { name: /^Where the corals stand/ }).click();
    await expect(heading(page)).toHaveText('A place that harms.');
    await expect(page.getByText(/^Hammer coral reaches 15 cm at night/).first()).toBeVisible();
    const mark = page.getByRole('button', { name: /^Hammer coral, \d+ cm from the left/ });
    await mark.focus();
    await page.keyboard.press('Space');
    await expect(page.getByText('Hammer coral lifted.')).toBeAttached();
    for (let step = 0; step < 26; step += 1) await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Space');
    await expect(page.getByText('Hammer coral put down.')).toBeAttached();
    await expect(heading(page)).not.toHaveText('A place that harms.');
    await page.getByLabel('Put another on the plan').fill('candy cane');
    await page
      .getByRole('button', { name: /^Candy cane coral/ })
      .first()
      .click();
    await expect(
      page.getByRole('button', { name: /^Candy cane coral, \d+ cm from the left/ }),
    ).toBeVisible();
  },
);

test(
  'a photo is scaled down, kept outside the log, and brought to another browser',
  { tag: [OWN_PAGE.tag, WORKED_OUT.tag] },
  async ({ page }) => {
    const picture = Buffer.from(
      await page.evaluate(() => {
        const canvas = document.createElement('canvas');
        [canvas.width, canvas.height] = [3000, 1500];
        const context = canvas.getContext('2d');
        if (context) {
          context.fillStyle = 'teal';
          context.fillRect(300, 200, 900, 700);
        }
        return canvas.toDataURL('image/png').split(',')[1] ?? '';
      }),
      'base64',
    );
    const choose = async (button: string | RegExp, file: { name: string; buffer: Buffer }) => {
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        page.getByRole('button', { name: button }).click(),
      ]);
      await chooser.setFiles({ mimeType: '', ...file });
    };
    await openStock(page);
    await page.getByRole('button', { name: /^Royal gramma/ }).click();
    await choose('Add a photo', { name: 'notes.png', buffer: Buffer.from('no picture at all') });
    await expect(page.getByText(/cannot read that as a picture/)).toBeVisible();
    await choose('Add a photo', { name: 'gramma.png', buffer: picture });
    await saved(page, 'Photo kept');
    const photo = page.getByLabel('Photo: Royal gramma');
    await expect(photo).toBeVisible();
    await page.reload();
    await expect(photo).toBeVisible();
    const size = await photo.locator('img').evaluate((image) => {
      const { naturalWidth, naturalHeight } = image as HTMLImageElement;
      return [naturalWidth, naturalHeight];
    });
    expect(size).toEqual([1024, 512]);

    const cohort = page.url();
    await follow(page, '/data');
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Export the photos' }).click(),
    ]);
    const text = readFileSync(await download.path(), 'utf8');
    const [[id, kept]] = Object.entries(JSON.parse(text).photos) as [[string, string]];
    expect(
      createHash('sha256')
        .update(Buffer.from(kept.split(',')[1] ?? '', 'base64'))
        .digest('hex'),
    ).toBe(id);
    const [log] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Export the whole log' }).click(),
    ]);
    const records = readFileSync(await log.path(), 'utf8');
    expect(records).toContain(id);
    expect(records).not.toContain('data:image');

    await follow(page, cohort);
    await page.getByRole('button', { name: 'Take it away' }).click();
    await saved(page, 'Photo taken away');
    await follow(page, '/data');
    await page.getByRole('button', { name: 'Remove what no animal shows' }).click();
    await expect(page.getByText('Remove what no animal shows')).toHaveCount(0);
    await choose(/^Import a log or photos/, { name: 'photos.json', buffer: Buffer.from(text) });
    await saved(page, 'Took in 1 photo');
  },
);

test(
  'a growth is named by a few looks, with what would make it worse',
  WORKED_OUT,
  async ({ page }) => {
    await openStock(page);
    await page.getByRole('button', { name: /^What grows here/ }).click();
    await page.getByRole('radio', { name: 'Brown, rusty' }).click();
    await page.getByRole('radio', { name: 'Slime, strings' }).click();
    await page.getByRole('radio', { name: 'Gone, and back by afternoon' }).click();
    await expect(heading(page)).toHaveText('Dinoflagellates, almost certainly.');
    await expect(page.getByText(/Starving it of nutrients: that makes it worse/)).toBeVisible();
    await page.getByRole('button', { name: 'Log it as seen' }).click();
    await expect(page.getByRole('radio', { name: /Dinoflagellates/ })).toBeChecked();
    await page.getByRole('button', { name: /^Save/ }).click();
    await savedAndLeft(page, /growth/i);
    await expect(page.getByRole('heading', { name: 'Clean-up crew' })).toBeVisible();
  },
);
