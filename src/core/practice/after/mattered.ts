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

/** What something came to beside what it would be: "3 times", "40 % of". */
function timesWords(factor: number): string {
  if (factor > 50) return 'far more than 50 times';
  return factor >= 1
    ? `${formatPlain(factor, factor < 3 ? 1 : 0)} times`
    : `${formatPlain(100 * factor, 0)} % of`;
}

/** What was otherwise with a deed than without it, from its hour on, in sentences. */
function difference(withIt: Course, without: Course, from: number): string[] {
  const did: string[] = [];
  const deaths = withIt.lived.state.deaths.length - without.lived.state.deaths.length;
  if (deaths > 0) did.push(`${countOf(deaths, 'animal')} would have lived without it.`);
  if (deaths < 0) did.push(`It kept ${countOf(-deaths, 'animal')} alive.`);
  const most = highest(withIt.series.freeAmmonia, from);
  const free = most - highest(without.series.freeAmmonia, from);
  if (Math.abs(free) > 0.02) {
    did.push(
      `Free ammonia came to ${formatPlain(most, 2)} ppm N at most, ${formatPlain(Math.abs(free), 2)} ${free > 0 ? 'more' : 'less'} than without it.`,
    );
  }
  const above = daysAbove(withIt, from) - daysAbove(without, from);
  if (Math.abs(above) >= 1) {
    did.push(
      `Ammonia or nitrite stood above zero for ${countOf(Math.round(Math.abs(above)), 'day')} ${above > 0 ? 'longer' : 'less'}.`,
    );
  }
  for (const [capacity, what] of [
    ['capacityA', 'ammonia'],
    ['capacityB', 'nitrite'],
  ] as const) {
    const [now, otherwise] = [last(withIt.series[capacity]), last(without.series[capacity])];
    const factor = now / Math.max(otherwise, 1e-9);
    if ((factor > 1.3 || factor < 0.75) && Math.max(now, otherwise) > 0.005) {
      did.push(`The bacteria that clear ${what} are now ${timesWords(factor)} what they would be.`);
    }
  }
  for (const [name, what, unit] of [
    ['salinity', 'Salinity', 'ppt'],
    ['alkalinity', 'Alkalinity', 'dKH'],
  ] as const) {
    const by = last(withIt.series[name]) - last(without.series[name]);
    if (Math.abs(by) < 0.5) continue;
    did.push(
      `${what} is now ${formatPlain(Math.abs(by), 1)} ${unit} ${by > 0 ? 'higher' : 'lower'} than without it.`,
    );
  }
  return did;
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
      return { deed, did: difference(whole, without, hour) };
    });
}
