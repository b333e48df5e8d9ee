import { demoLog } from '../core/demo/demoLog';
import { tankHistory } from '../core/history/derive';
import { EMPTY_LOG, mergeRevisions } from '../core/records/log';
import { asksOfTank, asksOfTanks } from '../core/tasks/sources/asksOfTank';
import { asksSource } from '../core/tasks/sources/asksSource';
import { HERE, testServices } from '../testing/services';
import { renewAsks } from './asking';
import { ticked } from './clockSlice';
import { openLog } from './open';
import { recordAct } from './record';
import { selectTanks } from './selectors';
import { createStore } from './store';
import { selectTasksOf } from './world';

const NOW = Date.parse('2026-11-24T12:00:00Z');

async function demo() {
  const store = createStore(testServices(NOW, { jobs: HERE }));
  store.dispatch(ticked(NOW));
  await store.dispatch(openLog('demo', { make: demoLog, zone: 'UTC' }));
  const tank = selectTanks(store.getState()).find(({ body }) => body.name === 'Spare tank');
  if (!tank) throw new Error('no spare tank');
  return { store, tankId: tank.id };
}

describe('what is asked for', () => {
  it('is the same by the part of the log that crosses to the worker as by the whole', async () => {
    const { store } = await demo();
    const { log } = store.getState();
    const source = asksSource(log);
    if (!source) throw new Error('nothing to ask');
    expect(source.tankIds.length).toBeGreaterThan(1);
    const part = mergeRevisions(EMPTY_LOG, source.revisions);
    const whole = Object.fromEntries(
      source.tankIds.map((id) => [id, asksOfTank(log, tankHistory(log, id, NOW), NOW)]),
    );
    expect(asksOfTanks(part, source.tankIds, NOW)).toEqual(whole);
    expect(Object.values(whole).flat().length).toBeGreaterThan(3);
    expect(asksSource(EMPTY_LOG)).toBeNull();
  });

  it('comes to the tasks of its tank, and goes with its batch', async () => {
    const { store, tankId } = await demo();
    const titles = () => selectTasksOf(store.getState(), tankId).map(({ title }) => title);
    expect(titles()).not.toContain('Change water in quarantine');
    await store.dispatch(renewAsks());
    expect(titles()).toContain('Change water in quarantine');
    for (const head of store.getState().log.batches) {
      if (head.body.endedAt !== null) continue;
      const endedAt = new Date(NOW).toISOString();
      await store.dispatch(recordAct((act) => act.revise(head, { ...head.body, endedAt })));
    }
    await store.dispatch(renewAsks());
    expect(titles()).not.toContain('Change water in quarantine');
  });
});
