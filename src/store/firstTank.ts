import { tanksInOrder } from '../core/history/tanksInOrder';
import { tankChosen } from './sessionSlice';
import type { AppThunk } from './state';

/** Looks at the first tank of the log where none is looked at yet: one may have come by a file, or by another tab. */
export function chooseFirstTank(): AppThunk {
  return (dispatch, getState) => {
    const { log, session } = getState();
    const [first] = session.tankId === null ? tanksInOrder(log) : [];
    if (first) dispatch(tankChosen(first.id));
  };
}
