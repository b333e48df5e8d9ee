import { chromium, type Page } from '@playwright/test';
import { setUpTank } from '../../e2e/support';
import { compared, logTemperature, nthValue, temperaturesOf } from './browser';

/** Two tabs that log, reload and are ended at random moments; nothing said to be saved may be gone. */
export async function torturedByTabs(base: string, minutes: number, chance: () => number) {
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox'],
  });
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const setUp = await context.newPage();
  await setUpTank(setUp, 'Razorbill', base);
  await setUp.close();
  const until = Date.now() + minutes * 60_000;
  const said = new Set<string>();
  let tried = 0;
  let reloads = 0;
  let ends = 0;
  const live = async () => {
    let page: Page = await context.newPage();
    while (Date.now() < until) {
      const value = nthValue((tried += 1));
      const work = logTemperature(page, base, value).then(
        () => said.add(value),
        () => undefined,
      );
      const fate = chance();
      if (fate < 0.6) await work;
      else {
        await new Promise((resolve) => setTimeout(resolve, chance() * 600));
        if (fate < 0.8) {
          reloads += 1;
          await page.reload().catch(() => undefined);
          await work;
        } else {
          ends += 1;
          await page.close({ runBeforeUnload: false });
          await work;
          page = await context.newPage();
        }
      }
    }
    await page.close();
  };
  await Promise.all([live(), live()]);
  const page = await context.newPage();
  const found = await temperaturesOf(page, base);
  await browser.close();
  return { minutes, tried, reloads, ends, ...compared(said, found) };
}
