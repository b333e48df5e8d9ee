import { demoLog } from '../core/demo/demoLog';
import {
  foretell,
  infer,
  type CycleProblem,
  type Forecast,
  type Posterior,
} from '../core/cycle/forecast';
import { LogBuilder, onDay } from '../testing/logBuilder';
import { testServices } from '../testing/services';
import type { Jobs, RunOptions } from '../workers/jobs/client';
import { ticked } from './clockSlice';
import { followedTanks, renewForecast } from './forecasting';
import { logMerged } from './logReducer';
import { openLog } from './open';
import { recordAct } from './record';
import { selectForecast } from './inView';
import { selectTank, selectTanks } from './selectors';
import { tankChosen } from './sessionSlice';
import { createStore, type AppStore } from './store';
import { forecastMoment, selectForecastOf, selectVerdictOf } from './world';

const NOW = Date.parse('2026-11-24T12:20:00Z');

interface Asked extends RunOptions {
  problem: CycleProblem;
  answer: (posterior: Posterior | null) => void;
  fail: (error: Error) => void;
}

/** Jobs of which the first half answers when it is told to, and the second at once. */
class HandJobs implements Jobs {
  readonly asked: Asked[] = [];
  private waiting: ((job: Asked) => void) | null = null;
  run: Jobs['run'] = (job, input, options) =>
    new Promise((settle, fail) => {
      if (job === 'foretell') {
        const { posterior } = input as { posterior: Posterior };
        return settle(foretell(posterior) as never);
      }
      const { problem } = input as { problem: CycleProblem };
      const asked = {
        ...options,
        problem,
        fail,
        answer: (p: Posterior | null) => settle(p as never),
      };
      this.asked.push(asked);
      this.waiting?.(asked);
    });
  /** The next job that is asked for. */
  next(): Promise<Asked> {
    return new Promise((hear) => {
      this.waiting = hear;
    });
  }
  cancel(): void {}
  stop(): void {}
  async forget(): Promise<void> {}
}

async function opened(): Promise<{ store: AppStore; hand: HandJobs }> {
  const hand = new HandJobs();
  const store = createStore(testServices(NOW, { jobs: hand }));
  store.dispatch(ticked(NOW));
  await store.dispatch(openLog('demo', { make: demoLog, zone: 'UTC' }));
  return { store, hand };
}

const idOf = (store: AppStore, name: string) => {
  const tank = selectTanks(store.getState()).find((t) => t.body.name === name);
  if (!tank) throw new Error(`no ${name}`);
  return tank.id;
};

/** Asks; gives the job, and what ends when it has been answered. */
async function ask(
  store: AppStore,
  hand: HandJobs,
  name = 'Kittiwake',
): Promise<{ job: Asked; done: Promise<void> }> {
  const next = hand.next();
  const done = store.dispatch(renewForecast(idOf(store, name)));
  return { job: await next, done };
}

const answerOf = (job: Asked): Posterior =>
  infer(job.problem, { seed: 1, particles: 20, otherParticles: 4, members: 20 });

const statusOf = (store: AppStore) => store.getState().computed.forecast[idOf(store, 'Kittiwake')];

