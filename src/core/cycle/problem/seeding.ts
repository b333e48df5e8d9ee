import type { Bottle } from '../../records/kinds/dose';
import type { MediaEntry } from '../../records/kinds/media';
import type { Tank } from '../../records/schema/tank';
import { daysBetween, dayStart } from '../../time/zone';
import { SEEDS } from '../kinetics/parameters';
import type { SeedPrior } from './types';

/** Rock per litre of water that the medians of SEEDS stand for, kg/L. */
const USUAL_ROCK = 0.12;
/** Median and spread of organic nitrogen on bare rock, and on rock with old life on it, mg N/L. */
const CLEAN_ROCK = { organic: 0.15, sdOrganic: 1.2 };
const DIRTY_ROCK = { organic: 1.5, sdOrganic: 1.2 };
/** Capacity that the surfaces of a usual reef can hold, mg N/L/day. */
const USUAL_CEILING = 20;

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** Room for filter bacteria on rock, sand and glass, as a median in mg N/L/day: judgement, held wide. */
function ceilingOf(tank: Tank, netLitres: number): number {
  // Rock that nobody weighed is taken for the usual amount: none would leave no room for filter bacteria.
  const unweighed = tank.rock !== 'none' && tank.volume.rockKg === 0;
  const rock = unweighed ? 1 : tank.volume.rockKg / netLitres / USUAL_ROCK;
  const sand = tank.volume.sandDepth > 0 ? 0.25 : 0;
  return USUAL_CEILING * clamp(0.6 * rock + sand + 0.15, 0.2, 3);
}

/**
 * What a tank's filter bacteria started from, before any bottle or media that the log adds. Live rock and
 * established media count by how much of them there is to a litre.
 */
export function seedPrior(tank: Tank, netLitres: number): SeedPrior {
  const kgPerLitre = tank.volume.rockKg / netLitres;
  const share = tank.volume.rockKg > 0 ? clamp(kgPerLitre / USUAL_ROCK, 0.1, 2.5) : 1;
  const seed = {
    dryRock: SEEDS.dryRock,
    organicDryRock: SEEDS.dryRock,
    liveRock: SEEDS.liveRock,
    establishedMedia: SEEDS.establishedMedia,
    none: SEEDS.dryRock,
  }[tank.rock];
  const alive = tank.rock === 'liveRock' || tank.rock === 'establishedMedia';
  const scale = alive ? share : tank.rock === 'none' ? 0.5 : 1;
  return {
    capacityA: seed.a * scale,
    sdA: seed.sdA,
    capacityB: seed.b * scale,
    sdB: seed.sdB,
    ...(tank.rock === 'organicDryRock' ? DIRTY_ROCK : CLEAN_ROCK),
    ceiling: ceilingOf(tank, netLitres),
    awake: alive ? 1 : 0,
  };
}

/** Filter bacteria of unknown age, for a log that begins long after its tank. */
export function unknownSeed(tank: Tank, netLitres: number): SeedPrior {
  return {
    ...seedPrior(tank, netLitres),
    capacityA: 0.4,
    sdA: 1.8,
    capacityB: 0.3,
    sdB: 1.9,
    organic: 0.05,
    awake: 1,
  };
}

/** Days in which a bottle loses half of what lives in it: judgement, since labels give only a date. */
const HALF_LIFE = {
  refrigerated: { cold: 120, warm: 21 },
  shelfStable: { cold: 500, warm: 365 },
  unknown: { cold: 200, warm: 90 },
} as const;

/** Share of a bottle's bacteria still alive on the day it was used, 0.01 to 1. */
export function bottleVigour(bottle: Bottle | undefined, at: number, zone: string): number {
  if (!bottle?.madeOn) return 1;
  const age = Math.max(0, daysBetween(dayStart(bottle.madeOn, zone), at, zone));
  const half = HALF_LIFE[bottle.keeps][bottle.storedCold ? 'cold' : 'warm'];
  return Math.max(0.01, 0.5 ** (age / half));
}

/** How much of a label's full dose for this water a bottle was, 0.05 to 5. */
export function bottleShare(bottle: Bottle | undefined, netLitres: number): number {
  if (bottle?.forLitres == null) return 1;
  return clamp(bottle.forLitres / netLitres, 0.05, 5);
}

/** Capacity that seeded material brings, mg N/day for each kg, or each litre of filter media. */
const MEDIA_CAPACITY = {
  liveRock: { a: SEEDS.liveRock.a / USUAL_ROCK, b: SEEDS.liveRock.b / USUAL_ROCK },
  liveSand: { a: 0.8, b: 0.5 },
  coatedRock: { a: SEEDS.bottle.a / USUAL_ROCK, b: SEEDS.bottle.b / USUAL_ROCK },
  establishedMedia: { a: 70, b: 50 },
} as const;

/** What media moved in add to the tank's capacities, mg N/L/day. */
export function mediaCapacity(
  move: Extract<MediaEntry['move'], { to: 'in' }>,
  netLitres: number,
): { capacityA: number; capacityB: number } {
  const each = MEDIA_CAPACITY[move.media];
  return {
    capacityA: (each.a * move.amount) / netLitres,
    capacityB: (each.b * move.amount) / netLitres,
  };
}
