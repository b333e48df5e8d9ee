import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { has } from '../lib/run.mjs';
import { setUpTank } from '../../e2e/support';
import { logTemperature, nthValue, startBrowser } from './browser';

/** Counts what a real browser pushes to the disk while acts are saved, by the calls that it makes. */
export async function countedFlushes(base: string, acts: number) {
  if (!has('strace')) return { acts, skipped: 'strace is not installed' };
  const folder = mkdtempSync(path.join(os.tmpdir(), 'zoarium-flushes-'));
  const trace = path.join(folder, 'trace');
  const { page, kill } = await startBrowser(path.join(folder, 'profile'), [
    'strace',
    '-ff',
    '-qq',
    '-y',
    '-e',
    'trace=fsync,fdatasync',
    '-o',
    trace,
  ]);
  const counted = () =>
    readdirSync(folder)
      .filter((file) => file.startsWith('trace'))
      .flatMap((file) => readFileSync(path.join(folder, file), 'utf8').split('\n'))
      .filter((line) => line.includes('IndexedDB')).length;
  await setUpTank(page, 'Razorbill', base);
  await page.goto(`${base}/log/test`);
  const before = counted();
  const begun = performance.now();
  for (let n = 0; n < acts; n += 1) await logTemperature(page, base, nthValue(n));
  const msEach = Math.round((performance.now() - begun) / acts);
  const flushes = counted() - before;
  await kill();
  rmSync(folder, { recursive: true, force: true });
  return { acts, flushes, msEachUnderTrace: msEach };
}