describe('the forecast of a tank', () => {
  it('is asked for once, tells of its progress, and is shown with the posterior it rests on', async () => {
    const { store, hand } = await opened();
    const { job, done } = await ask(store, hand);
    job.progress?.(0.5);
    expect(statusOf(store)).toMatchObject({ status: 'running', progress: 0.45 });
    job.answer(answerOf(job));
    await done;
    const tankId = selectTank(store.getState())?.id ?? '';
    expect(selectForecast(store.getState())?.tankId).toBe(tankId);
    expect(store.getState().computed.posterior[tankId]?.value?.problem.tankId).toBe(tankId);
    await store.dispatch(renewForecast(tankId));
    expect(hand.asked).toHaveLength(1);
  });

  it('is asked for anew when the log changes, and the answer to an old question is dropped', async () => {
    const { store, hand } = await opened();
    const older = await ask(store, hand);
    const tank = selectTank(store.getState());
    if (!tank) throw new Error('no tank');
    await store.dispatch(
      recordAct((act) => act.revise(tank, { ...tank.body, doneRule: { rule: 'bothZero' } })),
    );
    const newer = await ask(store, hand);
    expect(newer.job.hash).not.toBe(older.job.hash);
    older.job.answer(answerOf(older.job));
    await older.done;
    expect(selectForecast(store.getState())).toBeNull();
    newer.job.answer(answerOf(newer.job));
    await newer.done;
    expect(selectForecast(store.getState())).not.toBeNull();
  });

  it('lets a tank be ready only once it has answered for the log as it is', async () => {
    const { store, hand } = await opened();
    const log = new LogBuilder({ doneRule: { rule: 'bothZero' } });
    log.dose(onDay(1), 2);
    // Kits that were each seen to work: one that showed nitrite once may be dead.
    for (const day of [2, 4]) log.ammonia(onDay(day), 2);
    for (const day of [8, 10]) log.nitrite(onDay(day), 2);
    log.dose(NOW - 10 * 86_400_000, 2);
    const zeros = (at: number) => {
      log.ammonia(at, 0);
      log.nitrite(at, 0);
    };
    zeros(NOW - 3_600_000);
    log.conditions(NOW - 3_600_000);
    store.dispatch(logMerged(log.revisions));
    const judged = () => selectVerdictOf(store.getState(), log.tankId);
    const answer = async () => {
      const next = hand.next();
      const done = store.dispatch(renewForecast(log.tankId));
      const job = await next;
      job.answer(answerOf(job));
      await done;
    };
    expect(judged()).toMatchObject({ granted: true, ready: false });
    await answer();
    const assurance = selectForecastOf(store.getState(), log.tankId)?.assurance;
    const agrees = [assurance?.stays, assurance?.carries].every((chance) => (chance ?? 0) >= 0.9);
    expect(judged()?.ready).toBe(agrees);
    expect(judged()?.criteria.at(-1)?.state).not.toBe('cannot tell');
    // A note changes nothing that was asked, and the answer holds.
    const { tankId } = log;
    const at = new Date(NOW - 7_200_000).toISOString();
    await store.dispatch(
      recordAct((act) => act.create('entry', { tankId, at, kind: 'note', text: 'Clear water' })),
    );
    expect(judged()?.criteria.at(-1)?.state).toBe('cannot tell');
    await store.dispatch(renewForecast(log.tankId));
    expect(judged()?.ready).toBe(agrees);
  });

  it('belongs to its tank, whichever is looked at, and lanes keep tanks apart', async () => {
    const { store, hand } = await opened();
    const one = await ask(store, hand);
    const two = await ask(store, hand, 'Fulmar');
    expect(one.job.lane).not.toBe(two.job.lane);
    one.job.answer(answerOf(one.job));
    two.job.answer(answerOf(two.job));
    await Promise.all([one.done, two.done]);
    const of = (name: string): Forecast | null =>
      selectForecastOf(store.getState(), idOf(store, name));
    expect(of('Kittiwake')?.tankId).toBe(idOf(store, 'Kittiwake'));
    expect(of('Fulmar')?.tankId).toBe(idOf(store, 'Fulmar'));
    store.dispatch(tankChosen(idOf(store, 'Spare tank')));
    expect(selectForecast(store.getState())).toBeNull();
  });

  it('is followed for tanks that cycle, the one in view first, and not for those that run', async () => {
    const { store } = await opened();
    expect(followedTanks(store.getState())).toEqual([idOf(store, 'Kittiwake')]);
  });

  it('that failed says so, and is tried again', async () => {
    const { store, hand } = await opened();
    const first = await ask(store, hand);
    first.job.fail(new Error('The worker stopped.'));
    await first.done;
    expect(statusOf(store)?.status).toBe('failed');
    const again = await ask(store, hand);
    again.job.answer(answerOf(again.job));
    await again.done;
    expect(statusOf(store)?.status).toBe('ready');
  });
});

describe('the moment a forecast is made for', () => {
  it('is the hour that has begun, or the newest entry of the tank if that is later', () => {
    const log = new LogBuilder();
    log.ammonia(onDay(3), 1);
    const noon = onDay(5);
    expect(forecastMoment(log.log(), log.tankId, noon + 40 * 60_000)).toBe(noon);
    log.ammonia(noon + 25 * 60_000, 1);
    expect(forecastMoment(log.log(), log.tankId, noon + 40 * 60_000)).toBe(noon + 25 * 60_000);
    // A slip of the clock, or another tank's entry, moves nothing.
    log.ammonia(onDay(9), 1);
    expect(forecastMoment(log.log(), log.tankId, noon)).toBe(noon);
    expect(forecastMoment(log.log(), 'another', noon + 40 * 60_000)).toBe(noon);
  });
});
