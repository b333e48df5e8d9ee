import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setUpTank } from '../../e2e/support';
import { countAmmonia, logAmmonia, startBrowser } from './browser';

const STEPS = ['0', '0.25', '0.5', '1', '2', '4'];

/**
 * Kills the browser in the middle of work, again and again, on one profile. Whatever was said to be
 * saved must be there when it starts again, and nothing must be there twice.
 */
export async function torturedByKills(base: string, kills: number, chance: () => number) {
  const profile = mkdtempSync(path.join(os.tmpdir(), 'zoarium-torture-'));
  let said = 0;
  let tried = 0;
  let lost = 0;
  let doubled = 0;
  let found = 0;
  const first = await startBrowser(profile);
  await setUpTank(first.page, 'Razorbill', base);
  await first.kill();
  for (let n = 0; n < kills; n += 1) {
    const { page, kill } = await startBrowser(profile);
    let alive = true;
    const before = await countAmmonia(page, base);
    lost += Math.max(0, said - before);
    doubled += Math.max(0, before - tried);
    said = before;
    tried = before;
    found = before;
    const work = (async () => {
      while (alive) {
        tried += 1;
        await logAmmonia(page, base, STEPS[Math.floor(chance() * STEPS.length)] ?? '0');
        said += 1;
      }
    })().catch(() => undefined);
    await new Promise((resolve) => setTimeout(resolve, 900 + chance() * 1600));
    alive = false;
    await kill();
    await work;
  }
  const last = await startBrowser(profile);
  found = await countAmmonia(last.page, base);
  lost += Math.max(0, said - found);
  doubled += Math.max(0, found - tried);
  await last.kill();
  rmSync(profile, { recursive: true, force: true });
  return { kills, found, lost, doubled };
}
