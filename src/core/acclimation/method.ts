import { freeAmmoniaFraction } from '../seawater/ammonia';
import type { NextBest } from '../nextBest';
import { formatPlain } from '../units/format';
import { SALINITY_NEAR, TEMPERATURE_NEAR, type Arrival, type WaterClass } from './waters';

/**
 * How an animal goes from its bag to the tank: at once; by floating alone; by dripping; at once after floating,
 * since its bag turns bad when opened; out of the bag at once into clean water made to it, and dripped from
 * there; or into water made to its bag, which is brought to the tank over days.
 */
export const METHODS = ['none', 'float', 'drip', 'quick', 'cleanDrip', 'matchQuarantine'] as const;
export type Method = (typeof METHODS)[number];

export const METHOD_WORDS: Record<Method, string> = {
  none: 'Nothing to match',
  float: 'Float the bag, nothing more',
  drip: 'Drip',
  quick: 'Float, then over at once',
  cleanDrip: 'Out at once into clean water, then drip',
  matchQuarantine: 'Into water made to the bag',
};

/** A fish whose bag lies further below the tank than this is never dripped up, ppt. */
export const MOST_RISE = 1.5;
/** What lies further apart than this is never finished on one day, ppt; stars, urchins and cucumbers sooner. */
export const MOST_GAP: Record<WaterClass, number> = { fish: 5, coral: 5, shrimp: 5, star: 4 };
/** How fast a water made to the bag is brought to the tank, ppt a day up and down. */
const A_DAY: Record<WaterClass, { up: number; down: number }> = {
  fish: { up: 1, down: 2 },
  coral: { up: 5, down: 5 },
  shrimp: { up: 5, down: 5 },
  star: { up: 5, down: 5 },
};
/** The fastest change within an hour, ppt; a fish takes what its drip brings. */
export const PACE: Record<WaterClass, number> = { fish: Infinity, coral: 1, shrimp: 1, star: 0.5 };
/** Hours in a closed bag after which its water has soured and gathered ammonia. */
const LONG_SHIPPED = 12;
/** A gap of pH that is worth a drip by itself. */
const PH_NEAR = 0.3;
/** How much opening a bag must multiply free ammonia by to be worth hurrying. */
const SOURED = 3;

export interface Choice {
  method: Method;
  because: string;
  /** What else could be done, and when. */
  alternatives: { method: Method; because: string }[];
  /** Of a way that takes more than a bucket: what is done without the water or the tank for it, in order. */
  nextBest: NextBest[];
}

/** Days until water made to a bag has the salinity of the tank. */
export function daysToMatch({ bag, tank, animal }: Arrival): number {
  const rise = tank.salinity - bag.salinity;
  const pace = A_DAY[animal];
  return Math.ceil(Math.abs(rise) / (rise > 0 ? pace.up : pace.down));
}

/** Fish up to this length bear two days in a tub, cm. */
const TUB_CM = 8;

/**
 * What is left where neither water nor tank for the right way are there: never a milder form of what is refused.
 * @see docs/science.md, the tub
 */
function withoutIt({ animal }: Arrival): NextBest[] {
  const by = {
    fish: 'at most 1 ppt higher',
    coral: 'nearer by at most 5 ppt a day, 1 ppt an hour',
    shrimp: 'nearer by at most 5 ppt a day, 1 ppt an hour',
    star: 'nearer by at most 5 ppt a day, half a ppt an hour',
  }[animal];
  return [
    { what: 'Do not buy it today.', price: 'It may be sold.' },
    {
      what: 'Ask the shop to hold it until the water is ready, or to take it back.',
      price: 'A deposit, a second trip.',
    },
    {
      what: `A food-safe tub of at least 20 L with lid, guarded heater and air, one animal to a tub, its water made to the bag. Ammonia tested every 12 h, a matched change as soon as free ammonia would pass 0.02 mg/L, and half of it renewed daily with water ${by}. 48 h at most: without a real tank by then back to the shop or to another keeper.`,
      price:
        animal === 'fish'
          ? `Two days of work, and stress that can kill it. Only for fish up to ${TUB_CM} cm, and never for boxfish, puffers or others that are poisonous: those stay in the shop.`
          : 'Two days of work, and stress that can kill it.',
    },
  ];
}

/**
 * By how much free ammonia of a bag's water rises once its pH is that of the tank: null where a pH is
 * not known. From the fraction of Bell et al. at either water's temperature and salinity.
 */
export function ammoniaFactor({ bag, tank }: Arrival): number | null {
  if (bag.ph === undefined || tank.ph === undefined) return null;
  const closed = freeAmmoniaFraction(bag.ph, bag.temperature, bag.salinity);
  const opened = freeAmmoniaFraction(tank.ph, tank.temperature, tank.salinity);
  return opened / closed;
}

const ppt = (value: number) => `${formatPlain(Math.abs(value), 1)} ppt`;

const WHO: Record<WaterClass, string> = {
  fish: 'A fish',
  coral: 'A coral, an anemone or a clam',
  shrimp: 'A shrimp, snail or crab',
  star: 'A star, urchin or cucumber',
};

