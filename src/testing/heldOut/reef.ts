import { freeAmmoniaFraction } from '@/core/seawater/ammonia';
import { normalsFrom } from '@/core/math/normal';
import type { Random } from '@/core/math/random';

/** How a synthetic tank was begun. */
export type HeldOutMethod = 'dryRock' | 'bottle' | 'liveRock';

/** A dose as it really went in, at a day of the tank's life. */
export interface TrueDose {
  day: number;
  /** mg N/L that the keeper believes; the tank gets it times `doseError`. */
  believed: number;
  /** Factor of this dose alone: a hand that counts roughly. */
  off?: number;
}

/** Anything else that is done to a tank, at a day of its life. */
export type TrueEvent = { day: number } & (
  | { what: 'change'; share: number }
  /** mg N/L that rots from then on. */
  | { what: 'rots'; nitrogen: number }
  /** Share of every guild that is left, after a treatment or with rock taken out. */
  | { what: 'harm'; survival: number }
  /** Baking soda, dKH. */
  | { what: 'alkalinity'; rise: number }
  /** Ammonia that goes in evenly, mg N/L a day. */
  | { what: 'load'; nitrogen: number; days: number }
);

/**
 * A synthetic tank. Its model is made to differ from the one that the forecast infers with: two
 * guilds of ammonia oxidisers in place of one, nitrite oxidisers that lie dormant until they have
 * met nitrite for some days, Haldane inhibition, biomass with yields rather than capacity, daily
 * swings of pH, a wandering temperature, and two pools of organic matter.
 */
export interface Reef {
  method: HeldOutMethod;
  /** Quick guild that likes plenty; slow guild that lives on traces; nitrite oxidisers. */
  quick: number;
  slow: number;
  nitriteGuild: number;
  quickGrowth: number;
  slowGrowth: number;
  nitriteGrowth: number;
  quickHalf: number;
  slowHalf: number;
  nitriteHalf: number;
  /** Ammonia at which each guild is held back, as free ammonia, mg N/L. */
  nitriteInhibition: number;
  quickInhibition: number;
  decay: number;
  /** Days of nitrite that wake the nitrite oxidisers. */
  lagDays: number;
  /** Labile and stubborn organic nitrogen, mg N/L. */
  labile: number;
  stubborn: number;
  uptake: number;
  ceiling: number;
  /** What a believed dose is multiplied by: volume and bottle. */
  doseError: number;
  /** Scatter from dose to dose, sd of the log. */
  ownDoseSd: number;
  ph: number;
  phSwing: number;
  alkalinity: number;
  /** Temperature by the hour, °C. */
  temperature: Float64Array;
}

/** The true course at each hour. */
export interface TrueCourse {
  ammonia: Float64Array;
  nitrite: Float64Array;
  nitrate: Float64Array;
  alkalinity: Float64Array;
  /** What each guild awake clears in a day with plenty, mg N/L/day, at 26 °C and plenty of alkalinity. */
  capacityA: Float64Array;
  capacityB: Float64Array;
}

/** Longest life that is simulated, days. */
export const LIFE_DAYS = 150;
const HOURS = LIFE_DAYS * 24;

/** Medians of the quick, the slow and the nitrite guild at the start, mg N/L/day. */
export const STARTS: Record<HeldOutMethod, [number, number, number]> = {
  dryRock: [0.0009, 0.0004, 0.00022],
  bottle: [0.045, 0.012, 0.016],
  liveRock: [0.4, 0.2, 0.4],
};

/** Where the numbers of a draw come from: standard normal ones, and even ones between 0 and 1. */
export interface Luck {
  normal: Random;
  even: Random;
}

/** A wandering temperature by the hour, °C, with the swing of a day. */
function drawTemperature(normal: Random): Float64Array {
  const temperature = new Float64Array(HOURS);
  let wander = 0;
  const set = 25.3 + normal();
  for (let hour = 0; hour < HOURS; hour += 1) {
    wander += -wander * 0.01 + 0.06 * normal();
    temperature[hour] = set + wander + 0.4 * Math.sin((2 * Math.PI * hour) / 24);
  }
  return temperature;
}

