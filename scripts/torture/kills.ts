import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setUpTank } from '../../e2e/support';
import { compared, logTemperature, nthValue, startBrowser, temperaturesOf } from './browser';

/**
 * Kills the browser in the middle of work, again and again, on one profile. Whatever was said to be
 * saved must be there when it starts again, and nothing must be there twice.
 */
export async function torturedByKills(base: string, kills: number, chance: () => number) {
  const profile = mkdtempSync(path.join(os.tmpdir(), 'zoarium-torture-'));
  const said = new Set<string>();
  let tried = 0;
  const first = await startBrowser(profile);
  await setUpTank(first.page, 'Razorbill', base);
  await first.kill();
  for (let n = 0; n < kills; n += 1) {
    const { page, kill } = await startBrowser(profile);
    let alive = true;
    const work = (async () => {
      while (alive) {
        const value = nthValue((tried += 1));
        await logTemperature(page, base, value);
        said.add(value);
      }
    })().catch(() => undefined);
    await new Promise((resolve) => setTimeout(resolve, 1500 + chance() * 2000));
    alive = false;
    await kill();
    await work;
  }
  const last = await startBrowser(profile);
  const found = await temperaturesOf(last.page, base);
  await last.kill();
  rmSync(profile, { recursive: true, force: true });
  return { kills, tried, ...compared(said, found) };
}
