import { asksSource } from '../core/tasks/asksSource';
import { hashText } from '../core/math/hash';
import type { Ask } from '../core/tasks/types';
import { computed } from './computedSlice';
import { selectLog, selectNow } from './selectors';
import type { AppThunk } from './state';

/** Works out what the batches, medicines and corals of every tank ask for. */
export function renewAsks(): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services }) => {
    const source = asksSource(selectLog(getState()));
    const at = selectNow(getState());
    let found: Record<string, Ask[]> | null = {};
    if (source) {
      const marks = source.revisions.map(({ id, rev, actId }) => [id, rev, actId]);
      const hash = hashText(JSON.stringify([at, marks]));
      found = await services.jobs.run('asks', { ...source, at }, { lane: 'asks', hash });
    }
    if (!found) return;
    const known = getState().computed.asks;
    for (const key of new Set([...Object.keys(known), ...Object.keys(found)])) {
      const value = found[key] ?? [];
      const asked = JSON.stringify(value);
      // Most of what happens to a log changes nothing of this.
      if ((known[key]?.asked ?? '[]') === asked) continue;
      dispatch(computed({ name: 'asks', key, asked, value }));
    }
  };
}