/**
 * What a tank is like, for the temperature it stands at.
 * @param together normal score that moves all its starting filter bacteria together
 */
export function reefFrom(
  method: HeldOutMethod,
  together: number,
  { normal, even }: Luck,
  temperature: Float64Array,
): Reef {
  const around = (median: number, sd: number) => median * Math.exp(sd * normal());
  const start = STARTS[method];
  const seeded = (median: number, sd: number) =>
    around(median, sd * 0.8) * Math.exp(0.6 * sd * together);
  return {
    method,
    quick: seeded(start[0], 1.3),
    slow: seeded(start[1], 1.3),
    nitriteGuild: seeded(start[2], 1.5),
    quickGrowth: around(0.95, 0.3),
    slowGrowth: around(0.5, 0.3),
    nitriteGrowth: around(0.68, 0.36),
    quickHalf: around(0.6, 0.5),
    slowHalf: around(0.08, 0.5),
    nitriteHalf: around(0.4, 0.6),
    nitriteInhibition: around(0.35, 0.6),
    quickInhibition: around(1.5, 0.4),
    decay: around(0.055, 0.6),
    lagDays: around(2, 0.7),
    labile: around(0.12, 1),
    stubborn: around(0.15, 1),
    uptake: around(0.012, 0.8),
    ceiling: around(15, 0.6),
    doseError: Math.max(0.7, 1 + 0.12 * normal()),
    ownDoseSd: 0,
    ph: 8.1 + 0.1 * normal(),
    phSwing: 0.05 + 0.1 * even(),
    alkalinity: Math.max(5.5, 8.2 + normal()),
    temperature,
  };
}

/** A tank drawn at random. */
export function drawReef(method: HeldOutMethod, random: Random): Reef {
  const normal = normalsFrom(random);
  const together = normal();
  return reefFrom(method, together, { normal, even: random }, drawTemperature(normal));
}

/** A heater that keeps the water in its band, and salt with some alkalinity: no criterion of those is open. */
export function heated(reef: Reef): Reef {
  return {
    ...reef,
    alkalinity: Math.max(9, reef.alkalinity),
    temperature: reef.temperature.map((value) => Math.min(26.4, Math.max(24.6, value))),
  };
}

/** The same tank for longer than it was drawn: its temperature goes on as it began. */
export function lasting(reef: Reef, days: number): Reef {
  const { temperature } = reef;
  const at = (hour: number) => temperature[hour % temperature.length] as number;
  return { ...reef, temperature: Float64Array.from({ length: days * 24 }, (_, h) => at(h)) };
}

/**
 * A tank drawn more widely: nitrite oxidisers that sleep from hours to weeks, volumes and bottles
 * further off, doses that scatter. What is learned on the usual tanks must hold on these.
 */
export function drawHarderReef(method: HeldOutMethod, random: Random): Reef {
  const reef = drawReef(method, random);
  const normal = normalsFrom(random);
  const around = (median: number, sd: number) => median * Math.exp(sd * normal());
  return {
    ...reef,
    lagDays: around(2.5, 1.1),
    doseError: Math.min(1.7, Math.max(0.55, around(1, 0.2))),
    ownDoseSd: 0.1,
    nitriteInhibition: around(0.35, 0.8),
    decay: around(0.055, 0.75),
  };
}

/**
 * Runs a tank through its doses and whatever else is done, by explicit steps of a quarter of an hour.
 * @param until hours to run, all of its life by default
 */
