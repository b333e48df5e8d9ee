import { selectTankId } from './selectors';
import type { RootState } from './state';
import {
  selectAheadOf,
  selectForecastOf,
  selectHistoryOf,
  selectMilestonesOf,
  selectPlanOf,
  selectTasksOf,
  selectVerdictOf,
} from './world';

/** What is known of the tank that is looked at. */
function inView<T>(select: (state: RootState, tankId: string | null) => T) {
  return (state: RootState): T => select(state, selectTankId(state));
}

/** How the forecast of the tank in view stands: being worked out, ready, failed; undefined unasked. */
export const selectForecastStanding = (state: RootState) =>
  state.computed.forecast[selectTankId(state) ?? ''];

export const selectHistory = inView(selectHistoryOf);
export const selectVerdict = inView(selectVerdictOf);
export const selectForecast = inView(selectForecastOf);
export const selectDueTasks = inView(selectTasksOf);
export const selectMilestones = inView(selectMilestonesOf);
export const selectPlan = inView(selectPlanOf);
export const selectAhead = inView(selectAheadOf);
