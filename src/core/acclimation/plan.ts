import {
  doublings,
  dripCourse,
  fastestHour,
  roomMinutes,
  type BucketPoint,
  type Drip,
  type PourOff,
} from './bucket';
import { ammoniaFactor, chooseMethod, daysToMatch, PACE, type Choice, type Method } from './method';
import {
  impossible,
  SALINITY_NEAR,
  USUAL_ROOM,
  TEMPERATURE_NEAR,
  type Arrival,
  type WaterClass,
} from './waters';

export interface AcclimationPlan extends Choice {
  /** How long it takes, min. */
  minutes: number;
  /** 0 where nothing drips. */
  mlPerMinute: number;
  dropsPerSecond: number;
  pourOffs: PourOff[];
  /** Tank water that it takes, L: as much salt water goes back before the top-off unit is on. */
  litresDrawn: number;
  /** Salinity and temperature that the animal is in, minute by minute. */
  course: BucketPoint[];
  /** By how much free ammonia rises when the bag is opened; null where a pH is not known. */
  ammoniaFactor: number | null;
  /** Days until it may have the tank's salinity; 0 where it has it at the end. */
  daysToMatch: number;
  /** The drip; null where nothing drips. */
  drip: Drip | null;
}

/** Drops to a millilitre from an airline. */
export const DROPS_PER_ML = 20;
/** A thin stream begins where nobody can count the drops any more, drops/s. */
export const COUNTABLE = 5;

/** The remainder of a gap that a drip aims at, as a share of what is near enough. */
const AIM = 0.8;
/** Tank water in the bucket at the end, at least, for what was not measured. */
const LEAST_SHARE = 0.75;

const SHORTEST: Record<WaterClass, number> = { fish: 20, coral: 60, shrimp: 60, star: 60 };
const LONGEST_FISH = 60;
/** A drip is planned to the nearest so many minutes, and never longer than a day. */
const ROUND = 5;
const LONGEST = 24 * 60;

/** Minutes until a closed bag that floats has the tank's temperature. */
export function floatMinutesOf({ bag, tank, litres }: Arrival): number {
  const gap = Math.abs(tank.temperature - bag.temperature);
  if (gap <= TEMPERATURE_NEAR) return 0;
  // Water on both sides of the film: about a quarter of what air takes.
  const tau = roomMinutes(litres) / 8;
  return Math.max(15, Math.ceil(tau * Math.log(gap / TEMPERATURE_NEAR)));
}

function dripOf(arrival: Arrival): { drip: Drip; minutes: number; share: number } {
  const { bag, tank, litres, animal, room = USUAL_ROOM } = arrival;
  const gap = Math.abs(tank.salinity - bag.salinity);
  const share =
    gap === 0 ? LEAST_SHARE : Math.max(LEAST_SHARE, 1 - (AIM * SALINITY_NEAR[animal]) / gap);
  const drawn = doublings(share) * litres;
  const dripIn = (minutes: number): Drip => ({
    bag,
    tank,
    room,
    litres,
    mlPerMinute: (drawn * 1000) / minutes,
    pourAt: 2 * litres,
  });
  let minutes = SHORTEST[animal];
  if (animal === 'fish') minutes = Math.min(LONGEST_FISH, Math.max(minutes, Math.round(20 * gap)));
  const gentle = (long: number) =>
    fastestHour(dripCourse(dripIn(long), Math.min(long, 120)).points) <= PACE[animal] + 1e-9;
  // The first hours are the fastest, and the longer a drip the slower: found by halving.
  let long = LONGEST;
  while (!gentle(minutes) && long - minutes > ROUND) {
    const middle = Math.round((minutes + long) / 2 / ROUND) * ROUND;
    if (gentle(middle)) long = middle;
    else minutes = middle;
  }
  if (!gentle(minutes)) minutes = long;
  return { drip: dripIn(minutes), minutes, share };
}

/** A bag that floats closed: its salinity stays, its temperature comes to the tank's. */
function floatCourse(arrival: Arrival, minutes: number): BucketPoint[] {
  const { bag, tank, litres } = arrival;
  const tau = roomMinutes(litres) / 8;
  return Array.from({ length: minutes + 1 }, (_, minute) => ({
    minute,
    salinity: bag.salinity,
    temperature: tank.temperature + (bag.temperature - tank.temperature) * Math.exp(-minute / tau),
    litres,
  }));
}

const DRIPS: readonly Method[] = ['drip', 'cleanDrip'];

/**
 * How an arrival goes in, with its sums.
 * @throws RangeError for waters that cannot be, in words for the keeper
 */
export function acclimationPlan(arrival: Arrival, chosen?: Method): AcclimationPlan {
  const [wrong] = impossible(arrival);
  if (wrong !== undefined) throw new RangeError(wrong);
  const choice = chooseMethod(arrival);
  const method = chosen ?? choice.method;
  const base = { ...choice, method, ammoniaFactor: ammoniaFactor(arrival), daysToMatch: 0 };
  if (DRIPS.includes(method)) {
    const { drip, minutes } = dripOf(arrival);
    const { points, pourOffs } = dripCourse(drip, minutes);
    return {
      ...base,
      minutes,
      mlPerMinute: drip.mlPerMinute,
      dropsPerSecond: (drip.mlPerMinute * DROPS_PER_ML) / 60,
      pourOffs,
      litresDrawn: (drip.mlPerMinute * minutes) / 1000,
      course: points,
      drip,
    };
  }
  const minutes = method === 'none' ? 0 : floatMinutesOf(arrival);
  return {
    ...base,
    minutes,
    mlPerMinute: 0,
    dropsPerSecond: 0,
    pourOffs: [],
    litresDrawn: 0,
    course: floatCourse(arrival, minutes),
    daysToMatch: method === 'matchQuarantine' ? daysToMatch(arrival) : 0,
    drip: null,
  };
}
