import { LITTLE_NITRITE } from '../doseAdvice';
import { noDoseBecause } from '../verdict/outstanding';
import { doneRuleOf } from '../doneRules';
import { isAmmoniaSource } from '../../records/kinds/dose';
import { latestReading, riseOf, type TankHistory } from '../../history/tankHistory';
import { readingWords } from '../../history/reading';
import { DAY_MS } from '../../time/zone';
import { countOf } from '../../units/format';
import type { DateRange, Forecast } from '../forecast/types';
import { challengeDose, FEED_EVERY_DAYS, riseWords, usualDoseWords } from '../doseSize';
import { leftOfDose } from '../verdict/proof';
import { isStale } from '../verdict/criteria/zero';
import { MOST_AMMONIA } from './amount';

/** Whether to dose now, how much, and why. */
export interface RedoseAdvice {
  /** mg N/L to add; 0 for none now. */
  rise: number;
  /** The most that may be added, mg N/L: up to 4 in the water. */
  most: number;
  because: string;
  /** When it is likely time to dose, where that is not now and can be told. */
  when: DateRange | null;
}

/** What is likely still in the water now by the forecast, mg N/L: its upper end. */
function inTheWater(forecast: Forecast | null, parameter: 'ammonia' | 'nitrite', at: number) {
  const band = forecast?.bands[parameter];
  if (!band) return null;
  const next = band.at.findIndex((moment) => moment >= at);
  return band.p90[next] ?? null;
}

/** A moment that is certain, as a range. */
function exactly(at: number): DateRange {
  return { p10: at, p25: at, p50: at, p75: at, p90: at };
}

/** The later of two ranges, end by end. */
function later(a: DateRange, b: DateRange): DateRange {
  const end = (q: keyof DateRange) => {
    const [x, y] = [a[q], b[q]];
    return x === null || y === null ? null : Math.max(x, y);
  };
  return { p10: end('p10'), p25: end('p25'), p50: end('p50'), p75: end('p75'), p90: end('p90') };
}

/**
 * When to dose again, and how much: once both are clear, the usual 2 ppm; half of it while a span at zero is
 * counted, which keeps the filter bacteria fed and is gone by the next test; the whole where the forecast
 * asks for a proof; and nothing while ammonia or nitrite is still there. Never beyond 4 mg N/L.
 */
export function redoseAdvice(
  history: TankHistory,
  forecast: Forecast | null,
  at: number,
): RedoseAdvice {
  const { tank } = history;
  const usual = challengeDose(history);
  const ammonia = latestReading(history, 'ammonia');
  const nitrite = latestReading(history, 'nitrite');
  const sources = history.entries.dose.filter((d) => isAmmoniaSource(d.entry.substance));
  const last = sources.at(-1);
  // What the newest test saw, and all that went in since: as if nothing of it were gone yet.
  const seen = ammonia && !isStale(ammonia, at) ? ammonia.best : 0;
  const since = sources
    .filter((d) => d.at >= (ammonia?.at ?? at - FEED_EVERY_DAYS * DAY_MS))
    .reduce((sum, d) => sum + (riseOf(d, history) ?? usual), 0);
  const there = Math.max(inTheWater(forecast, 'ammonia', at) ?? 0, seen + since);
  const most = Math.max(0, MOST_AMMONIA - there);
  const bothClear =
    forecast?.fed && !forecast.misfit
      ? later(forecast.milestones.ammoniaClears, forecast.milestones.nitriteClears)
      : null;
  const none = (because: string, when: DateRange | null = null): RedoseAdvice => ({
    rise: 0,
    most,
    because,
    when,
  });
  const dose = (rise: number, because: string): RedoseAdvice => ({
    rise: Math.min(rise, most),
    most,
    because,
    when: null,
  });
  const because = noDoseBecause(history, at);
  if (because !== null) return none(because);
  const doubted = forecast?.fed ? forecast.assurance.doubted : null;
  if (doubted) {
    return none(
      `No ammonia now: the ${doubted} kit may be dead. Have ${doubted} read by another kit first.`,
    );
  }
  const before = leftOfDose(history, at);
  if (before !== null) return none(`${before} No dose now: test both tomorrow.`, bothClear);
  if (!last && !forecast?.fed) {
    return dose(
      usual,
      `Nothing has been dosed yet. Start with ${usualDoseWords(history)}, then test an hour later.`,
    );
  }
  if (ammonia && !isStale(ammonia, at) && ammonia.zero === false) {
    return none(`Ammonia still reads ${readingWords(ammonia)}. Let it clear first.`, bothClear);
  }
  if (nitrite && !isStale(nitrite, at) && nitrite.best > LITTLE_NITRITE) {
    return none(
      `Nitrite reads ${readingWords(nitrite)}. More ammonia would only add to it.`,
      bothClear,
    );
  }
  const left =
    nitrite?.zero === false ? `Nitrite reads ${readingWords(nitrite)} and is nearly gone` : null;
  const proof = forecast?.nextTest?.purpose === 'challenge';
  // Filter bacteria are fed before zeros because the forecast knows ammonia to be gone, however old its test.
  const speaking = proof && left !== null ? [nitrite] : [ammonia, nitrite];
  const blind = speaking.some((r) => !r || isStale(r, at));
  if (blind) {
    return none('Test ammonia and nitrite first: without them nobody can tell.', bothClear);
  }
  const untested = speaking.some((r) => last && r && r.at <= last.at);
  if (untested) {
    return none('The last dose was not tested after. Test ammonia and nitrite first.', bothClear);
  }
  if (proof) {
    const rise = forecast?.nextTest?.dose ?? usual;
    const size = riseWords(history, rise);
    return dose(
      rise,
      left === null
        ? `Both read zero, but that alone does not show enough. ${size}, tested when it is likely gone, does.`
        : `${left}, and the filter bacteria would starve while zeros are waited for. ${size} now, tested when it is likely gone.`,
    );
  }
  const days = last ? (at - last.at) / DAY_MS : Infinity;
  const doneRule = doneRuleOf(tank.doneRule);
  if (last && days < FEED_EVERY_DAYS && !doneRule.dosesAtOnce) {
    return none(
      `${left ?? 'Both are clear'}, and the last dose was ${countOf(Math.max(1, Math.round(days)), 'day')} ago. It can wait.`,
      exactly(last.at + FEED_EVERY_DAYS * DAY_MS),
    );
  }
  if (left !== null) return dose(usual / 2, `${left}. Half a dose keeps both sides fed.`);
  return doneRule.feedsLightly
    ? dose(
        usual / 2,
        'Both are clear. Half a dose keeps the filter bacteria fed while the days are counted; test a day later at the soonest.',
      )
    : dose(
        usual,
        `Both are clear. ${usualDoseWords(history)} keeps the filter bacteria fed until the first fish, and shows what they can do.`,
      );
}
