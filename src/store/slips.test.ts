import { judgeSlip, readSlip } from '../core/monitor/slip';
import { tankHistory } from '../core/history/derive';
import { LogBuilder } from '../testing/logBuilder';
import { testServices } from '../testing/services';
import { openLog } from './open';
import { storeRevisions } from './record';
import { bringSlip } from './slips';
import { createStore } from './store';

const NOW = Date.parse('2026-03-04T09:00:00Z');
const HOUR = 3_600_000;

it('two figures of one test on a slip, and those of the next slip, are of one kit, each as wide as it may be off', async () => {
  const store = createStore(testServices(NOW));
  await store.dispatch(openLog('own'));
  const builder = new LogBuilder();
  await store.dispatch(storeRevisions([...builder.revisions]));
  const bring = async (text: string, drawnAt: number) => {
    const { lines } = readSlip(text, []);
    const judged = judgeSlip(lines, 1, {});
    expect(await store.dispatch(bringSlip(judged, builder.tankId, 'UTC', drawnAt))).toBe(true);
  };
  await bring('nitrate 5 mg/L NO3\nnitrate 50 mg/L NO3', NOW - 50 * HOUR);
  await bring('nitrate 80 mg/L NO3\nalkalinity 8.1 dKH', NOW - 2 * HOUR);
  const { log } = store.getState();
  const shops = log.kits.filter(({ body }) => body.readBy === 'shop');
  expect(shops.map(({ body }) => body.parameter).sort()).toEqual(['alkalinity', 'nitrate']);
  const { nitrate } = tankHistory(log, builder.tankId, NOW).readings;
  expect(nitrate).toHaveLength(3);
  expect(new Set(nitrate.map(({ kitId }) => kitId)).size).toBe(1);
  // Half as wide as the smaller would say too much of the larger.
  const widths = nitrate.map(({ range, best }) => (range.high - best) / best);
  for (const width of widths) expect(width).toBeGreaterThanOrEqual(0.29);
});
