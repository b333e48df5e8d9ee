import { normalCdf } from '../../math/normal';
import type { ProblemKit } from '../problem/types';

// Bound once: looking them up in every step is slow where globals are watched over, as in tests.
const { exp, log, max } = Math;

/** What a blunder gives to any one step: one of about six. */
export const BLUNDER_SHARE = 1 / 6;

/** Where on its scale a reading lay, with all that does not depend on the true value. */
export interface Reader {
  card: boolean;
  half: number;
  sigma: number;
  /** Ends in the logarithm for a card; the number itself, twice, for an instrument. */
  low: number;
  high: number;
}

type Scale = Pick<ProblemKit, 'card' | 'half' | 'sigma'>;

export function readerOf(
  kit: Scale,
  { low, high, wider = 1 }: { low: number; high: number; wider?: number },
): Reader {
  const { card, half } = kit;
  return {
    card,
    half,
    sigma: kit.sigma * wider,
    low: !card ? low : low <= 0 ? -Infinity : log(low + half),
    high: !card ? high : high === Infinity ? Infinity : log(high + half),
  };
}

/** The standard normal density at its middle. */
export const METER_PEAK = 0.4;

export function chanceFor(r: Reader, shown: number, spread: number): number {
  if (!r.card) {
    const off = (r.low - shown) / (r.sigma + 0.05 * shown);
    return METER_PEAK * exp(-0.5 * off * off);
  }
  const centre = log(shown + r.half);
  const sigma = r.sigma * spread;
  const above = r.high === Infinity ? 1 : normalCdf((r.high - centre) / sigma);
  const below = r.low === -Infinity ? 0 : normalCdf((r.low - centre) / sigma);
  return max(0, above - below);
}

/**
 * Chance that a kit that is shown `shown` (its own unit) is read between `low` and `high`. A card is
 * read to the nearest step in the logarithm, kept finite at zero by half of its lowest step; a low
 * end of 0 is open downwards. For an instrument the density at the number shown, times its spread.
 * @param spread factor on the spread with which cards are read
 */
export function chanceOfReading(
  kit: Scale,
  shown: number,
  low: number,
  high: number,
  wider = 1,
  spread = 1,
): number {
  return chanceFor(readerOf(kit, { low, high, wider }), shown, spread);
}
