import { HOUR_MS } from '../core/time/zone';
import { hashText } from '../core/math/hash';
import {
  computed,
  jobBegun,
  jobFailed,
  jobForgotten,
  jobHoldsFor,
  jobProgressed,
} from './computedSlice';
import { selectKits, selectNow } from './selectors';
import type { AppStartListening, AppThunk, RootState } from './state';
import { forecastMoment, historyMark, selectHistoryOf, selectHistoryUntil } from './world';

/** The seed of every forecast in the app; the command line takes the same unless told otherwise. */
const SEED = 1;
/** Quiet after a change before a forecast is asked for: a test session or an import comes in one go. */
const SETTLE_MS = 150;

/** Tanks whose cycle is followed: filled or dosed, and not said to run. The one in view comes first. */
export function followedTanks(state: RootState): string[] {
  const { tankId } = state.session;
  const ids = state.log.tanks
    .filter(({ id, body }) => id === tankId || body.kind !== 'quarantine')
    .map(({ id }) => id)
    .filter((id) => {
      const history = selectHistoryOf(state, id);
      return history && history.standing.runningSince === null && history.start !== null;
    });
  return ids.sort((a, b) => Number(b === tankId) - Number(a === tankId));
}

/** Works out the forecast of a tank when anything that it rests on has changed. */
export function renewForecast(tankId: string): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services }) => {
    const state = getState();
    const { log } = state;
    const at = forecastMoment(log, tankId, selectNow(state));
    // The problem is a part of the engine, which stays out of the first load.
    const { cycleProblem } = await import('../core/cycle/problem/problem');
    const { kitAtHand } = await import('../core/cycle/problem/observations');
    if (getState().log !== log || getState().session.status !== 'ready') return;
    const atHand = selectKits(state)
      .filter((kit) => kit.body.inUse)
      .flatMap((kit) => kitAtHand(kit.id, kit.body) ?? []);
    const history = selectHistoryUntil(state, tankId, at);
    if (!history) return;
    const problem = cycleProblem(history, at);
    const problemHash = hashText(JSON.stringify([problem, SEED]));
    const asked = hashText(JSON.stringify([problemHash, atHand]));
    const name = 'forecast';
    const key = tankId;
    const shown = selectHistoryOf(getState(), tankId);
    const of = shown ? historyMark(shown) : 0;
    const before = getState().computed.forecast[key];
    if (before?.asked === asked) {
      if (before.askedOf !== of) dispatch(jobHoldsFor({ name, key, of }));
      return;
    }
    dispatch(jobBegun({ name, key, asked, of }));
    const lane = `${name}/${tankId}`;
    const current = () => getState().computed.forecast[key]?.asked === asked;
    const progress = (from: number, to: number) => (share: number) => {
      if (current()) dispatch(jobProgressed({ name, key, share: from + (to - from) * share }));
    };
    try {
      const posterior = await services.jobs.run(
        'infer',
        { problem, seed: SEED },
        { lane, hash: problemHash, progress: progress(0, 0.9) },
      );
      if (!posterior || !current()) return;
      dispatch(computed({ name: 'posterior', key, asked: problemHash, value: posterior }));
      const forecast = await services.jobs.run(
        'foretell',
        { posterior, atHand },
        { lane, hash: asked, progress: progress(0.9, 1) },
      );
      if (forecast && current()) dispatch(computed({ name, key, asked, value: forecast }));
    } catch {
      if (current()) dispatch(jobFailed({ name, key }));
    }
  };
}

function restsOn(state: RootState): unknown[] {
  const { log, session, clock } = state;
  return [log, session.tankId, session.status, Math.floor(clock.now / HOUR_MS)];
}

/** Asks for the forecast of every tank that is followed whenever something it rests on has changed. */
export function followForecasts(startListening: AppStartListening): void {
  startListening({
    predicate: (_action, now, before) => {
      const earlier = restsOn(before);
      return restsOn(now).some((value, i) => value !== earlier[i]);
    },
    effect: async (_action, { cancelActiveListeners, delay, dispatch, getState, extra }) => {
      cancelActiveListeners();
      await delay(SETTLE_MS);
      const state = getState();
      if (state.session.status !== 'ready') return;
      const followed = followedTanks(state);
      for (const key of Object.keys(state.computed.forecast)) {
        if (followed.includes(key)) continue;
        extra.services.jobs.cancel(`forecast/${key}`);
        dispatch(jobForgotten({ name: 'forecast', key }));
      }
      for (const tankId of followed) void dispatch(renewForecast(tankId));
    },
  });
}
