import { HOUR_MS, instant } from '../core/time/zone';
import { headsOfType, type Log } from '../core/records/log';
import {
  forecastBegun,
  forecastCleared,
  forecastFailed,
  forecastMade,
  forecastProgressed,
} from './forecastSlice';
import { selectKits, selectLog, selectNow, selectTank } from './selectors';
import type { AppThunk } from './store';

/** The seed of every forecast in the app; the command line takes the same unless told otherwise. */
const SEED = 1;

/**
 * The moment a forecast is made for: the hour that has begun, or the last entry if that is newer, so
 * that it changes with what is logged and not with every minute.
 */
export function forecastMoment(log: Log, tankId: string, now: number): number {
  let at = Math.floor(now / HOUR_MS) * HOUR_MS;
  for (const { body } of headsOfType(log, 'entry')) {
    const when = instant(body.at);
    if (body.tankId === tankId && when <= now + HOUR_MS / 60) at = Math.max(at, when);
  }
  return at;
}

/** What the newest forecast was asked for; an equal question is not asked again. */
let asked: string | null = null;

/** Forgets what was asked, when another log is opened. */
export function forgetForecast(): void {
  asked = null;
}

/**
 * Works out the forecast of the tank in view when anything it rests on has changed. The engine is
 * fetched when it is first needed, so that Today is usable before.
 */
export function renewForecast(): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services }) => {
    const state = getState();
    const tank = selectTank(state);
    if (!tank || tank.body.runningSince !== null || state.session.status !== 'ready') {
      asked = null;
      if (state.forecast.tankId !== null) {
        services.forecaster.stop();
        dispatch(forecastCleared());
      }
      return;
    }
    const log = selectLog(state);
    const at = forecastMoment(log, tank.id, selectNow(state));
    const { problemFor } = await import('./forecastProblem');
    if (selectLog(getState()) !== log || selectTank(getState())?.id !== tank.id) return;
    const kits = selectKits(state)
      .filter((kit) => kit.body.inUse)
      .map((kit) => kit.id);
    const { problem, inputHash } = problemFor(log, tank.id, at, SEED, kits);
    if (inputHash === asked) return;
    asked = inputHash;
    dispatch(forecastBegun(tank.id));
    try {
      const forecast = await services.forecaster.run({
        problem,
        inputHash,
        seed: SEED,
        usableKits: kits,
        progress: (share) => dispatch(forecastProgressed(share)),
      });
      if (forecast && asked === inputHash) dispatch(forecastMade(forecast));
    } catch {
      if (asked === inputHash) {
        asked = null;
        dispatch(forecastFailed());
      }
    }
  };
}
