import { HOUR_MS } from '../core/time/zone';
import { renewForecast } from './forecasting';
import type { AppStore, RootState } from './store';

/** Quiet after a change before a forecast is asked for: a sitting or an import comes in one go. */
const SETTLE_MS = 150;

function restsOn(state: RootState): unknown[] {
  const { log, session, clock } = state;
  return [log, session.tankId, session.status, Math.floor(clock.now / HOUR_MS)];
}

/**
 * Asks for the forecast of the tank in view whenever something it rests on has changed.
 * @returns ends it
 */
export function followForecast(store: AppStore): () => void {
  let before: unknown[] = [];
  let timer: ReturnType<typeof setTimeout> | undefined;
  const look = () => {
    const now = restsOn(store.getState());
    if (now.every((value, i) => value === before[i])) return;
    before = now;
    clearTimeout(timer);
    timer = setTimeout(() => void store.dispatch(renewForecast()), SETTLE_MS);
  };
  look();
  const unsubscribe = store.subscribe(look);
  return () => {
    clearTimeout(timer);
    unsubscribe();
  };
}
