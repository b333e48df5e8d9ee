import { HOUR_MS } from '../../time/zone';
import { countOf, formatPlain } from '../../units/format';
import { changesWorld } from '../deeds/effects';
import type { Deed } from '../deeds/deeds';
import type { Played } from '../run/play';
import { courseUntil } from '../run/play';
import { courseOf, type Course } from '../world/live';

/** A deed with what it did to this tank: what was otherwise without it. */
export interface Mattered {
  deed: Deed;
  /** In short sentences; empty where it changed nothing that is worth a word. */
  did: string[];
  /** How much it changed, by which they are told first. */
  weight: number;
}

const highest = (series: Float64Array, from: number) => {
  let most = 0;
  for (let hour = from; hour < series.length; hour += 1) most = Math.max(most, series[hour] ?? 0);
  return most;
};

/** Days from an hour on in which both stand above what a card reads as zero. */
function daysAbove({ series }: Course, from: number): number {
  let hours = 0;
  for (let hour = from; hour < series.ammonia.length; hour += 1) {
    if ((series.ammonia[hour] ?? 0) > 0.1 || (series.nitrite[hour] ?? 0) > 0.1) hours += 1;
  }
  return hours / 24;
}

const last = (series: Float64Array) => series[series.length - 1] ?? 0;

/** A share that something came to, in words: "a third of", "4 times". */
function timesWords(factor: number): string {
  return factor >= 1
    ? `${formatPlain(factor, factor < 3 ? 1 : 0)} times`
    : `${formatPlain(100 * factor, 0)} % of`;
}

function difference(
  withIt: Course,
  without: Course,
  from: number,
): { did: string[]; weight: number } {
  const did: string[] = [];
  let weight = 0;
  const say = (words: string, by: number) => {
    did.push(words);
    weight += by;
  };
  const deaths = withIt.lived.state.deaths.length - without.lived.state.deaths.length;
  if (deaths > 0) say(`${countOf(deaths, 'animal')} would have lived without it.`, 10 * deaths);
  if (deaths < 0) say(`It kept ${countOf(-deaths, 'animal')} alive.`, -10 * deaths);
  const free = highest(withIt.series.freeAmmonia, from) - highest(without.series.freeAmmonia, from);
  if (Math.abs(free) > 0.02) {
    const to = formatPlain(highest(withIt.series.freeAmmonia, from), 2);
    say(
      `Free ammonia came to ${to} ppm at most, ${formatPlain(Math.abs(free), 2)} ${free > 0 ? 'more' : 'less'} than without it.`,
      2,
    );
  }
  const above = daysAbove(withIt, from) - daysAbove(without, from);
  if (Math.abs(above) >= 1) {
    say(
      `Ammonia or nitrite stood above zero for ${countOf(Math.round(Math.abs(above)), 'day')} ${above > 0 ? 'longer' : 'less'}.`,
      Math.abs(above) / 4,
    );
  }
  for (const [capacity, what] of [
    ['capacityA', 'ammonia'],
    ['capacityB', 'nitrite'],
  ] as const) {
    const [a, b] = [last(withIt.series[capacity]), last(without.series[capacity])];
    const factor = b > 0 ? a / b : Infinity;
    if ((factor > 1.3 || factor < 0.75) && Math.max(a, b) > 0.005) {
      const words = factor === Infinity ? 'all' : timesWords(factor);
      say(
        `What clears ${what} is now ${words} what it would be.`,
        Math.min(3, Math.abs(a - b) * 5),
      );
    }
  }
  const salt = last(withIt.series.salinity) - last(without.series.salinity);
  if (Math.abs(salt) >= 0.5)
    say(
      `Salinity is ${formatPlain(Math.abs(salt), 1)} ppt ${salt > 0 ? 'higher' : 'lower'} by it.`,
      1,
    );
  const alk = last(withIt.series.alkalinity) - last(without.series.alkalinity);
  if (Math.abs(alk) >= 0.5)
    say(
      `Alkalinity is ${formatPlain(Math.abs(alk), 1)} dKH ${alk > 0 ? 'higher' : 'lower'} by it.`,
      1,
    );
  return { did, weight };
}

/** Deeds of the keeper that changed this tank, in the order in which they were done, with what each did. */
export function mattered(run: Played, from: number): Mattered[] {
  const whole = courseUntil(run);
  const until = run.start.filledAt + (whole.series.ammonia.length - 1) * HOUR_MS;
  return run.deeds
    .filter(({ at, entry }) => at >= from && changesWorld(entry.kind))
    .map((deed) => {
      const without = courseOf(
        run.start,
        run.deeds.filter((other) => other !== deed),
        until,
      );
      const hour = Math.floor((deed.at - run.start.filledAt) / HOUR_MS);
      return { deed, ...difference(whole, without, hour) };
    });
}
