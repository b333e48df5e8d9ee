import 'fake-indexeddb/auto';
import type { Random } from '../../src/core/math/random';
import { InstrumentServer } from '../../src/testing/instrumentServer';
import { tormented } from '../../src/testing/tormentedMonitor';

/** Steps of which each lets up to twelve minutes pass. */
const STEPS_AN_HOUR = 8;
const START = Date.parse('2026-03-02T12:00:00Z');

const heap = (): number => {
  (globalThis as { gc?: () => void }).gc?.();
  return process.memoryUsage().heapUsed;
};
const middle = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;

/**
 * A monitor of which everything goes wrong, read by two tabs that know nothing of each other: what of its samples
 * is lost or not as it was measured, and the heap of the last tenth against that of the first.
 */
export async function torturedByMonitor(hours: number, chance: Random): Promise<object> {
  const server = new InstrumentServer(START);
  await server.start();
  const heaps: number[] = [];
  const steps = Math.round(hours * STEPS_AN_HOUR);
  const tenth = Math.max(1, Math.round(steps / 10));
  const came = await tormented(server, 'torture', chance, steps, (step) => {
    if (step < tenth || step >= steps - tenth) heaps.push(heap());
  });
  await server.stop();
  const [first, last] = [middle(heaps.slice(0, tenth)), middle(heaps.slice(-tenth))];
  return {
    ...came,
    heapMbFirstTenth: Math.round(first / 1e5) / 10,
    heapMbLastTenth: Math.round(last / 1e5) / 10,
    collected: 'gc' in globalThis,
  };
}
