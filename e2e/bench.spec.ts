import { expect, goTo, openDemo, test, tooWide } from './support';

test('a sum is found, knows the tank, follows what is typed and remembers it over a reload', async ({
  page,
}) => {
  await openDemo(page);
  await goTo(page, 'Calculators');
  await page.getByRole('textbox', { name: 'Find a sum' }).fill('nitrate become');
  await expect(page.getByText('No sum speaks of "nitrate become".')).toBeVisible();
  await page.getByRole('textbox', { name: 'Find a sum' }).fill('how much salt, and what');
  await page.getByRole('button', { name: /A water change/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('31.2 L.');
  await page.getByRole('textbox', { name: 'Share of the water' }).fill('25');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('52 L.');
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('52 L.');
  expect(await tooWide(page)).toEqual([]);
  await page.getByRole('button', { name: /own figures again/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('31.2 L.');
});
