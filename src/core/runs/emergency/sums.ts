import type { TankHistory } from '../../history/tankHistory';
import type { WaterNow } from '../../history/waterNow';
import { freeAmmoniaFraction, FREE_AMMONIA_LEVELS } from '../../seawater/ammonia';

/** pH of freshly mixed and aired salt water. */
const NEW_WATER_PH = 8.2;
/** More than this share at once shocks, whatever it thins. */
export const MOST_AT_ONCE = 0.5;

/** A change of water that brings free ammonia under a level. */
export interface AmmoniaChange {
  /** Free ammonia now and after it, mg NH3-N/L. */
  now: number;
  after: number;
  /** Share of the water, 0 to 1, and litres of it. */
  share: number;
  litres: number;
  /** pH once the new water is in. */
  phAfter: number;
  /** Changes of half the water at most, one after the other, until it is there; 0 where none is needed. */
  rounds: number;
}

/** More rounds than this are not foretold: what the tests say meanwhile counts. */
const MOST_ROUNDS = 8;

/** How many changes of at most half the water bring free ammonia under a level. */
function roundsTo(total: number, ph: number, level: number, fraction: (ph: number) => number) {
  let left = total;
  let now = ph;
  let rounds = 0;
  while (left * fraction(now) > level && rounds < MOST_ROUNDS) {
    left *= 1 - MOST_AT_ONCE;
    now = mixedPh(now, MOST_AT_ONCE);
    rounds += 1;
  }
  return rounds;
}

/** pH of two waters poured together, taken along a straight line: an approximation that holds for like alkalinity. */
function mixedPh(ph: number, share: number): number {
  return ph + share * (NEW_WATER_PH - ph);
}

/**
 * The smallest change after which free ammonia stays under a level, at the pH that the new water
 * brings: where that is higher, it turns more of what is left into free ammonia.
 * @param total total ammonia, mg N/L
 * @param litres net water
 * @param level free ammonia that is borne, mg NH3-N/L
 */
export function ammoniaChange(
  total: number,
  { ph, temperature, salinity }: Pick<WaterNow, 'ph' | 'temperature' | 'salinity'>,
  litres: number,
  level: number = FREE_AMMONIA_LEVELS.comfortable,
): AmmoniaChange {
  const fraction = (at: number) => freeAmmoniaFraction(at, temperature, salinity);
  const free = (share: number) => total * (1 - share) * fraction(mixedPh(ph, share));
  // From the largest down, so that no rise by pH on the way is passed over.
  let share = free(0) <= level ? 0 : 1;
  while (share > 0 && free((share * 100 - 1) / 100) <= level)
    share = Math.round(share * 100 - 1) / 100;
  return {
    now: free(0),
    after: free(share),
    share,
    litres: share * litres,
    phAfter: mixedPh(ph, share),
    rounds: share === 0 ? 0 : roundsTo(total, ph, level, fraction),
  };
}

/** Heat through glass, and the sensible part over the open surface, W/m²/K, as for sizing a heater. */
const THROUGH_GLASS = 7;
const OVER_WATER = 10;
/** J/kg/K of sea water, and its kg/L. */
const HEAT = 3990;
const WEIGHS = 1.025;
/** How far the estimate of what a tank loses may be off, either way. */
const UNSURE = 0.35;

/** Length, width and height of the water, cm: as described, else a box of usual proportions. */
function waterBox({ tank, netLitres }: TankHistory): {
  length: number;
  width: number;
  height: number;
} {
  const { shell } = tank.volume;
  if (shell.by === 'dimensions') {
    const { length, width, height, fillGap } = shell.box;
    return { length, width, height: Math.max(1, height - fillGap) };
  }
  // Twice as long as wide and high.
  const edge = Math.cbrt((netLitres * 1000) / 2);
  return { length: 2 * edge, width: edge, height: edge };
}

/** How a tank takes on the temperature of its room with no heater. */
export interface Cooling {
  /** Degrees in the first hour, °C, the least and the most; negative where it warms. */
  perHour: { low: number; high: number };
  /** Hours until it reaches a temperature, the least and the most; null where the room never brings it there. */
  hoursTo: (temperature: number) => { low: number; high: number } | null;
}

/**
 * Newton's law for a tank without heater: losses through glass and over the open surface, evaporation
 * left out, so that an open tank cools faster; a range of a third either way stands for what is not known.
 * @param now the water, °C
 * @param room °C
 */
export function cooling(history: TankHistory, now: number, room: number): Cooling {
  const { length, width, height } = waterBox(history);
  const top = (length * width) / 10_000;
  const walls = (2 * (length + width) * height) / 10_000 + top;
  const loses = THROUGH_GLASS * walls + OVER_WATER * top;
  const holds = history.netLitres * WEIGHS * HEAT;
  const rate = (loses / holds) * 3600;
  const first = (now - room) * rate;
  return {
    perHour: { low: first * (1 - UNSURE), high: first * (1 + UNSURE) },
    hoursTo: (temperature) => {
      const ratio = (now - room) / (temperature - room);
      if (!(ratio > 1)) return null;
      const hours = Math.log(ratio) / rate;
      return { low: hours / (1 + UNSURE), high: hours / (1 - UNSURE) };
    },
  };
}
