import { demoLog } from '../core/demo/demoLog';
import { forecastOf, type Forecast } from '../core/cycle/forecast';
import { LogBuilder, onDay } from '../testing/logBuilder';
import { testServices } from '../testing/services';
import type { ForecastJob, Forecaster } from '../workers/forecastClient';
import { ticked } from './clockSlice';
import { forecastMoment, forgetForecast, renewForecast } from './forecasting';
import { openLog } from './open';
import { recordAct } from './record';
import { selectForecast, selectForecastStatus, selectTank, selectTanks } from './selectors';
import { tankChosen } from './sessionSlice';
import { createStore, type AppStore } from './store';

const NOW = Date.parse('2026-11-24T12:20:00Z');

type Asked = ForecastJob & { answer: (f: Forecast | null) => void; fail: (e: Error) => void };

/** A forecaster that answers when it is told to. */
class HandForecaster implements Forecaster {
  readonly jobs: Asked[] = [];
  stopped = 0;
  private waiting: ((job: Asked) => void) | null = null;
  run(job: ForecastJob): Promise<Forecast | null> {
    return new Promise((answer, fail) => {
      const asked = { ...job, answer, fail };
      this.jobs.push(asked);
      this.waiting?.(asked);
    });
  }
  /** The next job that is asked for. */
  next(): Promise<Asked> {
    return new Promise((hear) => {
      this.waiting = hear;
    });
  }
  stop(): void {
    this.stopped += 1;
  }
}

async function opened(): Promise<{ store: AppStore; hand: HandForecaster }> {
  forgetForecast();
  const hand = new HandForecaster();
  const store = createStore(testServices(NOW, { forecaster: hand }));
  store.dispatch(ticked(NOW));
  await store.dispatch(openLog('demo', { make: demoLog, zone: 'UTC' }));
  return { store, hand };
}

const view = (store: AppStore, name: string) => {
  const tank = selectTanks(store.getState()).find((t) => t.body.name === name);
  if (!tank) throw new Error(`no ${name}`);
  store.dispatch(tankChosen(tank.id));
};

/** Asks; gives the job, and what ends when it has been answered. */
async function ask(
  store: AppStore,
  hand: HandForecaster,
): Promise<{ job: Asked; done: Promise<void> }> {
  const next = hand.next();
  const done = store.dispatch(renewForecast());
  return { job: await next, done };
}

const answerOf = (job: ForecastJob): Forecast =>
  forecastOf(job.problem, { seed: 1, particles: 20, otherParticles: 4, members: 20 });

describe('the forecast of the tank in view', () => {
  it('is asked for once, tells of its progress, and is shown', async () => {
    const { store, hand } = await opened();
    const { job, done } = await ask(store, hand);
    job.progress?.(0.4);
    expect(selectForecastStatus(store.getState())).toMatchObject({
      status: 'running',
      progress: 0.4,
    });
    job.answer(answerOf(job));
    await done;
    expect(selectForecast(store.getState())?.tankId).toBe(selectTank(store.getState())?.id);
    await store.dispatch(renewForecast());
    expect(hand.jobs).toHaveLength(1);
  });

  it('is asked for anew when the log changes, and the answer to an old question is dropped', async () => {
    const { store, hand } = await opened();
    const older = await ask(store, hand);
    const tank = selectTank(store.getState());
    if (!tank) throw new Error('no tank');
    await store.dispatch(
      recordAct((act) => act.revise(tank, { ...tank.body, school: { school: 'bothZero' } })),
    );
    const newer = await ask(store, hand);
    expect(newer.job.inputHash).not.toBe(older.job.inputHash);
    older.job.answer(answerOf(older.job));
    await older.done;
    expect(selectForecast(store.getState())).toBeNull();
    newer.job.answer(answerOf(newer.job));
    await newer.done;
    expect(selectForecast(store.getState())).not.toBeNull();
  });

  it('is never another tank’s, and is let go for a tank that runs', async () => {
    const { store, hand } = await opened();
    const { job, done } = await ask(store, hand);
    job.answer(answerOf(job));
    await done;
    view(store, 'Spare tank');
    expect(selectForecast(store.getState())).toBeNull();
    view(store, 'Fulmar');
    await store.dispatch(renewForecast());
    expect(hand.jobs).toHaveLength(1);
    expect(hand.stopped).toBe(1);
    expect(selectForecastStatus(store.getState()).forecast).toBeNull();
  });

  it('that failed says so, and is tried again', async () => {
    const { store, hand } = await opened();
    const first = await ask(store, hand);
    first.job.fail(new Error('The forecast’s worker stopped.'));
    await first.done;
    expect(selectForecastStatus(store.getState()).status).toBe('failed');
    const again = await ask(store, hand);
    again.job.answer(answerOf(again.job));
    await again.done;
    expect(selectForecastStatus(store.getState()).status).not.toBe('failed');
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
