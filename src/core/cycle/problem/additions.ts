import { joins } from '../../records/kinds/animals';
import { isAmmoniaSource } from '../../records/kinds/dose';
import { type Dose, type TankHistory, type WaterChange } from '../../history/tankHistory';
import { toCanonical } from '../../parameters/convert';
import type { FilterBacteriaEffect } from '../../records/kinds/effect';
import type { Agent } from '../../records/kinds/treatment';
import { DAY_MS } from '../../time/zone';
import { SEEDS } from '../kinetics/parameters';
import { portionsOf } from '../../water/learned';
import { feedNitrogen } from './foods';
import { deadNitrogen, LEACHES_AFTER, leftNothing, organicsEffect } from './organics';
import { bottleShare, bottleVigour, mediaCapacity } from './seeding';
import { ALKALINE, broughtBy, mixedInBy } from '../alkalinity';
import { filterBacteriaEffects } from '../verdict/harm';
import type { Addition } from './types';

/** An addition before it has its step. */
export type Undated = Omit<Addition, 'step'>;

/** Own error of a dose that was counted roughly, or whose strength nobody knows (sd of the log). */
const ABOUT_SD = 0.35;
const GUESSED_SD = 0.6;

/** Share of the filter bacteria that a treatment is taken to leave: judgement, with a wide spread. */
const SURVIVAL: Record<Agent, number> = {
  antibiotic: 0.25,
  copper: 0.7,
  formaldehyde: 0.5,
  methyleneBlue: 0.3,
  peroxide: 0.5,
  otherMedicine: 0.7,
  chlorine: 0.35,
  bleach: 0.05,
  scrubbedRock: 0.5,
};
const TREATMENT_SD = 0.7;

/** What a dose does to the course; null for what the cycle does not feel. */
export function doseAddition(dose: Dose, history: TankHistory): Undated | null {
  const { entry } = dose;
  const brought = broughtBy(dose, history);
  if (brought) {
    const { ammonia, alkalinity, guessed } = brought;
    if (!isAmmoniaSource(entry.substance)) return { source: 'exact', ownSd: 0, alkalinity };
    const ownSd = guessed ? GUESSED_SD : entry.about ? ABOUT_SD : 0;
    return { source: 'doses', ownSd, ammonia, alkalinity };
  }
  if (entry.substance === 'bacteria') {
    const alive =
      bottleVigour(entry.bottle, dose.at, history.tank.zone) *
      bottleShare(entry.bottle, history.netLitres);
    return {
      source: 'bottle',
      ownSd: 0,
      capacityA: SEEDS.bottle.a * alive,
      capacityB: SEEDS.bottle.b * alive,
      asleep: true,
    };
  }
  return null;
}

/** What new water brings: its own record, as far as anybody measured it. */
export function changeAddition(change: WaterChange, history: TankHistory): Undated {
  const { ammonia } = change.entry.newWater;
  const { replaced, newAlkalinity } = mixedInBy(change, history);
  return {
    source: 'exact',
    ownSd: 0,
    replaced,
    newAmmonia: ammonia ? Math.max(0, toCanonical(ammonia.value, ammonia.unit)) : 0,
    ...(newAlkalinity === undefined ? {} : { newAlkalinity }),
  };
}

/** What a small pair makes of a light feeding, mg N a day: 0.2 g of pellets, 45 % protein, × 0.12. */
export const PAIR_N = 11;
/**
 * What a gram of fish makes of its ration, mg N a day: 3 % of its body as dry food, 45 % protein,
 * × 0.12.
 */
const N_PER_GRAM = 1000 * 0.03 * 0.45 * 0.12;
/** Parts of a day in which what fish make goes in: they make it all day. */
export const FISH_PARTS = 4;

/** What the fish of a tank make by themselves from a moment on, mg N a day. */
interface FishRate {
  at: number;
  nitrogen: number;
}

/**
 * What fish make over time where their food is not logged: by their weight as far as it is known,
 * and as a small pair where it is not.
 */
function fishRates({ entries }: TankHistory): FishRate[] {
  const rates: FishRate[] = [];
  let number = 0;
  let grams = 0;
  let weighed = true;
  for (const { at, entry } of entries.animals) {
    if (entry.group !== 'fish') continue;
    if (joins(entry.move)) {
      number += entry.count ?? 1;
      grams += entry.grams ?? 0;
      weighed = weighed && entry.grams !== undefined;
    } else {
      const left = entry.count === undefined ? 0 : Math.max(0, number - entry.count);
      // Those that left weighed what they were logged with, else their share of all.
      grams =
        left === 0 ? 0 : Math.max(0, grams - (entry.grams ?? (grams * (number - left)) / number));
      number = left;
      if (number === 0) weighed = true;
    }
    rates.push({ at, nitrogen: number === 0 ? 0 : weighed ? grams * N_PER_GRAM : PAIR_N });
  }
  return rates;
}

