import type { Page } from '@playwright/test';

/** Where instruments answer beside the app. */
export const INSTRUMENTS = '/instruments/v1';

/** The screen of an instrument, in a tab beside the app's. */
export async function screenOf(page: Page, instrument: string): Promise<Page> {
  const screen = await page.context().newPage();
  await screen.goto(new URL(`${INSTRUMENTS}/${instrument}/screen`, page.url()).href);
  return screen;
}

/** Pairs an instrument by the code on its screen, from the page of instruments. @returns its screen */
export async function pair(page: Page, name: string, instrument: string): Promise<Page> {
  await page.getByRole('button', { name: `Pair ${name}` }).click();
  const screen = await screenOf(page, instrument);
  const code = await screen.locator('.code').getAttribute('data-code');
  await page.getByLabel('Code on its screen').fill(code ?? '');
  await page.getByRole('button', { name: 'Pair it' }).click();
  await page.waitForURL(/\/connected\/[0-9a-f-]{36}$/);
  return screen;
}
