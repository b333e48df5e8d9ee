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

/**
 * Where a parameter is going: its newest reading against the last one at least half a day and at
 * most 16 days older. Two readings whose ranges touch are steady unless their middles differ by
 * more than the parameter's own smallest meaningful change. Null with nothing to compare.
 */
export function trendOf(readings: readonly Reading[]): Trend | null {
  const latest = readings.at(-1);
  if (!latest) return null;
  const since = readings
    .filter((r) => latest.at - r.at >= MIN_GAP && latest.at - r.at <= MAX_GAP)
    .at(-1);
  if (!since) return null;
  const change = latest.best - since.best;
  const steady = Math.abs(change) < PARAMETERS[latest.parameter].steady;
  return {
    direction: steady ? 'steady' : change > 0 ? 'rising' : 'falling',
    since,
    ratio: since.best > 0 ? latest.best / since.best : null,
  };
}
