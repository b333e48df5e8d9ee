import { freeAmmoniaFraction } from '../seawater/ammonia';
import { formatPlain } from '../units/format';
import { SALINITY_NEAR, WARMTH_NEAR, type Arrival } from './waters';

/**
 * How an animal goes from its bag to the tank: at once; by warmth alone; by dripping; at once after
 * the warmth, since its bag turns bad when opened; or into quarantine water mixed to its bag.
 */
export const METHODS = ['none', 'float', 'drip', 'quick', 'matchQuarantine'] as const;
export type Method = (typeof METHODS)[number];

export const METHOD_WORDS: Record<Method, string> = {
  none: 'Nothing to match',
  float: 'Float for the warmth alone',
  drip: 'Drip',
  quick: 'Warmth, then over at once',
  matchQuarantine: 'Into water mixed to the bag',
};

/** A bag this far below the tank is never dripped up, ppt: a rise is what fish bear worst. */
export const MOST_RISE = 3;
/** How far it may lie above, ppt: fish bear a fall well, the rest do not. */
const MOST_FALL = { fish: 10, coral: 3, shrimp: 3 } as const;
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
}

/**
 * By how much free ammonia of a bag's water rises once its pH is that of the tank: null where a pH is
 * not known. From the fraction of Bell et al. at either water's warmth and salinity.
 */
export function ammoniaFactor({ bag, tank }: Arrival): number | null {
  if (bag.ph === undefined || tank.ph === undefined) return null;
  const closed = freeAmmoniaFraction(bag.ph, bag.temperature, bag.salinity);
  const opened = freeAmmoniaFraction(tank.ph, tank.temperature, tank.salinity);
  return opened / closed;
}

const ppt = (value: number) => `${formatPlain(Math.abs(value), 1)} ppt`;

/** Chooses the way that two waters and an animal call for, and says why. */
export function chooseMethod(arrival: Arrival): Choice {
  const { bag, tank, animal, hoursShipped = 0, oneSystem = false } = arrival;
  const rise = tank.salinity - bag.salinity;
  const gap = Math.abs(rise);
  const warmth = Math.abs(tank.temperature - bag.temperature);
  const sourness =
    bag.ph !== undefined && tank.ph !== undefined ? Math.abs(tank.ph - bag.ph) : null;
  const factor = ammoniaFactor(arrival);
  const soured = hoursShipped >= LONG_SHIPPED || (factor !== null && factor >= SOURED);
  const near = SALINITY_NEAR[animal];
  const who = { fish: 'A fish', coral: 'A coral', shrimp: 'A shrimp, snail or star' }[animal];
  if (oneSystem) {
    return {
      method: 'none',
      because: 'Both waters are of one system: there is nothing to match.',
      alternatives: [],
    };
  }
  if (rise > MOST_RISE || -rise > MOST_FALL[animal]) {
    return {
      method: 'matchQuarantine',
      because:
        rise > 0
          ? `The bag lies ${ppt(rise)} below the tank: a rise of more than ${MOST_RISE} is never dripped. Quarantine water is mixed to the bag, and raised by 1 ppt a day at most.`
          : `The bag lies ${ppt(rise)} above the tank, more than ${who.toLowerCase()} bears in a drip: quarantine water is mixed to the bag, and brought down over days.`,
      alternatives: [],
    };
  }
  if (soured) {
    const why =
      factor !== null && factor >= SOURED
        ? `Once the bag is open its pH rises to the tank's, and free ammonia to about ${formatPlain(factor, factor < 10 ? 1 : 0)} times what it was`
        : `After ${formatPlain(hoursShipped)} hours in the bag its water is sour and full of ammonia: opening it frees that`;
    if (animal !== 'fish' && gap > 2 * near) {
      return {
        method: 'matchQuarantine',
        because: `${why}; ${who.toLowerCase()} bears ${ppt(gap)} at once no better. It goes at once into water mixed to the bag, and is matched from there.`,
        alternatives: [
          { method: 'drip', because: 'Where no such water is ready: the lesser of two harms.' },
        ],
      };
    }
    return {
      method: 'quick',
      because: `${why}. It floats closed till the warmth fits, is opened last, and goes over at once; the bag's water stays out.`,
      alternatives: [
        { method: 'drip', because: 'Where a test of the bag shows next to no ammonia.' },
      ],
    };
  }
  const sour = sourness !== null && sourness > PH_NEAR;
  if (gap <= near && !(sour && animal !== 'fish')) {
    if (gap <= 0.3 && warmth <= WARMTH_NEAR) {
      return {
        method: 'none',
        because: `Salinity and warmth lie within ${ppt(0.3)} and ${formatPlain(WARMTH_NEAR, 1)} °C: there is nothing to match.`,
        alternatives: [{ method: 'float', because: 'Where the thermometer is not to be trusted.' }],
      };
    }
    return {
      method: 'float',
      because: `Salinity lies within ${ppt(gap)}${warmth <= WARMTH_NEAR ? '' : `, warmth ${formatPlain(warmth, 1)} °C apart`}: the closed bag floats until the warmth fits, and that is all.`,
      alternatives: [
        { method: 'drip', because: 'Where the meter was not held against a standard.' },
      ],
    };
  }
  const pace = {
    fish: 'over 20 to 60 minutes',
    coral: 'over an hour or more',
    shrimp: 'at about 1 ppt an hour, no faster',
  }[animal];
  return {
    method: 'drip',
    because:
      gap > near
        ? `The bag lies ${ppt(gap)} ${rise > 0 ? 'below' : 'above'} the tank: dripped ${pace}.`
        : `Its pH lies ${formatPlain(sourness ?? 0, 1)} from the tank's: dripped ${pace}.`,
    alternatives:
      animal === 'fish'
        ? [{ method: 'quick', because: 'Where the bag proves full of ammonia once it is opened.' }]
        : [],
  };
}
