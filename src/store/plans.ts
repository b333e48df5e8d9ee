import { HOUR_MS } from '../core/time/zone';
import { followedTanks } from './forecasting';
import type { AppStartListening, AppThunk, RootState } from './state';

/** What makes plans and answers questions of stocking, fetched with the first of them. */
export const loadStocking = () => import('./stocking');

/**
 * Fetches what works out the tasks of daily life and of the catalogue. The app hands it over: it comes in
 * one piece with the screens that it shares its sums with.
 */
export type AskingLoader = () => Promise<{ renewAsks: () => AppThunk<Promise<void>> }>;

/** Longest that is waited for a forecast to begin, which may never: its piece can fail to come. */
const FORECAST_BEGINS_MS = 3000;
/** Quiet after a change before a plan is asked for. */
const SETTLE_MS = 250;

function restsOn(state: RootState): unknown[] {
  const { log, session, clock, computed: known } = state;
  return [
    log,
    session.tankId,
    session.status,
    known.forecast[session.tankId ?? '']?.value,
    known.forecast[session.tankId ?? '']?.status,
    // A day begins at another hour in each zone.
    Math.floor(clock.now / HOUR_MS),
  ];
}

/** Keeps the plan of the tank in view, and what is asked for, as the log and the forecast have it. */
export function followPlans(
  startListening: AppStartListening,
  loadAsking: AskingLoader | undefined,
): void {
  startListening({
    predicate: (_action, now, before) => {
      const earlier = restsOn(before);
      return restsOn(now).some((value, i) => value !== earlier[i]);
    },
    effect: async (_action, { cancelActiveListeners, condition, delay, dispatch, getState }) => {
      cancelActiveListeners();
      await delay(SETTLE_MS);
      const { tankId, status } = getState().session;
      if (status !== 'ready' || tankId === null) return;
      const unasked = (state: RootState) =>
        state.computed.forecast[tankId] === undefined && followedTanks(state).includes(tankId);
      // On a slow network what asks for the forecast is still being fetched: a second worker, which
      // reads all that jobs are made of once more, would only make both wait.
      if (unasked(getState())) await condition((_, now) => !unasked(now), FORECAST_BEGINS_MS);
      const { log, computed: known } = getState();
      // After the forecast, on the worker that it leaves: tasks of today may wait a second for it.
      if (loadAsking && known.forecast[tankId]?.status !== 'running') {
        const { renewAsks } = await loadAsking();
        await dispatch(renewAsks());
      }
      // Without a wish there is one only where Stock was opened.
      const wished = log.wishes.some(({ body }) => body.tankId === tankId);
      if (!wished && !known.plan[tankId]) return;
      const { renewPlan } = await loadStocking();
      await dispatch(renewPlan(tankId));
    },
  });
}
