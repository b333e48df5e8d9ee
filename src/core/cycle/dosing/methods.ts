import { normalsFrom } from '../../math/normal';
import { quantileOfSorted, sortedCopy } from '../../math/quantile';
import { seededRandom } from '../../math/random';
import {
  type AmmoniaSource,
  type Method,
  type Seeding,
  type Tank,
} from '../../records/schema/tank';
import { steadyEnvironment } from '../kinetics/environment';
import { packEvents, type CycleEvent } from '../kinetics/events';
import { FILTER_BACTERIA, freshStart, SEEDS } from '../kinetics/parameters';
import { courseFor, runCycle } from '../kinetics/run';
import { ALKALINE } from '../alkalinity';
import { FISH_PARTS, PAIR_N } from '../problem/additions';
import { foodNitrogen } from '../problem/foods';
import { organicsEffect } from '../problem/organics';
import { seedPrior } from '../problem/seeding';

/** How a method would go in this tank. */
export interface MethodOutcome {
  method: Method;
  /** Days until both are clear and the filter bacteria can carry a first small stocking. */
  days: { p10: number; p50: number; p90: number };
  /** Highest free ammonia on the way, mg NH3-N/L, median. */
  worstFree: number;
  /** Times that something has to be measured or done. */
  acts: number;
}

/** The water it is compared in: what most tanks are kept at, unless they were measured. */
export interface MethodWater {
  temperature: number;
  ph: number;
  salinity: number;
  alkalinity: number;
}

const DAYS = 110;
const STEPS = 8;
const TANKS = 24;
/** Capacity that a first small fish asks for, mg N/L/day. */
const FIRST_STOCKING = 0.1;
/** Above this something stands in the water; a day's feeding passes under it, mg N/L. */
const STANDING = 0.2;
/** Usual amounts: a dose of 2 ppm as NH4, 5 g of prawn and 0.15 g of pellets a day to 100 L. */
const DOSE = 1.55;
const PRAWN_PER_LITRE = 0.05;
const PINCH_PER_LITRE = 0.0015;

/**
 * Additions of capacity that a way of seeding brings, beyond the rock itself: median and spread, and
 * whether its nitrite oxidisers are at work already.
 */
const SEEDING: Record<Seeding, { a: number; b: number; sd: number; awake?: number }> = {
  none: { a: 0, b: 0, sd: 0 },
  bottle: { a: SEEDS.bottle.a, b: SEEDS.bottle.b, sd: 1.4 },
  liveSand: { a: 0.05, b: 0.03, sd: 1.4, awake: 1 },
  coatedRock: { a: 0.05, b: 0.02, sd: 1.4 },
  liveRock: { a: 0.25, b: 0.18, sd: 1.2, awake: 1 },
  establishedMedia: { a: 0.35, b: 0.25, sd: 1.2, awake: 1 },
};

function feeding(source: AmmoniaSource, netLitres: number): { events: CycleEvent[]; acts: number } {
  const day = (n: number) => n * STEPS;
  switch (source) {
    case 'ammoniumChloride':
      return { events: [{ step: day(0), ammonia: DOSE }], acts: 1 };
    case 'householdAmmonia':
      return { events: [{ step: day(0), ammonia: DOSE, alkalinity: ALKALINE * DOSE }], acts: 1 };
    case 'prawn': {
      const grams = PRAWN_PER_LITRE * netLitres;
      const { organic } = organicsEffect({ what: 'prawnIn', grams }, netLitres);
      const { organicKept } = organicsEffect({ what: 'prawnOut' }, netLitres);
      return {
        events: [
          { step: day(0.5), organic },
          { step: day(3), organicKept },
        ],
        acts: 2,
      };
    }
    case 'food': {
      const grams = PINCH_PER_LITRE * netLitres;
      const organic = (grams * foodNitrogen('pellets')) / netLitres;
      const events = Array.from({ length: 28 }, (_, n) => ({ step: day(n), organic }));
      return { events, acts: 28 };
    }
    case 'rockOrganics':
      return { events: [], acts: 0 };
    case 'fish': {
      const ammonia = PAIR_N / netLitres / FISH_PARTS;
      return {
        events: Array.from({ length: DAYS * FISH_PARTS }, (_, n) => ({
          step: day(n / FISH_PARTS),
          ammonia,
          alkalinity: ALKALINE * ammonia,
        })),
        acts: DAYS,
      };
    }
  }
}

/**
 * Plays one method in a tank, over filter bacteria drawn from the prior with the same chance for every
 * method, so that methods differ by what they are and not by luck.
 */
export function playMethod(
  method: Method,
  tank: Tank,
  netLitres: number,
  water: MethodWater,
  seed = 1,
): MethodOutcome {
  const normal = normalsFrom(seededRandom(seed));
  const around = (median: number, sd: number) => median * Math.exp(sd * normal());
  const filterBacteria = (id: keyof typeof FILTER_BACTERIA) =>
    around(FILTER_BACTERIA[id].median, FILTER_BACTERIA[id].sd);
  const environment = steadyEnvironment(DAYS, water.temperature, water.ph, water.salinity, STEPS);
  const course = courseFor(environment);
  const rock = seedPrior(tank, netLitres);
  const { events, acts } = feeding(method.source, netLitres);
  const packed = packEvents(events);
  const extra = SEEDING[method.seeding];
  const share = environment.freeShare[0] ?? 0;
  const days: number[] = [];
  const worst: number[] = [];
  for (let n = 0; n < TANKS; n += 1) {
    const luck = normal();
    const parameters = {
      growthA: filterBacteria('growthA'),
      growthB: filterBacteria('growthB'),
      halfA: filterBacteria('halfA'),
      halfB: filterBacteria('halfB'),
      inhibition: filterBacteria('inhibition'),
      decayA: filterBacteria('decayA'),
      decayB: filterBacteria('decayB'),
      mineralisation: filterBacteria('mineralisation'),
      denitrification: 0.003,
      uptake: 0.015,
      lag: filterBacteria('lag'),
      awake: extra.awake ?? rock.awake,
      ceiling: rock.ceiling,
      capacityA: around(rock.capacityA, rock.sdA) + extra.a * Math.exp(extra.sd * luck),
      capacityB:
        around(rock.capacityB, rock.sdB) +
        extra.b * Math.exp(extra.sd * (0.5 * luck + 0.87 * normal())),
      organic: around(method.source === 'rockOrganics' ? 1.5 : rock.organic, 0.8),
    };
    runCycle(parameters, environment, packed, freshStart(parameters, water.alkalinity), course);
    let last = 0;
    let free = 0;
    let able = Infinity;
    for (let step = 0; step <= environment.steps; step += 1) {
      const A = course.ammonia[step] as number;
      const B = course.nitrite[step] as number;
      free = Math.max(free, A * share);
      // A fish goes on making ammonia: what counts is that nothing harmful stands in the water.
      if (A >= STANDING || B >= STANDING) last = step + 1;
      const weaker = Math.min(course.capacityA[step] as number, course.capacityB[step] as number);
      if (able === Infinity && weaker >= FIRST_STOCKING) able = step;
    }
    const ready = last > environment.steps ? Infinity : Math.max(last, able);
    days.push(ready / STEPS);
    worst.push(free);
  }
  const sorted = sortedCopy(days);
  return {
    method,
    days: {
      p10: quantileOfSorted(sorted, 0.1),
      p50: quantileOfSorted(sorted, 0.5),
      p90: quantileOfSorted(sorted, 0.9),
    },
    worstFree: quantileOfSorted(sortedCopy(worst), 0.5),
    acts,
  };
}
