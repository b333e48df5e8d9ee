import { isAmmoniaSource } from '../../history/dose';
import type { Dose, TankHistory, WaterChange } from '../../history/tankHistory';
import { toCanonical } from '../../parameters/convert';
import type { Agent } from '../../records/schema/entry';
import { DAY_MS } from '../../time/zone';
import { MEQ_PER_DKH } from '../../units/constants';
import { SEEDS } from '../kinetics/parameters';
import { organicsEffect } from './organics';
import { bottleShare, bottleVigour, mediaCapacity } from './seeding';
import type { Addition } from './types';

/** An addition before it has its step. */
export type Undated = Omit<Addition, 'step'>;

/** Own error of a dose that was counted roughly, or whose strength nobody knows (sd of the log). */
const ABOUT_SD = 0.35;
const GUESSED_SD = 0.6;
/** What an ammonia dose of unknown size is taken for: the usual 2 ppm, as N. */
const GUESSED_RISE = 1.6;
/** dKH that household ammonia brings with each mg N; ammonium chloride brings none. */
const ALKALINE = 0.2;
/** Grams of baking soda in a litre that raise alkalinity by 1 dKH. */
const BICARBONATE = 0.03;

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
