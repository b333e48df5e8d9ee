import { fingerprint } from '../core/practice/run/fingerprint';
import { courseUntil } from '../core/practice/run/play';
import { readRun, runUntil, writeRun } from '../core/practice/run/runFile';
import { PRACTICE_LABEL } from '../core/practice/situations/situations';
import type { Entry } from '../core/records/kinds';
import { US_SETTINGS } from '../core/records/schema/settings';
import { DAY_MS, HOUR_MS, instant, isoInZone } from '../core/time/zone';
import type { TabListener } from '../storage/channel';
import { testServices } from '../testing/services';
import { openLog } from './open';
import {
  answerQuestion,
  askAlike,
  beginPractice,
  moveClock,
  openPractice,
  openRun,
  selectPlayed,
  selectRun,
} from './practice';
import { recordAct, undoKeys } from './record';
import { selectNow, selectSettings, selectTankId, selectTanks } from './selectors';
import { changeSettings } from './settings';
import { createStore } from './store';
import { wallClock } from './wallClock';

const DOSE = {
  kind: 'dose',
  substance: 'ammoniumChloride',
  amount: { by: 'drops', drops: 320, dropMl: 0.05 },
  strength: PRACTICE_LABEL,
  about: false,
} as const;

const NOW = Date.parse('2026-11-24T12:20:00Z');

/** A browser tab at the practice log; tabs of one name share its database and hear each other. */
function tab(database: string, listeners: TabListener[] = []) {
  const services = testServices(NOW, { database });
  const store = createStore({
    ...services,
    now: wallClock,
    openChannel: (_name, on) => {
      listeners.push(on);
      const others = () => listeners.filter((other) => other !== on);
      return {
        tell: (revisions) => others().forEach((other) => other.acts([...revisions])),
        tellWiped: () => others().forEach((other) => other.wiped()),
        tellMoved: () => others().forEach((other) => other.moved()),
        close: () => undefined,
      };
    },
  });
  return store;
}
type Store = ReturnType<typeof tab>;

const begun = async (database: string, listeners?: TabListener[]) => {
  const store = tab(database, listeners);
  await store.dispatch(beginPractice('dryRock', 5, NOW, 'UTC'));
  return store;
};
const clockOf = (store: Store) => instant(selectRun(store.getState())?.clock ?? '');
const deeds = (store: Store) => selectPlayed(store.getState())?.deeds ?? [];
const put = (store: Store, body: object, at = wallClock()) =>
  store.dispatch(
    recordAct((act) => {
      const tankId = selectTankId(store.getState());
      act.create('entry', { ...body, tankId, at: isoInZone(at, 'UTC') } as Entry);
    }, 'Saved'),
  );

/** Web Locks as a browser has them: one at a time, in turn. */
let turn: Promise<unknown> = Promise.resolve();
const locks = {
  request: <T>(_name: string, work: () => Promise<T>) => {
    const mine = turn.then(work, work);
    turn = mine.catch(() => undefined);
    return mine;
  },
};

