import { exactExp, exactPower } from '../../math/exact';

/**
 * What filter bacteria are like: rates per day at 26 °C, half-saturations in mg N/L, free ammonia that holds
 * each guild back in mg N/L. Two guilds oxidise ammonia, one that likes plenty and one that lives on traces;
 * nitrite oxidisers lie dormant until they have met nitrite for some days.
 */
export interface Guilds {
  quickGrowth: number;
  slowGrowth: number;
  nitriteGrowth: number;
  quickHalf: number;
  slowHalf: number;
  nitriteHalf: number;
  nitriteInhibition: number;
  quickInhibition: number;
  decay: number;
  lagDays: number;
  uptake: number;
  ceiling: number;
}

/**
 * Nitrogen of a tank, each as mg N to the litre of its full net water, and what clears it: mg N/L/day with plenty
 * of everything. Alkalinity in dKH. The tallies say where nitrogen came from and went, mg N/L.
 */
export interface NitrogenState {
  ammonia: number;
  nitrite: number;
  nitrate: number;
  labile: number;
  stubborn: number;
  alkalinity: number;
  quick: number;
  slow: number;
  nitriteGuild: number;
  /** Share of the nitrite oxidisers that are awake, 0 to 1. */
  awake: number;
  /** All nitrogen that was ever put in, and all that algae, gas and siphon took. */
  broughtIn: number;
  takenOut: number;
  /** Oxygen that was used to oxidise nitrogen in the last quarter of an hour, mg/L. */
  oxygenUsed: number;
}

/** What the water is like through one quarter of an hour. */
export interface NitrogenSurroundings {
  /** °C. */
  temperature: number;
  ph: number;
  salinity: number;
  /** Nitrogen that animals make, mg N/L a day. */
  load: number;
  /** What oxygen leaves of the bacteria's pace, 0 to 1. */
  breath: number;
}

/** A quarter of an hour, days: the step of the nitrogen law. */
const QUARTER = 1 / 96;
const LN10 = 2.302585092994046;

/** Oxygen that a mg of nitrogen takes on its way, mg: ammonia to nitrite, nitrite to nitrate (stoichiometry). */
const OXYGEN_A = 3.43;
const OXYGEN_B = 1.14;

/** Share of ammonia that is free ammonia, by the pKa of Bell et al. (2007), told anew on exact functions. */
export function exactFreeShare(ph: number, temperature: number, salinity: number): number {
  const pka = 10.0423 - 0.0315536 * temperature + 0.003071 * salinity;
  return 1 / (1 + exactExp(LN10 * (pka - ph)));
}

/** The pace of all bacteria at a temperature (8 % a degree) and an alkalinity (half at 1.2 dKH), 1 at 26 °C and plenty. */
export function paceOf(temperature: number, alkalinity: number): number {
  return exactPower(1.08, temperature - 26) * (alkalinity / (1.2 + alkalinity));
}

/**
 * An hour of nitrogen, by explicit steps of a quarter. What it is held to is told in `nitrogen.test.ts`.
 * @param state changed in place
 */
export function nitrogenHour(
  state: NitrogenState,
  guilds: Guilds,
  { temperature, ph, salinity, load, breath }: NitrogenSurroundings,
): void {
  const pace = paceOf(temperature, state.alkalinity) * breath;
  const freeShare = exactFreeShare(ph, temperature, salinity);
  state.oxygenUsed = 0;
  for (let quarter = 0; quarter < 4; quarter += 1) {
    const { ammonia, nitrite, quick, slow, nitriteGuild, awake } = state;
    const free = ammonia * freeShare;
    const uQuick =
      (pace * ammonia) / (guilds.quickHalf + ammonia + (ammonia * free) / guilds.quickInhibition);
    const uSlow = (0.9 * pace * ammonia) / (guilds.slowHalf + ammonia);
    const uB =
      (pace * awake * nitrite) /
      (guilds.nitriteHalf + nitrite) /
      (1 + free / guilds.nitriteInhibition);
    const room = Math.max(0, 1 - (quick + slow) / guilds.ceiling);
    const usedA = Math.min(ammonia, (quick * uQuick + slow * uSlow) * QUARTER);
    const usedB = Math.min(nitrite, nitriteGuild * uB * QUARTER);
    const fromLabile = state.labile * 0.35 * QUARTER;
    const fromStubborn = state.stubborn * 0.05 * QUARTER;
    const takenUp = Math.min(ammonia - usedA, ammonia * guilds.uptake * QUARTER);
    const asGas = state.nitrate * 0.002 * QUARTER;
    state.labile -= fromLabile;
    state.stubborn -= fromStubborn;
    state.ammonia += fromLabile + fromStubborn + load * QUARTER - usedA - takenUp;
    state.nitrite += usedA - usedB;
    state.nitrate += usedB - asGas;
    state.broughtIn += load * QUARTER;
    state.takenOut += takenUp + asGas;
    state.oxygenUsed += OXYGEN_A * usedA + OXYGEN_B * usedB + 2 * fromLabile;
    state.alkalinity = Math.max(
      0.2,
      state.alkalinity + (0.2 * (fromLabile + fromStubborn) - 0.4 * usedA) + 0.004 * QUARTER,
    );
    state.quick *= 1 + QUARTER * (guilds.quickGrowth * uQuick * room - guilds.decay);
    state.slow *= 1 + QUARTER * (guilds.slowGrowth * uSlow * room - 0.5 * guilds.decay);
    const nitriteRoom = Math.max(0, 1 - nitriteGuild / guilds.ceiling);
    state.nitriteGuild *= 1 + QUARTER * (guilds.nitriteGrowth * uB * nitriteRoom - guilds.decay);
    state.awake = Math.min(1, awake + (state.nitrite > 0.1 ? QUARTER / guilds.lagDays : 0));
  }
}
