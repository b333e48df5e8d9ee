import { FULL_SALINITY } from '../units/constants';
import { FOODS, type Portions } from '../records/kinds/feed';
import { quantileOfSorted, sortedCopy } from '../math/quantile';
import type { TankHistory } from '../history/tankHistory';
import type { Weighed } from '../records/kinds/weighing';
import { salinityFrom } from '../seawater/salinity';
import { DAY_MS } from '../time/zone';
import { isSalinityUnit } from '../units/units';

/** A figure that a log has taught, and from how many entries. */
export interface Learned {
  value: number;
  count: number;
}

/** g/L at 35 ppt: what lies outside was mistyped, or was no salt mix. */
const YIELDS = { low: 25, high: 60 };
/** Batches that a yield is learned from: a new bag may hold more water than the last. */
const BATCHES = 8;
/** Runs of the purifier that its pace is learned from: it slows as it ages and as winter comes. */
const RUNS = 5;
/** Top-offs that evaporation is learned from. */
const TOP_OFFS = 12;

/**
 * Grams of this keeper's salt in a litre that come to 35 ppt, by least squares through the origin
 * over the last batches whose salinity was measured: Σ(g/L · s) / Σ s², with s as a share of 35 ppt.
 */
export function saltYield({ entries }: TankHistory): Learned | null {
  let products = 0;
  let squares = 0;
  let count = 0;
  for (const { entry } of entries.saltMix.slice(-BATCHES)) {
    const { salinity, grams, litres } = entry;
    if (!salinity || !isSalinityUnit(salinity.unit)) continue;
    const share = salinityFrom(salinity.value, salinity.unit) / FULL_SALINITY;
    if (share <= 0.1) continue;
    const each = grams / litres;
    if (each / share < YIELDS.low || each / share > YIELDS.high) continue;
    products += each * share;
    squares += share * share;
    count += 1;
  }
  return count === 0 ? null : { value: products / squares, count };
}

/** What one cup of salt weighs, g, or one drop holds, mL: by the last weighing of it. */
export function weighed({ entries }: TankHistory, what: Weighed): Learned | null {
  const last = entries.weighing.findLast(({ entry }) => entry.what === what)?.entry;
  return last ? { value: last.amount / last.count, count: 1 } : null;
}

/** What a portion of each food weighs that was weighed, g. */
export function portionsOf({
  entries,
}: {
  entries: Pick<TankHistory['entries'], 'weighing'>;
}): Portions {
  const portions: Portions = {};
  for (const { entry } of entries.weighing) {
    const food = FOODS.find((one) => one === entry.what);
    if (food) portions[food] = entry.amount / entry.count;
  }
  return portions;
}

/** Minutes that the purifier takes for a litre, over its last runs that were timed. */
export function minutesPerLitre({ entries }: TankHistory): Learned | null {
  const timed = entries.purified.filter(({ entry }) => entry.minutes !== undefined).slice(-RUNS);
  if (timed.length === 0) return null;
  const minutes = timed.reduce((sum, { entry }) => sum + (entry.minutes ?? 0), 0);
  const litres = timed.reduce((sum, { entry }) => sum + entry.litres, 0);
  return { value: minutes / litres, count: timed.length };
}

/** Litres to waste for each litre made, where a run tells both. */
export function wasteRatio({ entries }: TankHistory): Learned | null {
  const told = entries.purified.filter(({ entry }) => entry.waste !== undefined).slice(-RUNS);
  if (told.length === 0) return null;
  const waste = told.reduce((sum, { entry }) => sum + (entry.waste ?? 0), 0);
  const litres = told.reduce((sum, { entry }) => sum + entry.litres, 0);
  return { value: waste / litres, count: told.length };
}

/**
 * Litres that evaporate in a day: the median over the last top-offs of fresh water of what each put
 * back since the one before. A top-off an hour after another tells nothing.
 */
export function evaporationPerDay({ entries }: TankHistory): Learned | null {
  const fresh = entries.topOff.filter(({ entry }) => !entry.salinity).slice(-TOP_OFFS - 1);
  const rates: number[] = [];
  let since = fresh[0]?.at;
  let litres = 0;
  for (const { at, entry } of fresh.slice(1)) {
    litres += entry.litres;
    const days = (at - (since ?? at)) / DAY_MS;
    if (days < 0.25) continue;
    rates.push(litres / days);
    since = at;
    litres = 0;
  }
  return rates.length < 2
    ? null
    : { value: quantileOfSorted(sortedCopy(rates), 0.5), count: rates.length };
}
