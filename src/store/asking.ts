import { asksSource } from '../core/tasks/sources/asksSource';
import { hashText } from '../core/math/hash';
import { maintenanceAsks } from '../core/maintenance/maintenanceAsks';
import type { Ask } from '../core/tasks/types';
import { computed } from './computedSlice';
import { selectLog, selectNow, selectTanks } from './selectors';
import type { AppThunk } from './state';
import { selectHistoryOf } from './world';

const NOTHING = JSON.stringify({ asks: [], daily: [] });

/** Works out what chores, batches, medicines and corals of every tank ask for. */
export function renewAsks(): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services }) => {
    const log = selectLog(getState());
    const at = selectNow(getState());
    const histories = selectTanks(getState()).flatMap(
      ({ id }) => selectHistoryOf(getState(), id) ?? [],
    );
    const maintenance = maintenanceAsks(log, histories, at);
    const source = asksSource(log);
    let found: Record<string, Ask[]> | null = {};
    if (source) {
      const marks = source.revisions.map(({ id, rev, actId }) => [id, rev, actId]);
      const hash = hashText(JSON.stringify([at, marks]));
      found = await services.jobs.run('asks', { ...source, at }, { lane: 'asks', hash });
    }
    // A newer question is under way, and brings chores of its own.
    if (!found || getState().log !== log) return;
    const known = getState().computed.asks;
    for (const key of new Set([...Object.keys(known), ...Object.keys(maintenance)])) {
      const value = { asks: found[key] ?? [], daily: maintenance[key] ?? [] };
      const asked = JSON.stringify(value);
      // Most of what happens to a log changes nothing of this.
      if ((known[key]?.asked ?? NOTHING) === asked) continue;
      dispatch(computed({ name: 'asks', key, asked, value }));
    }
  };
}
