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

/** Median ms of forty transactions of one small record each, in the browser itself. */
function costOf(durability: IDBTransactionDurability): Promise<number> {
  return new Promise((resolve, reject) => {
    const open = indexedDB.open(`cost-${durability}`);
    // Held by the page, so that it is not collected while it waits.
    Object.assign(window, { [durability]: open });
    open.onerror = () => reject(open.error);
    open.onupgradeneeded = () => open.result.createObjectStore('blocks');
    open.onsuccess = () => {
      const times: number[] = [];
      const next = () => {
        const begun = performance.now();
        const work = open.result.transaction('blocks', 'readwrite', { durability });
        work.objectStore('blocks').put('x', times.length);
        work.oncomplete = () => {
          times.push(performance.now() - begun);
          if (times.length < 40) return next();
          resolve(Math.round((times.sort((a, b) => a - b)[20] ?? 0) * 10) / 10);
        };
      };
      next();
    };
  });
}

async function flushesOf(base: string, acts: number, wishes: boolean): Promise<number> {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'zoarium-flushes-'));
  const { page, kill } = await startBrowser(path.join(folder, 'profile'), [
    ...['strace', '-ff', '-qq', '-y', '-e', 'trace=fsync,fdatasync'],
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
