import { chromium, type Page } from 'playwright-core';
import { ensureChromium } from '../scripts/lib/ensure.mjs';
import { scriptOf } from '../scripts/lib/inBrowser.mjs';
import { practicePrints } from '../src/testing/practicePrints';
import type { Study } from './study';
import { LAWS_NOW } from '../src/core/practice/world/nature';

/** Lives to a key. */
const EACH = 40;

let page: Page | undefined;

/** A page that has what lives them. */
async function opened(): Promise<Page> {
  if (page) return page;
  const browser = await chromium.launch({
    executablePath: await ensureChromium(),
    args: ['--no-sandbox'],
  });
  page = await browser.newPage();
  // As a script of the page its name is the page's, for every question after it.
  await page.addScriptTag({ content: scriptOf('src/testing/practicePrints.ts', 'prints') });
  return page;
}

/** Random lives of made-up tanks hashed by all their bits, in Node and in Chromium: alike, or it says which are not. */
export const prints: Study = {
  keys: (size) => Array.from({ length: size }, (_, n) => String(n)),
  run: async (key) => {
    const from = EACH * Number(key);
    const inBrowser = await (
      await opened()
    ).evaluate<string>(`prints.practicePrints(${EACH}, ${from}, ${LAWS_NOW})`);
    return { node: practicePrints(EACH, from, LAWS_NOW), inBrowser };
  },
  report: (rows) => [
    {
      lives: EACH * rows.length,
      alike: EACH * rows.filter(({ node, inBrowser }) => node === inBrowser).length,
      unlike: rows.filter(({ node, inBrowser }) => node !== inBrowser).map(({ key }) => key),
    },
  ],
  end: async () => {
    await page?.context().browser()?.close();
  },
};