export function runReef(
  reef: Reef,
  doses: readonly TrueDose[],
  events: readonly TrueEvent[] = [],
  until = reef.temperature.length,
): TrueCourse {
  const room = () => new Float64Array(until + 1);
  const course: TrueCourse = {
    ammonia: room(),
    nitrite: room(),
    nitrate: room(),
    alkalinity: room(),
    capacityA: room(),
    capacityB: room(),
  };
  let A = 0;
  let I = 0;
  let N = 0;
  let alk = reef.alkalinity;
  let { quick, slow, nitriteGuild, labile, stubborn } = reef;
  let awake = reef.method === 'liveRock' ? 1 : 0;
  const dt = 1 / 96;
  for (let hour = 0; ; hour += 1) {
    course.ammonia[hour] = A;
    course.nitrite[hour] = I;
    course.nitrate[hour] = N;
    course.alkalinity[hour] = alk;
    course.capacityA[hour] = quick + 0.9 * slow;
    course.capacityB[hour] = nitriteGuild * awake;
    if (hour === until) return course;
    for (const dose of doses) {
      if (Math.round(dose.day * 24) === hour) A += dose.believed * reef.doseError * (dose.off ?? 1);
    }
    let load = 0;
    for (const event of events) {
      if (event.what === 'load') {
        if (hour >= event.day * 24 && hour < (event.day + event.days) * 24) load += event.nitrogen;
      } else if (Math.round(event.day * 24) === hour) {
        if (event.what === 'rots') labile += event.nitrogen;
        else if (event.what === 'alkalinity') alk += event.rise;
        else if (event.what === 'harm') {
          quick *= event.survival;
          slow *= event.survival;
          nitriteGuild *= event.survival;
        } else {
          const kept = 1 - event.share;
          A *= kept;
          I *= kept;
          N *= kept;
          labile *= kept;
          alk += event.share * (reef.alkalinity - alk);
        }
      }
    }
    const warm = reef.temperature[hour] as number;
    const ph = reef.ph + reef.phSwing * Math.sin((2 * Math.PI * hour) / 24);
    const pace = 1.08 ** (warm - 26) * (alk / (1.2 + alk));
    const freeShare = freeAmmoniaFraction(ph, warm, 35);
    for (let quarter = 0; quarter < 4; quarter += 1) {
      const free = A * freeShare;
      const uQuick = (pace * A) / (reef.quickHalf + A + (A * free) / reef.quickInhibition);
      const uSlow = (0.9 * pace * A) / (reef.slowHalf + A);
      const uB = (pace * awake * I) / (reef.nitriteHalf + I) / (1 + free / reef.nitriteInhibition);
      const room = Math.max(0, 1 - (quick + slow) / reef.ceiling);
      const usedA = Math.min(A, (quick * uQuick + slow * uSlow) * dt);
      const usedB = Math.min(I, nitriteGuild * uB * dt);
      const fromLabile = labile * 0.35 * dt;
      const fromStubborn = stubborn * 0.05 * dt;
      labile -= fromLabile;
      stubborn -= fromStubborn;
      A += fromLabile + fromStubborn + load * dt - usedA - A * reef.uptake * dt;
      I += usedA - usedB;
      N += usedB - N * 0.002 * dt;
      alk = Math.max(0.2, alk + (0.2 * (fromLabile + fromStubborn) - 0.4 * usedA) + 0.004 * dt);
      quick *= 1 + dt * (reef.quickGrowth * uQuick * room - reef.decay);
      slow *= 1 + dt * (reef.slowGrowth * uSlow * room - 0.5 * reef.decay);
      nitriteGuild *=
        1 +
        dt * (reef.nitriteGrowth * uB * Math.max(0, 1 - nitriteGuild / reef.ceiling) - reef.decay);
      awake = Math.min(1, awake + (I > 0.1 ? dt / reef.lagDays : 0));
    }
  }
}

/** Day from which both stay under 0.1 mg N/L; Infinity if that is not within its life. */
export function trueReadyDay(course: TrueCourse): number {
  for (let hour = HOURS; hour >= 0; hour -= 1) {
    if ((course.ammonia[hour] as number) >= 0.1 || (course.nitrite[hour] as number) >= 0.1) {
      return hour === HOURS ? Infinity : (hour + 1) / 24;
    }
  }
  return 0;
}
