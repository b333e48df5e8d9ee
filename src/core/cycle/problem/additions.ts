import { isAmmoniaSource } from '../../history/dose';
import type { Dose, TankHistory, WaterChange } from '../../history/tankHistory';
import { toCanonical } from '../../parameters/convert';
import type { Agent } from '../../records/schema/entry';
import { DAY_MS, dayStart } from '../../time/zone';
import { MEQ_PER_DKH } from '../../units/constants';
import { SEEDS } from '../kinetics/parameters';
import { FOODS_AS_FED } from './foods';
import { organicsEffect } from './organics';
import { BICARBONATE } from '../dosing/alkalinityRaise';
import { bottleShare, bottleVigour, mediaCapacity } from './seeding';
import type { Addition } from './types';

/** An addition before it has its step. */
export type Undated = Omit<Addition, 'step'>;

/** Own error of a dose that was counted roughly, or whose strength nobody knows (sd of the log). */
const ABOUT_SD = 0.35;
const GUESSED_SD = 0.6;
/** What an ammonia dose of unknown size is taken for: the usual 2 ppm, as N. */
const GUESSED_RISE = 1.6;
/** dKH that comes with each mg N of household ammonia or of what animals give off; ammonium chloride brings none. */
export const ALKALINE = 0.2;

/** Share of the colony that a treatment is taken to leave: judgement, with a wide spread. */
const SURVIVAL: Record<Agent, number> = {
  antibiotic: 0.25,
  copper: 0.7,
  otherMedicine: 0.7,
  chlorine: 0.35,
  bleach: 0.05,
  scrubbedRock: 0.5,
};
const TREATMENT_SD = 0.7;

/** What a dose does to the course; null for what the cycle does not feel. */
export function doseAddition(dose: Dose, history: TankHistory): Undated | null {
  const { entry } = dose;
  if (isAmmoniaSource(entry.substance)) {
    const rise = dose.rise ?? GUESSED_RISE;
    const alkalinity = entry.substance === 'householdAmmonia' ? ALKALINE * rise : 0;
    const ownSd = dose.rise === null ? GUESSED_SD : entry.about ? ABOUT_SD : 0;
    return { source: 'doses', ownSd, ammonia: rise, alkalinity };
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
    };
  }
  if (entry.substance === 'alkalinity' && entry.amount.by === 'grams') {
    const alkalinity = entry.amount.grams / history.netLitres / BICARBONATE;
    return { source: 'exact', ownSd: 0, alkalinity };
  }
  return null;
}

/** What new water brings: its own record, as far as anybody measured it. */
export function changeAddition({ entry, fraction }: WaterChange): Undated {
  const { alkalinity, ammonia } = entry.newWater;
  return {
    source: 'exact',
    ownSd: 0,
    replaced: fraction,
    newAmmonia: ammonia ? Math.max(0, toCanonical(ammonia.value, ammonia.unit)) : 0,
    ...(alkalinity
      ? { newAlkalinity: toCanonical(alkalinity.value, alkalinity.unit) / MEQ_PER_DKH }
      : {}),
  };
}

/** What a small pair makes of a light feeding, mg N a day: 0.2 g of pellets, 45 % protein, × 0.12. */
export const PAIR_N = 11;
/** Parts of a day in which what fish make goes in: they make it all day. */
export const FISH_PARTS = 4;

/** Since when fish go on making ammonia in a tank that cycles, ms; null without any. */
function fishSince({ tank }: TankHistory): number | null {
  if (tank.fishInSince === undefined || tank.runningSince !== null) return null;
  return dayStart(tank.fishInSince, tank.zone);
}

/**
 * What fish in a cycling tank make, mg N/L a day: of what was logged as food since they went in, by
 * the day, or where none was logged of what a small pair is fed. 0 without fish.
 */
export function fishNitrogen(history: TankHistory, at: number): number {
  const since = fishSince(history);
  if (since === null || since > at) return 0;
  const fed = history.organics.reduce((sum, { at: when, entry }) => {
    if (when < since || entry.action.what !== 'food') return sum;
    return sum + entry.action.grams * FOODS_AS_FED[entry.action.food].nitrogen;
  }, 0);
  const days = Math.max(1, (at - since) / DAY_MS);
  return (fed > 0 ? fed / days : PAIR_N) / history.netLitres;
}

/** What fish in a cycling tank made so far; food that was logged already stands for itself. */
export function fishAdditions(
  history: TankHistory,
  from: number,
  at: number,
): { at: number; addition: Undated }[] {
  const since = fishSince(history);
  if (since === null) return [];
  const fed = history.organics.some(
    ({ at: when, entry }) => when >= since && entry.action.what === 'food',
  );
  if (fed) return [];
  const each = PAIR_N / history.netLitres / FISH_PARTS;
  const list: { at: number; addition: Undated }[] = [];
  for (let when = Math.max(since, from); when <= at; when += DAY_MS / FISH_PARTS) {
    list.push({
      at: when,
      addition: { source: 'fish', ownSd: 0, ammonia: each, alkalinity: ALKALINE * each },
    });
  }
  return list;
}

/** Every other dated addition of a tank, with its moment. */
export function otherAdditions(history: TankHistory): { at: number; addition: Undated }[] {
  const list: { at: number; addition: Undated }[] = [];
  for (const { at, entry } of history.organics) {
    const effect = organicsEffect(entry.action, history.netLitres);
    // A prawn begins to leach after half a day.
    const later = entry.action.what === 'prawnIn' ? 0.5 * DAY_MS : 0;
    list.push({ at: at + later, addition: { source: 'organics', ownSd: 0, ...effect } });
  }
  for (const { at, entry } of history.media) {
    const addition: Undated =
      entry.move.to === 'in'
        ? { source: 'media', ownSd: 0, ...mediaCapacity(entry.move, history.netLitres) }
        : { source: 'exact', ownSd: 0, survival: 1 - entry.move.share };
    list.push({ at, addition });
  }
  for (const { at, entry } of history.treatments) {
    list.push({
      at,
      addition: { source: 'kill', ownSd: TREATMENT_SD, survival: SURVIVAL[entry.agent] },
    });
  }
  return list;
}