/**
 * What fish in a tank make, mg N/L a day: of what was logged as food since they went in, by the day,
 * or where none was logged by what they weigh. 0 without fish.
 */
export function fishNitrogen(history: TankHistory, at: number): number {
  const since = history.standing.fishSince;
  if (since === null || since > at) return 0;
  const portions = portionsOf(history);
  const fed = history.entries.feed.reduce(
    (sum, feed) => (feed.at < since ? sum : sum + feedNitrogen(feed.entry, portions)),
    0,
  );
  const days = Math.max(1, (at - since) / DAY_MS);
  const own = fishRates(history).findLast((rate) => rate.at <= at)?.nitrogen ?? 0;
  return (fed > 0 ? fed / days : own) / history.netLitres;
}

/** What fish in a tank made so far; food that was logged already stands for itself. */
export function fishAdditions(
  history: TankHistory,
  from: number,
  at: number,
): { at: number; addition: Undated }[] {
  const list: { at: number; addition: Undated }[] = [];
  const rates = fishRates(history);
  const firstFish = rates.find((rate) => rate.nitrogen > 0)?.at;
  if (firstFish === undefined || history.entries.feed.some((feed) => feed.at >= firstFish)) {
    return list;
  }
  rates.forEach((rate, n) => {
    if (rate.nitrogen === 0) return;
    const until = Math.min(at, (rates[n + 1]?.at ?? Infinity) - 1);
    const each = rate.nitrogen / history.netLitres / FISH_PARTS;
    for (let when = Math.max(rate.at, from); when <= until; when += DAY_MS / FISH_PARTS) {
      list.push({
        at: when,
        addition: { source: 'fish', ownSd: 0, ammonia: each, alkalinity: ALKALINE * each },
      });
    }
  });
  return list;
}

/** Every other dated addition of a tank, with its moment. */
export function otherAdditions(history: TankHistory): { at: number; addition: Undated }[] {
  const list: { at: number; addition: Undated }[] = [];
  const { organics } = history.entries;
  for (const put of organics) {
    if (leftNothing(organics, put)) continue;
    const { at, entry } = put;
    const begins = entry.action.what === 'prawnIn' ? at + LEACHES_AFTER : at;
    const effect = organicsEffect(entry.action, history.netLitres);
    list.push({ at: begins, addition: { source: 'organics', ownSd: 0, ...effect } });
  }
  const portions = portionsOf(history);
  for (const feed of history.entries.feed) {
    const organic = feedNitrogen(feed.entry, portions) / history.netLitres;
    list.push({
      at: feed.at,
      addition: { source: 'organics', ownSd: 0, organic, organicKept: 1 },
    });
  }
  for (const { at, entry } of history.entries.animals) {
    if (entry.move !== 'died') continue;
    const organic = deadNitrogen(entry) / history.netLitres;
    list.push({ at, addition: { source: 'organics', ownSd: 0, organic } });
  }
  for (const { at, entry } of history.entries.media) {
    const addition: Undated =
      entry.move.to === 'in'
        ? { source: 'media', ownSd: 0, ...mediaCapacity(entry.move, history.netLitres) }
        : { source: 'exact', ownSd: 0, survival: 1 - entry.move.share };
    list.push({ at, addition });
  }
  for (const { at, entry } of history.entries.treatment) {
    list.push({
      at,
      addition: { source: 'kill', ownSd: TREATMENT_SD, survival: SURVIVAL[entry.agent] },
    });
  }
  return [...list, ...otherHarm(history)];
}

/** Share of filter bacteria left by what else may harm them, by how far it does: judgement, with a wide spread. */
const LEFT: Record<FilterBacteriaEffect['is'], number> = {
  harmed: 0.3,
  slowed: 0.7,
  ended: 0.02,
  begun: 0.02,
  taken: 1,
  brought: 1,
};

/** What harms filter bacteria and is no treatment: that has figures of its own, as rock taken out has. */
function otherHarm(history: TankHistory): { at: number; addition: Undated }[] {
  const treated = new Set(history.entries.treatment.map(({ at }) => at));
  let hot = -Infinity;
  return filterBacteriaEffects(history).flatMap(({ at, kind, effect }) => {
    const survival = LEFT[effect.is];
    if (survival === 1 || kind === 'treatment') return [];
    // A medicine by its label stands among the treatments as well.
    if (kind === 'medication' && treated.has(at)) return [];
    // Readings of one hot day are one hot day.
    if (kind === 'reading') {
      if (at - hot < DAY_MS) return [];
      hot = at;
    }
    return [{ at, addition: { source: 'kill' as const, ownSd: TREATMENT_SD, survival } }];
  });
}
