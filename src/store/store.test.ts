import { allRevisions, headsOfType, kitFrom } from '../core';
import { demoLog } from '../core/demo/demoLog';
import { testServices } from '../testing/services';
import { draftChanged } from './draftsSlice';
import { openLog, wipeLog } from './open';
import { recordAct, retryUnsaved, undoKeys } from './record';
import { selectHistory, selectVerdict } from './inView';
import { selectTank, selectTanks } from './selectors';
import { ticked } from './clockSlice';
import { createStore } from './store';

const NOW = Date.parse('2026-11-24T12:00:00Z');
let databases = 0;

/** A store on a database of its own, which can be made to refuse writes, and the same opened again. */
function fresh(full?: { now: boolean }) {
  databases += 1;
  const database = `store-${databases}`;
  return {
    store: createStore(testServices(NOW, { database, full })),
    again: () => createStore(testServices(NOW, { database })),
  };
}

const addKit = (name: string) =>
  recordAct((act) => act.create('kit', { ...kitFrom('ammoniaCard', 0), name }), 'Saved');

describe('the store', () => {
  it('saves an act, says so, and finds it again after a reload', async () => {
    const { store, again } = fresh();
    await store.dispatch(openLog('own'));
    expect((await store.dispatch(addKit('A'))).saved).toBe(true);
    expect(store.getState().session.notice?.text).toBe('Saved');
    const reloaded = again();
    await reloaded.dispatch(openLog('own'));
    expect(headsOfType(reloaded.getState().log, 'kit').map((kit) => kit.body.name)).toEqual(['A']);
  });

  it('undoes an act, and redoes it by undoing the undo', async () => {
    const { store } = fresh();
    await store.dispatch(openLog('own'));
    await store.dispatch(addKit('A'));
    const undo = () => store.dispatch(undoKeys(store.getState().session.notice?.undo ?? []));
    const count = () => headsOfType(store.getState().log, 'kit').length;
    await undo();
    expect(count()).toBe(0);
    await undo();
    expect(count()).toBe(1);
  });

  it('keeps what the browser refuses, says why, and saves it when there is room', async () => {
    const full = { now: true };
    const { store, again } = fresh(full);
    await store.dispatch(openLog('own'));
    expect((await store.dispatch(addKit('A'))).saved).toBe(false);
    expect(store.getState().pending).toMatchObject({
      queue: [{ which: 'own' }],
      trouble: { why: 'The browser has no room left.' },
    });
    expect(store.getState().session.notice).toBeNull();
    expect(headsOfType(store.getState().log, 'kit')).toHaveLength(1);
    expect(await store.dispatch(retryUnsaved())).toBe(false);
    full.now = false;
    expect((await store.dispatch(addKit('B'))).saved).toBe(true);
    expect(store.getState().pending).toEqual({ queue: [], trouble: null });
    const reloaded = again();
    await reloaded.dispatch(openLog('own'));
    expect(headsOfType(reloaded.getState().log, 'kit')).toHaveLength(2);
  });

  it('dates the demo once and keeps it apart from one’s own log', async () => {
    const { store, again } = fresh();
    const seed = { make: demoLog, zone: 'UTC' };
    await store.dispatch(openLog('demo', seed));
    const names = selectTanks(store.getState()).map((tank) => tank.body.name);
    expect(names).toEqual(['Kittiwake', 'Fulmar', 'Coral tub', 'Spare tank']);
    expect(selectTank(store.getState())?.body.name).toBe('Kittiwake');
    const first = allRevisions(store.getState().log);
    const reloaded = again();
    await reloaded.dispatch(openLog('demo', seed));
    expect(allRevisions(reloaded.getState().log)).toEqual(first);
    await reloaded.dispatch(openLog('own'));
    expect(selectTanks(reloaded.getState())).toEqual([]);
  });

  it('judges the tank in view', async () => {
    const { store } = fresh();
    store.dispatch(ticked(NOW));
    await store.dispatch(openLog('demo', { make: demoLog, zone: 'UTC' }));
    expect(selectHistory(store.getState())?.netLitres).toBe(208);
    expect(selectVerdict(store.getState())?.ready).toBe(false);
    expect(selectVerdict(store.getState())).toBe(selectVerdict(store.getState()));
  });

  it('keeps drafts across a reload and forgets everything when wiped', async () => {
    const { store, again } = fresh();
    await store.dispatch(openLog('own'));
    await store.dispatch(addKit('A'));
    store.dispatch(draftChanged({ name: 'test', value: { ph: '8.' } }));
    const reloaded = again();
    for (let tries = 0; tries < 50 && !reloaded.getState().drafts['test']; tries += 1) {
      await reloaded.dispatch(openLog('own'));
    }
    expect(reloaded.getState().drafts['test']).toEqual({ ph: '8.' });
    await reloaded.dispatch(wipeLog());
    expect(reloaded.getState().log.size).toBe(0);
    expect(reloaded.getState().drafts).toEqual({});
  });

  it('lets go of what was worked out from a log that is erased, and erases it even where it cannot', async () => {
    for (const fails of [false, true]) {
      let forgotten = 0;
      const services = testServices(NOW);
      services.jobs = {
        ...services.jobs,
        forget: () => {
          forgotten += 1;
          return fails ? Promise.reject(new Error('')) : Promise.resolve();
        },
      };
      const store = createStore(services);
      await store.dispatch(openLog('own'));
      await store.dispatch(addKit('Nitrite card'));
      expect(await store.dispatch(wipeLog())).toBe(true);
      expect([forgotten, store.getState().log.size]).toEqual([1, 0]);
    }
  });
});
