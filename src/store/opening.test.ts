import { kitFrom } from '../core/records/kitTemplates';
import { demoLog } from '../core/demo/demoLog';
import { LogBuilder } from '../testing/logBuilder';
import { testServices } from '../testing/services';
import { openLog, wipeLog } from './open';
import { recordAct } from './record';
import { headsOfType } from '../core/records/log';
import { createStore } from './store';
import type { Services } from './services';

const NOW = Date.parse('2026-11-24T12:00:00Z');
const addKit = (name: string) =>
  recordAct((act) => act.create('kit', { ...kitFrom('ammoniaCard', 0), name }), 'Saved');

/** Services whose database answers a load only when it is let. */
function slow(name: string): { services: Services; answer: () => void } {
  const services = testServices(NOW, { database: name });
  const waiting: (() => void)[] = [];
  return {
    services: {
      ...services,
      openDatabase: (which) => {
        const database = services.openDatabase(which);
        const load = database.log.load.bind(database.log);
        database.log.load = async () => {
          await new Promise<void>((resolve) => waiting.push(resolve));
          return load();
        };
        return database;
      },
    },
    answer: () => waiting.splice(0).forEach((go) => go()),
  };
}

describe('opening', () => {
  it('two logs at once ends with the one asked for last, and none of the other', async () => {
    const { services, answer } = slow('race');
    const store = createStore(services);
    const demo = store.dispatch(openLog('demo', { make: demoLog, zone: 'UTC' }));
    const own = store.dispatch(openLog('own'));
    answer();
    await Promise.all([demo, own]);
    expect(store.getState().session).toMatchObject({ which: 'own', status: 'ready' });
    expect(store.getState().log.tanks).toEqual([]);
  });

  it('goes on with the tank that another tab set up, where it has none', async () => {
    const services = testServices(NOW, { database: 'welcome' });
    let tell: Parameters<Services['openChannel']>[1] | null = null;
    const store = createStore({
      ...services,
      openChannel: (which, hear) => {
        tell = hear;
        return services.openChannel(which, hear);
      },
    });
    await store.dispatch(openLog('own'));
    expect(store.getState().session.tankId).toBeNull();
    const builder = new LogBuilder();
    (tell as Parameters<Services['openChannel']>[1] | null)?.acts(builder.revisions);
    expect(store.getState().session.tankId).toBe(builder.tankId);
  });

  it('keeps what another tab told meanwhile', async () => {
    const { services, answer } = slow('told');
    let tell: Parameters<Services['openChannel']>[1] | null = null;
    const store = createStore({
      ...services,
      openChannel: (which, hear) => {
        tell = hear;
        return services.openChannel(which, hear);
      },
    });
    const opened = store.dispatch(openLog('own'));
    const other = createStore(testServices(NOW, { database: 'elsewhere' }));
    await other.dispatch(openLog('own'));
    await other.dispatch(addKit('Told'));
    const kits = headsOfType(other.getState().log, 'kit');
    (tell as unknown as { acts: (revisions: typeof kits) => void }).acts(kits);
    answer();
    await opened;
    expect(store.getState().log.kits.map((kit) => kit.body.name)).toEqual(['Told']);
  });

  it('says so when the browser’s storage never answers, and opens when it does after all', async () => {
    jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
    const { services, answer } = slow('silent');
    const store = createStore(services);
    const opened = store.dispatch(openLog('own'));
    jest.advanceTimersByTime(9000);
    expect(store.getState().session.status).toBe('silent');
    jest.useRealTimers();
    answer();
    await opened;
    expect(store.getState().session.status).toBe('ready');
  });

  it('says so when there is no storage at all', async () => {
    const services = testServices(NOW);
    const store = createStore({
      ...services,
      openDatabase: (which) => {
        const database = services.openDatabase(which);
        database.log.load = () => Promise.reject(new Error('indexedDB is not defined'));
        return database;
      },
    });
    await store.dispatch(openLog('own'));
    expect(store.getState().session.status).toBe('failed');
  });
});

it('two acts that overlap while the browser refuses are both kept, and both saved later', async () => {
  const full = { now: true };
  const store = createStore(testServices(NOW, { database: 'overlap', full }));
  await store.dispatch(openLog('own'));
  const results = await Promise.all(['A', 'B'].map((name) => store.dispatch(addKit(name))));
  expect(results.map((result) => result.saved)).toEqual([false, false]);
  expect(store.getState().pending.queue).toHaveLength(2);
  full.now = false;
  await store.dispatch(addKit('C'));
  expect(store.getState().pending.queue).toEqual([]);
  const again = createStore(testServices(NOW, { database: 'overlap' }));
  await again.dispatch(openLog('own'));
  expect(
    again
      .getState()
      .log.kits.map((kit) => kit.body.name)
      .sort(),
  ).toEqual(['A', 'B', 'C']);
});

it('the same act twice, as by a double tap or a draft saved again, is stored once', async () => {
  const store = createStore(testServices(NOW, { database: 'twice' }));
  await store.dispatch(openLog('own'));
  const actId = testServices(NOW).newId();
  const save = () =>
    store.dispatch(
      recordAct((act) => act.create('kit', { ...kitFrom('ammoniaCard', 0), name: 'Once' }), {
        words: 'Saved',
        actId,
        empties: ['kit/new'],
      }),
    );
  await Promise.all([save(), save()]);
  await save();
  expect(store.getState().log.kits).toHaveLength(1);
  expect(store.getState().log.size).toBe(1);
  await store.dispatch(wipeLog());
  expect(store.getState().log.kits).toEqual([]);
});

it('a draft that two tabs had open and made different things of becomes two acts', async () => {
  const store = createStore(testServices(NOW, { database: 'shared-draft' }));
  await store.dispatch(openLog('own'));
  const actId = testServices(NOW).newId();
  const save = (name: string) =>
    store.dispatch(
      recordAct((act) => act.create('kit', { ...kitFrom('ammoniaCard', 0), name }), { actId }),
    );
  await save('Of the one tab');
  await save('Of the other');
  await save('Of the one tab');
  expect(
    store
      .getState()
      .log.kits.map((kit) => kit.body.name)
      .sort(),
  ).toEqual(['Of the one tab', 'Of the other']);
});

it('a second tap on a change writes no second revision', async () => {
  const store = createStore(testServices(NOW, { database: 'tapped' }));
  await store.dispatch(openLog('own'));
  await store.dispatch(addKit('A'));
  const [kit] = store.getState().log.kits;
  if (!kit) throw new Error('no kit');
  const tap = () =>
    store.dispatch(recordAct((act) => act.revise(kit, { ...kit.body, lot: '7' }), 'Changed'));
  await Promise.all([tap(), tap()]);
  expect(store.getState().log.size).toBe(2);
  expect(store.getState().log.kits[0]?.body.lot).toBe('7');
});

it('what its schema refuses is not recorded, nor said to be saved', async () => {
  const store = createStore(testServices(NOW, { database: 'refused' }));
  await store.dispatch(openLog('own'));
  const { saved, issues } = await store.dispatch(addKit('x'.repeat(61)));
  expect(saved).toBe(false);
  expect(issues.map((issue) => issue.path.join('.'))).toEqual(['name']);
  expect(store.getState().session.notice?.text).toMatch(/^Not saved: name/);
  expect(store.getState().log.kits).toEqual([]);
});
