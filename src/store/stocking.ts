import * as z from 'zod';
import type { AddAnswer, AddQuestion } from '../core/livestock/add/add';
import { stockSource, type StockSource } from '../core/livestock/planner/source';
import type { Carried, CycleProblem, Posterior } from '../core/cycle/forecast';
import { keptPlan, planMoves } from '../core/livestock/planner/search/moves';
import { withoutShare } from '../core/moving/withoutShare';
import { hashText } from '../core/math/hash';
import { DAY_MS, HOUR_MS } from '../core/time/zone';
import type { Jobs } from '../workers/jobs/client';
import { computed, jobBegun, jobFailed } from './computedSlice';
import { draftChanged } from './draftsSlice';
import { selectNow } from './selectors';
import type { AppThunk } from './state';
import { forecastMoment, selectForecastOf, selectHistoryUntil, selectVerdictOf } from './world';

/** The plan of the last visit, as it was kept. */
const keptSchema = z.object({
  items: z.array(z.object({ wishId: z.string(), name: z.string(), on: z.number() })),
});

/** Days that are looked ahead after a move. */
const GAP_DAYS = 42;

/** The seed of every inference in the app. */
const SEED = 1;

/** Inferences under way, by what they are of: a plan and a question that come together wait for one. */
const underWay = new WeakMap<Jobs, Map<string, Promise<Posterior | null>>>();

function inferOnce(
  jobs: Jobs,
  tankId: string,
  problem: CycleProblem,
  hash: string,
): Promise<Posterior | null> {
  const running = underWay.get(jobs) ?? new Map<string, Promise<Posterior | null>>();
  underWay.set(jobs, running);
  const key = `${tankId}/${hash}`;
  const known = running.get(key);
  if (known) return known;
  const made = jobs
    .run('infer', { problem, seed: SEED }, { lane: `stock/${tankId}`, hash })
    .finally(() => running.delete(key));
  running.set(key, made);
  return made;
}

/** What stocking is judged by: the facts of a tank and what its readings say of the filter bacteria. */
interface Stocked {
  source: StockSource;
  posterior: Posterior | null;
  hash: string;
}

/**
 * Gathers the facts of a tank; null where it is gone, or where its forecast is being worked out, which
 * brings the filter bacteria with it: whoever asked asks again once it is there.
 */
function stocked(tankId: string): AppThunk<Promise<Stocked | null>> {
  return async (dispatch, getState, { services }) => {
    const state = getState();
    const { log } = state;
    if (state.computed.forecast[tankId]?.status === 'running') return null;
    const at = forecastMoment(log, tankId, selectNow(state));
    const { cycleProblem } = await import('../core/cycle/problem/problem');
    if (getState().log !== log) return null;
    const history = selectHistoryUntil(state, tankId, at);
    if (!history) return null;
    const source = stockSource(log, history, at, {
      ready: selectVerdictOf(state, tankId)?.ready ?? false,
      forecast: selectForecastOf(state, tankId),
    });
    // Nothing happened in it yet: there are no filter bacteria to ask.
    if (history.start === null || at - history.start < HOUR_MS) {
      return { source, posterior: null, hash: hashText(JSON.stringify(source)) };
    }
    const problem = cycleProblem(history, at);
    const problemHash = hashText(JSON.stringify([problem, SEED]));
    const hash = hashText(JSON.stringify([source, problemHash]));
    const known = getState().computed.posterior[tankId];
    if (known?.value && known.asked === problemHash)
      return { source, posterior: known.value, hash };
    const posterior = await inferOnce(services.jobs, tankId, problem, problemHash);
    if (!posterior) return null;
    dispatch(computed({ name: 'posterior', key: tankId, asked: problemHash, value: posterior }));
    return { source, posterior, hash };
  };
}

/** Makes the plan of a tank anew when anything that it rests on has changed, and says what moved. */
export function renewPlan(tankId: string): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services }) => {
    try {
      const given = await dispatch(stocked(tankId));
      if (!given) return;
      const { source, posterior, hash } = given;
      const before = getState().computed.plan[tankId];
      if (before?.asked === hash) return;
      dispatch(jobBegun({ name: 'plan', key: tankId, asked: hash }));
      const plan = await services.jobs.run(
        'plan',
        { source, posterior },
        { lane: `plan/${tankId}`, hash },
      );
      if (!plan || getState().computed.plan[tankId]?.asked !== hash) return;
      // Across visits as well: who looks once a week is told what that week moved.
      const name = `plan/${tankId}`;
      const old = keptSchema.safeParse(getState().drafts[name]);
      const kept = keptPlan(plan);
      dispatch(computed({ name: 'plan', key: tankId, asked: hash, value: plan }));
      if (old.success && JSON.stringify(old.data) === JSON.stringify(kept)) return;
      dispatch(draftChanged({ name, value: kept }));
      if (!old.success) return;
      // A plan made again on another day moves by nothing but the day.
      const value = planMoves(old.data, plan).filter(
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
    const { source, posterior } = given;
    const hash = hashText(JSON.stringify([given.hash, question]));
    return services.jobs.run('add', { source, posterior, question }, { lane: 'add', hash });
  };
}

/**
 * How ammonia would go if only a share of a tank's filter carried its animals, over six weeks; null
 * where nothing can be said of its filter bacteria, or a newer question took its place.
 * @param kept share of rock, sand and media that comes along, 0 to 1
 * @param nitrogen what its animals make, mg N a day
 */
export function askGap(
  tankId: string,
  kept: number,
  nitrogen: number,
): AppThunk<Promise<Carried | null>> {
  return async (_dispatch, getState, { services }) => {
    const state = getState();
    const at = forecastMoment(state.log, tankId, selectNow(state));
    const history = selectHistoryUntil(state, tankId, at);
    if (!history || history.start === null || at - history.start < HOUR_MS) return null;
    const { cycleProblem } = await import('../core/cycle/problem/problem');
    const problem = cycleProblem(withoutShare(history, 1 - kept, at), at);
    const hash = hashText(JSON.stringify([problem, SEED]));
    const posterior = await services.jobs.run(
      'infer',
      { problem, seed: SEED },
      { lane: 'gap', hash },
    );
    if (!posterior) return null;
    const load = [{ fromDay: 0, nitrogen: nitrogen / history.netLitres }];
    return services.jobs.run(
      'carry',
      { posterior, load, days: GAP_DAYS },
      { lane: 'gap', hash: hashText(JSON.stringify([hash, load])) },
    );
  };
}
