import { NewerLogError } from '../storage/logStore';
import { headsOfType } from '../core/records/log';
import type { Revision } from '../core/records/schema/revision';
import { draftsLoaded } from './draftsSlice';
import { forgetForecast } from './forecasting';
import { logMerged, logReplaced } from './logReducer';
import { forgetPending, storeRevisions } from './record';
import { tanksInOrder } from './selectors';
import type { LogName } from './services';
import { allSaved, opened, opening, openingFailed } from './sessionSlice';
import { PLACE_DRAFT, type AppThunk } from './store';

/** Writes a demo log for a moment, a zone and a source of ids. */
export type DemoMaker = (context: {
  now: number;
  zone: string;
  device: string;
  newId: () => string;
}) => Revision[];

/**
 * Opens a log and everything that goes with it.
 * @param seed fills the log if it has no records yet: how the demo is dated once and for all
 */
export function openLog(
  which: LogName,
  seed?: { make: DemoMaker; zone: string },
): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services, databases }) => {
    dispatch(opening(which));
    dispatch(logReplaced([]));
    forgetPending();
    forgetForecast();
    const database = databases.open(which, {
      acts: (revisions) => dispatch(logMerged(revisions)),
      wiped: () => dispatch(forgetLog()),
    });
    try {
      const [{ revisions, damage }, drafts] = await Promise.all([
        database.log.load(),
        database.drafts.load(),
      ]);
      dispatch(logReplaced(revisions));
      dispatch(draftsLoaded(drafts));
      if (revisions.length === 0 && seed) {
        const { now, newId, device } = services;
        await dispatch(storeRevisions(seed.make({ now: now(), zone: seed.zone, device, newId })));
      }
      const place = drafts[PLACE_DRAFT];
      const tanks = tanksInOrder(headsOfType(getState().log, 'tank'));
      const chosen = tanks.find((tank) => tank.id === place) ?? tanks[0];
      dispatch(opened({ damage, tankId: chosen?.id ?? null }));
    } catch (error) {
      dispatch(openingFailed(error instanceof NewerLogError ? 'newer' : 'failed'));
    }
  };
}

/** Empties memory as the database was emptied, without leaving the screen one is on. */
function forgetLog(): AppThunk {
  return (dispatch) => {
    forgetPending();
    dispatch(logReplaced([]));
    dispatch(draftsLoaded({}));
    dispatch(opened({ damage: [], tankId: null }));
    dispatch(allSaved());
  };
}

/** Empties the open log in this browser and tells the other tabs. */
export function wipeLog(): AppThunk<Promise<boolean>> {
  return async (dispatch, _getState, { databases }) => {
    try {
      await databases.database.log.wipe();
    } catch {
      return false;
    }
    databases.channel.tellWiped();
    dispatch(forgetLog());
    return true;
  };
}
