import { isSaid, writeMark, type Markable, type Said } from '../core/acts/mark';
import { recordAct } from './record';
import type { AppThunk } from './state';
import { selectHistoryOf } from './world';

/** Says of one time of a task that it is done, left out or put off: an entry of its tank, which can be undone. */
export function markTask(
  task: Markable,
  tank: { id: string },
  said: Said,
  words: string,
): AppThunk<Promise<void>> {
  return async (dispatch, getState) => {
    const history = selectHistoryOf(getState(), tank.id);
    // A second tap on its row says nothing new, and leaves the Undo of the first where it is.
    if (!history || isSaid(history, task, said)) return;
    await dispatch(recordAct((act) => writeMark(act, history, task, said), words));
  };
}
