import { isAmmoniaSource } from '../../history/dose';
import type { TankHistory } from '../../history/tankHistory';
import { latestReading } from '../../history/tankHistory';
import { readingWords } from '../../history/reading';
import { DAY_MS } from '../../time/zone';
import { formatPlain } from '../../units/format';
import type { Forecast } from '../forecast/types';
import { challengeDose } from '../problem/schoolFacts';
import { isStale } from '../verdict/zero';
import { MOST_AMMONIA } from './amount';

/** Whether to dose now, how much, and why. */
export interface RedoseAdvice {
  /** mg N/L to add; 0 for none now. */
  rise: number;
  /** The most that may be added, mg N/L: up to 4 in the water. */
  most: number;
  because: string;
}

/** Days after which a fed colony has shrunk enough to be worth a meal. */
const HUNGRY_DAYS = 4;

/** Nitrite up to here is nearly gone, mg N/L: a step above zero on most cards. */
const LITTLE_NITRITE = 0.2;

/** What is likely still in the water now by the forecast, mg N/L: its upper end. */
function inTheWater(forecast: Forecast | null, parameter: 'ammonia' | 'nitrite', at: number) {
  const band = forecast?.bands[parameter];
  if (!band) return null;
  const next = band.at.findIndex((moment) => moment >= at);
  return band.p90[next] ?? null;
}

/**
 * When to dose again: once both are clear, the usual 2 ppm; half of it while a hold is counted, which
 * keeps the colony fed; and nothing while ammonia or nitrite is still there. Never beyond 4 mg N/L.
 */
export function redoseAdvice(
  history: TankHistory,
  forecast: Forecast | null,
  at: number,
): RedoseAdvice {
  const usual = challengeDose(history);
  const ammonia = latestReading(history, 'ammonia');
  const nitrite = latestReading(history, 'nitrite');
  const there = Math.max(
    inTheWater(forecast, 'ammonia', at) ?? 0,
    ammonia && !isStale(ammonia, at) ? ammonia.best : 0,
  );
  const most = Math.max(0, MOST_AMMONIA - there);
  const none = (because: string): RedoseAdvice => ({ rise: 0, most, because });
  const last = history.doses.filter((d) => isAmmoniaSource(d.entry.substance)).at(-1);
  if (history.tank.fishInSince) {
    return none('There are fish in it. They are the source now; dose no ammonia.');
  }
  if (!last && !forecast?.fed) {
    return {
      rise: Math.min(usual, most),
      most,
      because: 'Nothing has been dosed yet. Start with 2 ppm, then test an hour later.',
    };
  }
  if (ammonia && !isStale(ammonia, at) && ammonia.zero === false) {
    return none(`Ammonia still reads ${readingWords(ammonia)}. Let it clear first.`);
  }
  if (nitrite && !isStale(nitrite, at) && nitrite.zero === false) {
    return nitrite.best > LITTLE_NITRITE
      ? none(`Nitrite reads ${readingWords(nitrite)}. More ammonia would only add to it.`)
      : {
          rise: Math.min(usual / 2, most),
          most,
          because: `Nitrite reads ${readingWords(nitrite)} and is nearly gone. Half a dose keeps both sides fed.`,
        };
  }
  const blind = [ammonia, nitrite].some((r) => !r || isStale(r, at));
  if (blind) return none('Test ammonia and nitrite first: without them nobody can tell.');
  const days = last ? (at - last.at) / DAY_MS : Infinity;
  if (days < HUNGRY_DAYS && history.tank.school.school !== 'challenge') {
    return none(
      `Both are clear, and the last dose was ${formatPlain(Math.max(1, days), 0)} days ago. It can wait.`,
    );
  }
  return {
    rise: Math.min(usual, most),
    most,
    because:
      'Both are clear. Two ppm keeps the colony fed until the first fish, and shows what it can do.',
  };
}
