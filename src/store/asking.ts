import { asksOfTank } from '../core/tasks/asksOfTank';
import { computed } from './computedSlice';
import { selectLog, selectNow, selectTanks } from './selectors';
import type { AppThunk } from './state';
import { selectHistoryOf } from './world';

/** Works out what the batches, medicines and corals of every tank ask for. */
export function renewAsks(): AppThunk {
  return (dispatch, getState) => {
    for (const { id } of selectTanks(getState())) {
      const state = getState();
      const history = selectHistoryOf(state, id);
      if (!history) continue;
      const value = asksOfTank(selectLog(state), history, selectNow(state));
      const asked = JSON.stringify(value);
      if ((state.computed.asks[id]?.asked ?? '[]') === asked) continue;
      dispatch(computed({ name: 'asks', key: id, asked, value }));
    }
  };
}
