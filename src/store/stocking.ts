import type { AddAnswer, AddQuestion } from '../core/livestock/add';
import type { StockFacts } from '../core/livestock/planner/facts';
import type { Posterior } from '../core/cycle/forecast';
import { hashText } from '../core/math/hash';
import { DAY_MS, HOUR_MS } from '../core/time/zone';
import { computed, jobBegun, jobFailed } from './computedSlice';
import { selectNow } from './selectors';
import type { AppStartListening, AppThunk, RootState } from './state';
import { forecastMoment, selectForecastOf, selectHistoryUntil, selectVerdictOf } from './world';

/** The seed of every inference in the app. */
const SEED = 1;
/** Quiet after a change before a plan is asked for. */
const SETTLE_MS = 250;

/** What stocking is judged by: the facts of a tank and what its readings say of the colony. */
interface Stocked {
  facts: StockFacts;
  posterior: Posterior | null;
  hash: string;
}

/** Gathers the facts of a tank; null where it is gone, or its colony is still being inferred. */
function stocked(tankId: string): AppThunk<Promise<Stocked | null>> {
  return async (dispatch, getState, { services }) => {
    const state = getState();
    const { log } = state;
    const at = forecastMoment(log, tankId, selectNow(state));
    const [{ cycleProblem }, { stockFacts }] = await Promise.all([
      import('../core/cycle/problem/problem'),
      import('../core/livestock/planner/facts'),
    ]);
    if (getState().log !== log) return null;
    const history = selectHistoryUntil(state, tankId, at);
    if (!history) return null;
    const facts = stockFacts(log, history, at, {
      ready: selectVerdictOf(state, tankId)?.ready ?? false,
      forecast: selectForecastOf(state, tankId),
    });
    // Nothing happened in it yet: there is no colony to ask.
    if (history.start === null || at - history.start < HOUR_MS) {
      return { facts, posterior: null, hash: hashText(JSON.stringify(facts)) };
    }
    const problem = cycleProblem(history, at);
    const problemHash = hashText(JSON.stringify([problem, SEED]));
    const hash = hashText(JSON.stringify([facts, problemHash]));
    const known = getState().computed.posterior[tankId];
    if (known?.value && known.asked === problemHash) return { facts, posterior: known.value, hash };
    const posterior = await services.jobs.run(
      'infer',
      { problem, seed: SEED },
      { lane: `stock/${tankId}`, hash: problemHash },
    );
    if (!posterior) return null;
    dispatch(computed({ name: 'posterior', key: tankId, asked: problemHash, value: posterior }));
    return { facts, posterior, hash };
  };
}

/** Makes the plan of a tank anew when anything that it rests on has changed, and says what moved. */
export function renewPlan(tankId: string): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services }) => {
    try {
      const given = await dispatch(stocked(tankId));
      if (!given) return;
      const { facts, posterior, hash } = given;
      const before = getState().computed.plan[tankId];
      if (before?.asked === hash) return;
      dispatch(jobBegun({ name: 'plan', key: tankId, asked: hash }));
      const plan = await services.jobs.run(
        'plan',
        { facts, posterior },
        { lane: `plan/${tankId}`, hash },
      );
      if (!plan || getState().computed.plan[tankId]?.asked !== hash) return;
      const old = getState().computed.plan[tankId]?.value;
      dispatch(computed({ name: 'plan', key: tankId, asked: hash, value: plan }));
      if (!old) return;
      const { planMoves } = await import('../core/livestock/planner/moves');
      // A plan made again on another day moves by nothing but the day.
      const value = planMoves(old, plan).filter(
        ({ from, to }) => from === null || to === null || Math.abs(from - to) >= DAY_MS,
      );
      if (value.length > 0) dispatch(computed({ name: 'moves', key: tankId, asked: hash, value }));
    } catch {
      dispatch(jobFailed({ name: 'plan', key: tankId }));
    }
  };
}

/** Asks whether an animal can be added today; null where a newer question took its place. */
export function askAdd(tankId: string, question: AddQuestion): AppThunk<Promise<AddAnswer | null>> {
  return async (dispatch, _getState, { services }) => {
    const given = await dispatch(stocked(tankId));
    if (!given) return null;
    const { facts, posterior } = given;
    const hash = hashText(JSON.stringify([given.hash, question]));
    return services.jobs.run('add', { facts, posterior, question }, { lane: 'add', hash });
  };
}

function restsOn(state: RootState): unknown[] {
  const { log, session, clock, computed: known } = state;
  return [
    log,
    session.tankId,
    session.status,
    known.forecast[session.tankId ?? '']?.value,
    Math.floor(clock.now / DAY_MS),
  ];
}

/** Keeps the plan of the tank in view as its wishes, its log and its forecast have it. */
export function followPlans(startListening: AppStartListening): void {
  startListening({
    predicate: (_action, now, before) => {
      const earlier = restsOn(before);
      return restsOn(now).some((value, i) => value !== earlier[i]);
    },
    effect: async (_action, { cancelActiveListeners, delay, dispatch, getState }) => {
      cancelActiveListeners();
      await delay(SETTLE_MS);
      const { session, log, computed: known } = getState();
      const { tankId } = session;
      if (session.status !== 'ready' || tankId === null) return;
      // The forecast is under way, and brings the colony with it.
      if (known.forecast[tankId]?.status === 'running') return;
      // Without a wish there is one only where Stock was opened.
      const wished = log.wishes.some(({ body }) => body.tankId === tankId);
      if (wished || known.plan[tankId]) await dispatch(renewPlan(tankId));
    },
  });
}
