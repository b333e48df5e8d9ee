import { FIRST_LOAD, SAFE } from '../../cycle/verdict/safe';
import { DAY_MS } from '../../time/zone';
import type { Deed } from '../deeds/deeds';
import { N_PER_GRAM } from '../world/animals';
import { liveHour } from '../world/hour';
import { live, type Lived, type Start } from '../world/live';
import type { WorldState } from '../world/state';

/** What both stand under before it is worth asking, mg N/L. */
const LOW = 0.1;
/** Hour of each day at which it is asked. */
const ASKED_AT = 12;

function copied(state: WorldState): WorldState {
  return { ...state, dwellers: [], deaths: [] };
}

/** Whether a tank would carry its first fish from an hour on: neither ammonia nor nitrite comes above the limit. */
function carries(
  state: WorldState,
  { nature, chance }: Pick<Lived, 'nature' | 'chance'>,
  hour: number,
) {
  const tried = copied(state);
  tried.dwellers.push({
    id: 'first fish',
    what: 'First fish',
    group: 'fish',
    count: 1,
    grams: (FIRST_LOAD.nitrogen * nature.litres) / N_PER_GRAM,
    strain: 0,
    by: { ammonia: 0, oxygen: 0, temperature: 0, salinity: 0 },
  });
  const ends = hour + FIRST_LOAD.days * 24;
  for (let now = hour; now < ends; now += 1) {
    liveHour(tried, nature, chance, now);
    if (tried.ammonia > SAFE || tried.nitrite > SAFE || tried.deaths.length > 0) return false;
  }
  return true;
}

/**
 * The first day on which a tank truly carries its first fish's load for a fortnight, with nothing done after the
 * deeds that are given; null where it does not within so many days.
 */
export function trulyReadyOn(start: Start, deeds: readonly Deed[], days: number): number | null {
  const asked: [hour: number, state: WorldState][] = [];
  const lived = live(start, deeds, start.filledAt + days * DAY_MS, (state, hour) => {
    if (hour % 24 !== ASKED_AT || state.ammonia > LOW || state.nitrite > LOW) return;
    asked.push([hour, copied(state)]);
  });
  for (const [hour, state] of asked) {
    if (carries(state, lived, hour)) return Math.floor(hour / 24);
  }
  return null;
}

/** Whether a tank truly carries its first fish's load from a moment on, with nothing done after the deeds given. */
export function trulyCarries(start: Start, deeds: readonly Deed[], at: number): boolean {
  const lived = live(start, deeds, at);
  return carries(lived.state, lived, lived.hour);
}