/** Why a bag has gone bad, in words; null for one that has not. */
function souredWords(arrival: Arrival): string | null {
  const { hoursShipped = 0, bagAmmonia } = arrival;
  const factor = ammoniaFactor(arrival);
  if (bagAmmonia !== undefined && freeInBag(arrival) > FREE_IN_BAG) {
    return `Opened, its bag holds about ${formatPlain(freeInBag(arrival), 2)} mg/L of free ammonia`;
  }
  if (factor !== null && factor >= SOURED) {
    return `Once the bag is open its pH rises to the tank's, and free ammonia to about ${formatPlain(factor, factor < 10 ? 1 : 0)} times what it was`;
  }
  return hoursShipped >= LONG_SHIPPED
    ? `After ${formatPlain(hoursShipped)} hours in the bag its water is sour and full of ammonia: opening it frees that`
    : null;
}

/** Free ammonia in a bag above which nobody stays in it, mg NH3-N/L. */
const FREE_IN_BAG = 0.02;

/** Free ammonia of the bag once it is open, at the tank's pH where that is the higher, mg NH3-N/L. */
function freeInBag({ bag, tank, bagAmmonia = 0 }: Arrival): number {
  const ph = Math.max(bag.ph ?? 0, tank.ph ?? 0) || USUAL_PH;
  return bagAmmonia * freeAmmoniaFraction(ph, bag.temperature, bag.salinity);
}

/** pH of salt water where nobody measured it. */
const USUAL_PH = 8.1;

/** Chooses the way that two waters and an animal call for, and says why. */
export function chooseMethod(arrival: Arrival): Choice {
  const { bag, tank, animal, oneSystem = false } = arrival;
  const rise = tank.salinity - bag.salinity;
  const gap = Math.abs(rise);
  const temperature = Math.abs(tank.temperature - bag.temperature);
  const sourness =
    bag.ph !== undefined && tank.ph !== undefined ? Math.abs(tank.ph - bag.ph) : null;
  const near = SALINITY_NEAR[animal];
  const who = WHO[animal];
  if (oneSystem) {
    return {
      method: 'none',
      because: 'Both waters are of one system: there is nothing to match.',
      alternatives: [],
      nextBest: [],
    };
  }
  const steep = animal === 'fish' && rise > MOST_RISE;
  if (steep || gap > MOST_GAP[animal]) {
    const days = daysToMatch(arrival);
    const brought = {
      fish: rise > 0 ? 'raised by 1 ppt a day at most' : 'lowered by 2 ppt a day at most',
      coral: 'brought nearer by 1 ppt an hour and 5 a day at most',
      shrimp: 'brought nearer by 1 ppt an hour and 5 a day at most',
      star: 'brought nearer by half a ppt an hour and 5 a day at most',
    }[animal];
    return {
      method: 'matchQuarantine',
      because: `The bag lies ${ppt(rise)} ${rise > 0 ? 'below' : 'above'} the tank: ${steep ? `a fish is never raised by more than ${MOST_RISE} ppt in a drip` : `a gap of more than ${MOST_GAP[animal]} is never closed on one day`}. It goes into water made to the bag, which is ${brought}: some ${days === 1 ? 'day' : `${days} days`}.`,
      alternatives: [],
      nextBest: withoutIt(arrival),
    };
  }
  const soured = souredWords(arrival);
  if (soured !== null) {
    if (gap > near) {
      return {
        method: 'cleanDrip',
        because: `${soured}. It goes out of the bag at once into clean salt water made to the bag's salinity and temperature, and is dripped from there, ${PACE_WORDS[animal]}.`,
        alternatives: [],
        nextBest: withoutIt(arrival),
      };
    }
    return {
      method: 'quick',
      because: `${soured}. It floats closed until the temperature fits, is opened last, and goes over at once; the bag's water stays out.`,
      alternatives: [
        { method: 'drip', because: 'Where a test of the bag shows next to no ammonia.' },
      ],
      nextBest: [],
    };
  }
  const sour = sourness !== null && sourness > PH_NEAR;
  if (gap <= near && !(sour && animal !== 'fish')) {
    if (gap <= 0.3 && temperature <= TEMPERATURE_NEAR) {
      return {
        method: 'none',
        because: `Salinity and temperature lie within ${ppt(0.3)} and ${formatPlain(TEMPERATURE_NEAR, 1)} °C: there is nothing to match.`,
        alternatives: [{ method: 'float', because: 'Where the thermometer is not to be trusted.' }],
        nextBest: [],
      };
    }
    return {
      method: 'float',
      because: `Salinity lies within ${ppt(gap)}${temperature <= TEMPERATURE_NEAR ? '' : `, temperature ${formatPlain(temperature, 1)} °C apart`}: the closed bag floats until the temperature fits, and that is all.`,
      alternatives: [
        { method: 'drip', because: 'Where the meter was not checked against a standard.' },
      ],
      nextBest: [],
    };
  }
  return {
    method: 'drip',
    because:
      gap > near
        ? `The bag lies ${ppt(gap)} ${rise > 0 ? 'below' : 'above'} the tank, and ${who.toLowerCase()} takes that ${PACE_WORDS[animal]}: dripped.`
        : `Its pH lies ${formatPlain(sourness ?? 0, 1)} from the tank's: dripped ${PACE_WORDS[animal]}.`,
    alternatives:
      animal === 'fish'
        ? [{ method: 'quick', because: 'Where the bag proves full of ammonia once it is opened.' }]
        : [
            {
              method: 'cleanDrip',
              because: 'Where the bag proves full of ammonia once it is opened.',
            },
          ],
    nextBest: [],
  };
}

const PACE_WORDS: Record<WaterClass, string> = {
  fish: 'over 20 to 60 minutes',
  coral: 'at most 1 ppt an hour',
  shrimp: 'at most 1 ppt an hour',
  star: 'at most half a ppt an hour',
};