describe('the practice log', () => {
  beforeAll(() => {
    Object.defineProperty(globalThis, 'navigator', { value: { locks }, configurable: true });
  });
  afterEach(async () => {
    // The clock is the tab's: what comes after goes by the real one again.
    await tab('done').dispatch(openLog('own'));
  });

  it('is begun apart from one’s own, at a clock that stands', async () => {
    const store = await begun('begin');
    const { session } = store.getState();
    expect(session).toMatchObject({ which: 'practice', status: 'ready' });
    expect(selectTanks(store.getState()).map(({ body }) => body.name)).toEqual(['Practice']);
    expect(clockOf(store)).toBe(Math.floor(NOW / HOUR_MS) * HOUR_MS);
    expect(wallClock()).toBe(clockOf(store));
    expect(selectNow(store.getState())).toBe(clockOf(store));
    await store.dispatch(openLog('own'));
    expect(selectTanks(store.getState())).toEqual([]);
    expect(selectRun(store.getState())).toBeNull();
    expect(Math.abs(wallClock() - Date.now())).toBeLessThan(5000);
  });

  it('is seen in the units and the night of whoever opens it, and is the same life', async () => {
    const store = tab('units');
    await store.dispatch(openLog('own'));
    await store.dispatch(changeSettings(() => ({ ...US_SETTINGS, theme: 'night' })));
    await store.dispatch(beginPractice('bottle', 5, NOW, 'UTC'));
    expect(selectSettings(store.getState())).toMatchObject({ volumeUnit: 'gal', theme: 'night' });
    const run = store.dispatch(openRun());
    expect(run?.records).toEqual([]);
    const other = tab('metric');
    await other.dispatch(openLog('own'));
    if (run) await other.dispatch(openPractice(run));
    expect(selectSettings(other.getState()).volumeUnit).toBe('L');
    const [one, two] = [store, other].map((each) => selectPlayed(each.getState()));
    if (!one || !two) throw new Error('no run');
    expect(fingerprint(courseUntil(one))).toBe(fingerprint(courseUntil(two)));
  });

  it('is found where it stood when it is opened again', async () => {
    const store = await begun('again');
    await put(store, DOSE);
    await store.dispatch(moveClock(wallClock() + 3 * DAY_MS));
    const [clock, before] = [clockOf(store), selectPlayed(store.getState())];
    const other = tab('again');
    await other.dispatch(openLog('practice'));
    expect(clockOf(other)).toBe(clock);
    expect(wallClock()).toBe(clock);
    expect(deeds(other)).toEqual(before?.deeds);
  });

  it('moves its clock on and never back, and keeps what was said until then', async () => {
    const store = await begun('clock');
    const start = clockOf(store);
    await expect(store.dispatch(moveClock(start + DAY_MS))).resolves.toBe(start + DAY_MS);
    await expect(store.dispatch(moveClock(start))).resolves.toBe(start + DAY_MS);
    expect(wallClock()).toBe(start + DAY_MS);
    const said = selectRun(store.getState())?.said ?? [];
    expect(said.map(({ at }) => instant(at))).toEqual([start, start + DAY_MS]);
    expect(said[0]).toMatchObject({ verdict: 'not yet' });
    expect(said[0]?.because).not.toBe('');
    await expect(store.dispatch(moveClock(start + 900 * DAY_MS))).resolves.toBe(
      start + 400 * DAY_MS,
    );
  });

  it('tells other tabs where the clock stands, and of two moves at once the later one stands', async () => {
    const listeners: TabListener[] = [];
    const store = await begun('tabs', listeners);
    const other = tab('tabs', listeners);
    await other.dispatch(openLog('practice'));
    const start = clockOf(store);
    await Promise.all([
      store.dispatch(moveClock(start + 5 * DAY_MS)),
      other.dispatch(moveClock(start + 2 * DAY_MS)),
    ]);
    // What was told is read from the store.
    await Promise.all([store, other].map((each) => each.dispatch(moveClock(0))));
    expect(clockOf(store)).toBe(start + 5 * DAY_MS);
    expect(clockOf(other)).toBe(start + 5 * DAY_MS);
  });

  it('begun anew in one tab is the run of the other as well, though its clock stands earlier', async () => {
    const listeners: TabListener[] = [];
    const store = await begun('anew', listeners);
    const other = tab('anew', listeners);
    await other.dispatch(openLog('practice'));
    await store.dispatch(moveClock(clockOf(store) + 40 * DAY_MS));
    await store.dispatch(beginPractice('chloramine', 9, NOW + HOUR_MS, 'UTC'));
    // The other tab reads the store once it was told.
    for (let turns = 0; turns < 50 && selectRun(other.getState())?.seed !== 9; turns += 1) {
      await new Promise((next) => setImmediate(next));
    }
    for (const each of [store, other]) {
      expect(selectRun(each.getState())).toMatchObject({ situation: 'chloramine', seed: 9 });
      expect(selectTanks(each.getState())).toHaveLength(1);
      expect(deeds(each).length).toBeGreaterThan(3);
    }
    expect(wallClock()).toBe(clockOf(store));
  });

  it('refuses what lies before its clock or after it, and a second tank, and says why', async () => {
    const store = await begun('door');
    await store.dispatch(moveClock(wallClock() + 2 * DAY_MS));
    await put(store, DOSE, wallClock() - DAY_MS);
    expect(store.getState().session.notice?.text).toMatch(/lived on since then/);
    await put(store, DOSE, wallClock() + DAY_MS);
    expect(store.getState().session.notice?.text).toMatch(/Move the clock on first/);
    expect(deeds(store).filter(({ entry }) => entry.kind === 'dose')).toEqual([]);
    const tank = selectTanks(store.getState())[0];
    await store.dispatch(recordAct((act) => tank && void act.create('tank', tank.body)));
    expect(store.getState().session.notice?.text).toMatch(/one tank/);
    expect(selectTanks(store.getState())).toHaveLength(1);
    await put(store, DOSE, wallClock() - HOUR_MS / 2);
    expect(deeds(store).filter(({ entry }) => entry.kind === 'dose')).toHaveLength(1);
  });

  it('takes a deed back while the clock stands, and its words alone later', async () => {
    const store = await begun('undo');
    const dosed = async () => {
      await put(store, DOSE);
      return store.getState().session.notice?.undo ?? [];
    };
    await store.dispatch(undoKeys(await dosed()));
    expect(deeds(store).filter(({ entry }) => entry.kind === 'dose')).toEqual([]);
    const keys = await dosed();
    await store.dispatch(moveClock(wallClock() + HOUR_MS));
    // The notice no longer offers to take it back.
    expect(store.getState().session.notice).toBeNull();
    await store.dispatch(undoKeys(keys));
    expect(deeds(store).filter(({ entry }) => entry.kind === 'dose')).toHaveLength(1);
  });

  it('is kept as a file, gone on from an earlier day, and asks tanks like it', async () => {
    const store = await begun('file');
    await put(store, DOSE);
    await store.dispatch(moveClock(wallClock() + 4 * DAY_MS));
    store.dispatch(answerQuestion(1));
    await put(store, DOSE);
    const run = store.dispatch(openRun());
    if (!run) throw new Error('no run');
    const reading = readRun(writeRun(run));
    expect(reading).toEqual({ ok: true, run });
    expect(run.header.answer).toBe(1);
    expect(run.records).toHaveLength(2);
    const earlier = runUntil(run, clockOf(store) - DAY_MS);
    await expect(store.dispatch(openPractice(earlier))).resolves.toBe(true);
    expect(clockOf(store)).toBe(instant(run.header.clock) - DAY_MS);
    expect(store.dispatch(openRun())?.records).toEqual(run.records.slice(0, 1));
    // Where there is no worker nobody answers, which is said and not thrown.
    await expect(store.dispatch(askAlike('x', () => undefined))?.lived).resolves.toBe('failed');
  });
});
