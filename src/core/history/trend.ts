import { PARAMETERS } from '../parameters/registry';
import { DAY_MS, HOUR_MS } from '../time/zone';
import type { Reading } from './reading';

export type Direction = 'rising' | 'falling' | 'steady';

export interface Trend {
  direction: Direction;
  /** The earlier reading it is measured against. */
  since: Reading;
  /** Latest over earlier; null where the earlier one is zero. */
  ratio: number | null;
}

/** Readings closer together than this say more about the reader than about the tank. */
const MIN_GAP = 12 * HOUR_MS;
const MAX_GAP = 16 * DAY_MS;

const isComparable = (earlier: Reading, latest: Reading) =>
  latest.at - earlier.at >= MIN_GAP && latest.at - earlier.at <= MAX_GAP;

/**
 * Where the move that the newest reading ends began: back from the nearest earlier one for as long
 * as each reading lies further the same way. 8.6, 7.4, 7.1 is one fall from 8.6.
 */
function beginningOf(readings: readonly Reading[], latest: Reading, nearest: Reading): Reading {
  const way = Math.sign(latest.best - nearest.best);
  let since = nearest;
  for (let i = readings.indexOf(nearest) - 1; i >= 0; i -= 1) {
    const before = readings[i];
    if (!before || !isComparable(before, latest)) break;
    if (way === 0 || Math.sign(since.best - before.best) !== way) break;
    since = before;
  }
  return since;
}

/**
 * Where a parameter is going: its newest reading against the beginning of the move that it ends,
 * at least half a day and at most 16 days older. Two readings whose ranges touch are steady unless their middles differ by
 * more than the parameter's own smallest meaningful change. Null with nothing to compare.
 */
export function trendOf(readings: readonly Reading[]): Trend | null {
  const latest = readings.at(-1);
  if (!latest) return null;
  const earlier = readings.filter((r) => isComparable(r, latest));
  const nearest = earlier.at(-1);
  if (!nearest) return null;
  const since = beginningOf(readings, latest, nearest);
  const change = latest.best - since.best;
  const steady = Math.abs(change) < PARAMETERS[latest.parameter].steady;
  return {
    direction: steady ? 'steady' : change > 0 ? 'rising' : 'falling',
    since,
    ratio: since.best > 0 ? latest.best / since.best : null,
  };
}
