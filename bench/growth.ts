import { demoLog } from '../src/core/demo/demoLog';
import { createRecord } from '../src/core/records/acts';
import { parseRecords } from '../src/core/records/file/parse';
import type { Revision, RevisionOf } from '../src/core/records/schema/revision';
import { DAY_MS, MINUTE_MS } from '../src/core/time/zone';
import { ticked } from '../src/store/clockSlice';
import { logMerged } from '../src/store/logReducer';
import { selectTanks } from '../src/store/selectors';
import { createStore, type AppStore } from '../src/store/store';
import { selectMilestonesOf, selectTasksOf, selectWorld } from '../src/store/world';
import { testServices } from '../src/testing/services';
import { print, timed } from './print';

const NOW = Date.parse('2026-11-24T12:00:00Z');
const SIZES = [1_000, 5_000, 20_000];
let made = 0;
const newId = () => {
  made += 1;
  const digits = made.toString(16);
  return `${digits.padStart(8, '0')}-0000-7000-8000-${digits.padStart(12, '0')}`;
};

/** The demo's entries spread over years and over three tanks, till there are as many as asked. */
function logOf(entries: number): Revision[] {
  const base = demoLog({ now: NOW, zone: 'Europe/Berlin', device: 'bench', newId });
  const settled = base.filter((r) => r.type !== 'entry');
  const given = base.filter((r): r is RevisionOf<'entry'> => r.type === 'entry');
  const [first] = base.filter((r): r is RevisionOf<'tank'> => r.type === 'tank');
  if (!first) throw new Error('The demo has no tank.');
  const third = createRecord(
    { actId: newId(), device: 'bench', recordedAt: new Date(NOW).toISOString() },
    newId(),
    'tank',
    { ...first.body, name: 'Third' },
  );
  const tanks = [...new Set(given.map((r) => r.body.tankId)), third.id];
  const made: Revision[] = [];
  for (let n = 0; n < entries; n += 1) {
    const source = given[n % given.length];
    if (!source) break;
    const back = Math.floor(n / given.length) * 7 * DAY_MS;
    const at = new Date(Date.parse(source.body.at) - back).toISOString();
    const tankId = tanks[n % tanks.length] ?? first.id;
    made.push({ ...source, id: newId(), actId: newId(), body: { ...source.body, tankId, at } });
  }
  return [...settled, third, ...made];
}

/** All that the screens of every tank ask for. */
function look(store: AppStore): void {
  const state = store.getState();
  for (const { id } of selectTanks(state)) {
    selectWorld(state, id);
    selectTasksOf(state, id);
    selectMilestonesOf(state, id);
  }
}

/** How a figure grows with the number of entries: 1 for in proportion, 0 for not at all. */
function exponent(figures: readonly number[]): number {
  const [low, high] = [figures[0] ?? 1, figures.at(-1) ?? 1];
  const [least, most] = [SIZES[0] ?? 1, SIZES.at(-1) ?? 1];
  return Math.round((Math.log(high / low) / Math.log(most / least)) * 100) / 100;
}

const opening: number[] = [];
const act: number[] = [];
const tick: number[] = [];
for (const size of SIZES) {
  const text = JSON.stringify(logOf(size));
  const openAnew = () => {
    const store = createStore(testServices(NOW));
    store.dispatch(ticked(NOW));
    const rows = (JSON.parse(text) as unknown[]).map((raw) => ({ raw, version: 3 }));
    store.dispatch(logMerged(parseRecords(rows).records));
    look(store);
    return store;
  };
  opening.push(timed(openAnew, 3));
  const store = openAnew();
  const [tank] = selectTanks(store.getState());
  const kit = store.getState().log.kits.find((k) => k.body.parameter === 'ammonia');
  if (!tank || !kit) throw new Error('nothing to log with');
  let n = 0;
  const actOnce = () => {
    n += 1;
    const at = new Date(NOW - 60 * MINUTE_MS + n).toISOString();
    const stamp = { actId: newId(), device: 'bench', recordedAt: at };
    store.dispatch(
      logMerged([
        createRecord(stamp, newId(), 'entry', {
          kind: 'reading',
          tankId: tank.id,
          parameter: 'ammonia',
          kitId: kit.id,
          dilution: 1,
          at,
          value: { form: 'card', steps: [0, 0.25, 0.5, 1, 2, 4], low: 0, high: 0 },
        }),
      ]),
    );
    look(store);
  };
  act.push(timed(actOnce, 41));
  let now = NOW;
  tick.push(
    timed(() => {
      now += 20_000;
      store.dispatch(ticked(now));
      look(store);
    }, 101),
  );
}
const asText = (figures: readonly number[]) =>
  Object.fromEntries(SIZES.map((size, i) => [`${size}`, figures[i]]));
print('opening, ms', { ...asText(opening), exponent: exponent(opening) });
print('an act, ms', {
  ...asText(act),
  exponent: exponent(act),
  ratio: Math.round(((act[2] ?? 0) / (act[0] || 1)) * 10) / 10,
  wantedRatio: 3,
});
print('a tick, ms', { ...asText(tick), exponent: exponent(tick) });
