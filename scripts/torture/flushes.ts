import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { has } from '../lib/run.mjs';
import { setUpTank } from '../../e2e/support';
import { logTemperature, nthValue, startBrowser } from './browser';

/** Drops every wish for durability, as the storage package alone would have it. */
function withoutWishes(): void {
  const plain = IDBDatabase.prototype.transaction;
  IDBDatabase.prototype.transaction = function (names, mode) {
    return plain.call(this, names, mode);
  };
}

/**
 * Median ms of forty transactions of one small record each, in the browser itself. It names no
 * inner function: the runner would mark a name with a helper that a page does not have.
 */
async function costOf(durability: IDBTransactionDurability): Promise<number> {
  const database = await new Promise<IDBDatabase>((resolve, reject) => {
    const open = indexedDB.open(`cost-${durability}`);
    open.onerror = () => reject(open.error);
    open.onupgradeneeded = () => open.result.createObjectStore('blocks');
    open.onsuccess = () => resolve(open.result);
  });
  const times: number[] = [];
  while (times.length < 40) {
    const begun = performance.now();
    await new Promise<void>((resolve, reject) => {
      const work = database.transaction('blocks', 'readwrite', { durability });
      work.objectStore('blocks').put('x', times.length);
      work.oncomplete = () => resolve();
      work.onerror = () => reject(work.error);
    });
    times.push(performance.now() - begun);
  }
  return Math.round((times.sort((a, b) => a - b)[20] ?? 0) * 10) / 10;
}

async function flushesOf(base: string, acts: number, wishes: boolean): Promise<number> {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'zoarium-flushes-'));
  const { page, kill } = await startBrowser(path.join(folder, 'profile'), [
    ...['strace', '-ff', '--seccomp-bpf', '-qq', '-y', '-e', 'trace=fsync,fdatasync'],
    ...['-o', path.join(folder, 'trace')],
  ]);
  if (!wishes) await page.context().addInitScript(withoutWishes);
  const counted = () =>
    readdirSync(folder)
      .filter((file) => file.startsWith('trace'))
      .flatMap((file) => readFileSync(path.join(folder, file), 'utf8').split('\n'))
      .filter((line) => line.includes('IndexedDB')).length;
  await setUpTank(page, 'Razorbill', base);
  await page.goto(`${base}/log/test`);
  const before = counted();
  for (let n = 0; n < acts; n += 1) await logTemperature(page, base, nthValue(n));
  const flushes = counted() - before;
  await kill();
  rmSync(folder, { recursive: true, force: true });
  return flushes;
}

/** What a real browser pushes to the disk while acts are saved, by its calls of the system. */
export async function countedFlushes(base: string, acts: number) {
  if (!has('strace')) return { acts, skipped: 'strace is not installed' };
  const flushes = await flushesOf(base, acts, true);
  const withoutStrict = await flushesOf(base, acts, false);
  const folder = mkdtempSync(path.join(os.tmpdir(), 'zoarium-cost-'));
  const { page, kill } = await startBrowser(folder);
  await page.goto(base);
  const strictMs = await page.evaluate(costOf, 'strict' as const);
  const relaxedMs = await page.evaluate(costOf, 'relaxed' as const);
  await kill();
  rmSync(folder, { recursive: true, force: true });
  return { acts, flushes, withoutStrict, strictMs, relaxedMs };
}
