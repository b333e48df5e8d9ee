import { createRecord } from '../src/core/records/acts';
import { FILE_VERSION, parseRecords } from '../src/core/records/file/parse';
import { MINUTE_MS } from '../src/core/time/zone';
import { ticked } from '../src/store/clockSlice';
import { logMerged } from '../src/store/logReducer';
import { createStore } from '../src/store/store';
import { selectMilestonesOf, selectTasksOf, selectWorld } from '../src/store/world';
import { testServices } from '../src/testing/services';
import { newId, oneTank, stamp } from './oneTankLog';
import { timed } from './print';

const NOW = Date.parse('2026-11-24T12:00:00Z');
export type OneTankFigures = Record<'opening' | 'act' | 'tick', number[]>;

/**
 * What one tank with so many readings costs, ms: opening its log, an act and another look, a tick of the
 * clock that changes nothing.
 * Control: look for the nearest nitrite of a nitrate among all of them, as `nitriteSpoils` did.
 */
export function oneTankFigures(sizes: readonly number[]): OneTankFigures {
  const figures: OneTankFigures = { opening: [], act: [], tick: [] };
  for (const size of sizes) {
    const { revisions, tankId, kitId } = oneTank(size, NOW);
    const text = JSON.stringify(revisions);
    const openAnew = () => {
      const store = createStore(testServices(NOW));
      store.dispatch(ticked(NOW));
      const rows = (JSON.parse(text) as unknown[]).map((raw) => ({ raw, version: FILE_VERSION }));
      store.dispatch(logMerged(parseRecords(rows).records));
      return store;
    };
    const look = (store: ReturnType<typeof openAnew>) => {
      const state = store.getState();
      selectWorld(state, tankId);
      selectTasksOf(state, tankId);
      selectMilestonesOf(state, tankId);
    };
    figures.opening.push(timed(() => look(openAnew()), 3));
    const store = openAnew();
    look(store);
    let n = 0;
    figures.act.push(
      timed(() => {
        n += 1;
        const at = new Date(NOW - 60 * MINUTE_MS + n).toISOString();
        store.dispatch(
          logMerged([
            createRecord(stamp(NOW), newId(), 'entry', {
              kind: 'reading',
              tankId,
              parameter: 'ammonia',
              kitId,
              dilution: 1,
              at,
              value: { form: 'card', steps: [0, 0.25, 0.5, 1, 2, 4], low: 0, high: 0 },
            }),
          ]),
        );
        look(store);
      }, 21),
    );
    let now = NOW;
    figures.tick.push(
      timed(() => {
        now += 20_000;
        store.dispatch(ticked(now));
        look(store);
      }, 61),
    );
  }
  return figures;
}
