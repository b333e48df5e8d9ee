import type { CycleState } from './state';

/**
 * What a colony is like. Rates are per day at 26 °C with oxygen and alkalinity plentiful; capacities
 * are mg N per litre per day, which a keeper can understand and test.
 */
export interface CycleParameters {
  /** Growth of the ammonia and of the nitrite oxidisers. */
  growthA: number;
  growthB: number;
  /** Half-saturation of each on its own food, mg N/L. */
  halfA: number;
  halfB: number;
  /** Free ammonia that halves the nitrite oxidisers' rate, mg NH3-N/L. */
  inhibition: number;
  /** Decay of both. */
  decay: number;
  /** Rate at which organic nitrogen turns into ammonia. */
  mineralisation: number;
  /** Nitrate lost to low-oxygen places. */
  denitrification: number;
  /** Ammonia and nitrate taken up by algae and other life under light, per day. */
  uptake: number;
  /** Days of plentiful nitrite in which two thirds of sleeping nitrite oxidisers wake. */
  lag: number;
  /** What the surfaces can hold of either colony, mg N/L/day. */
  ceiling: number;
  /** Capacities and organic nitrogen (mg N/L) at the start. */
  capacityA: number;
  capacityB: number;
  organic: number;
  /** Share of the nitrite oxidisers that are awake at the start, 0 to 1. */
  awake: number;
}

/** The state of a tank just filled, its colony as its seed left it. */
export function freshStart(
  p: Pick<CycleParameters, 'capacityA' | 'capacityB' | 'organic' | 'awake'>,
  alkalinity: number,
): CycleState {
  return {
    ammonia: 0,
    nitrite: 0,
    nitrate: 0,
    organic: p.organic,
    alkalinity,
    capacityA: p.capacityA,
    capacityB: p.capacityB,
    awake: p.awake,
  };
}

/** How a tank was seeded; it decides what its colony starts from. */
export type Seed = 'dryRock' | 'bottle' | 'liveRock' | 'establishedMedia';

/**
 * Share of the nitrite oxidisers that are awake at first: dust and bottles have not met nitrite for
 * long, and what lives on rock and in media works already.
 */
export const AWAKE: Record<Seed, number> = {
  dryRock: 0,
  bottle: 0,
  liveRock: 1,
  establishedMedia: 1,
};

/** Days that nitrite oxidisers sleep on once there is nitrite: median, and sd of the log; judgement. */
export const LAG = { days: 1.5, sd: 0.8 };

/** Median starting capacities, mg N/L/day, and the spread (sd of the natural log) of each. */
export const SEEDS: Record<Seed, { a: number; sdA: number; b: number; sdB: number }> = {
  dryRock: { a: 0.0012, sdA: 1.4, b: 0.00025, sdB: 1.6 },
  bottle: { a: 0.06, sdA: 1.4, b: 0.02, sdB: 1.6 },
  liveRock: { a: 0.6, sdA: 1.2, b: 0.43, sdB: 1.4 },
  establishedMedia: { a: 0.7, sdA: 1.2, b: 0.5, sdB: 1.4 },
};

/** The typical colony of a seed: medians of the priors in docs/science.md. */
export function typicalParameters(seed: Seed): CycleParameters {
  return {
    growthA: 0.85,
    growthB: 0.7,
    halfA: 0.35,
    halfB: 0.35,
    inhibition: 0.3,
    decay: 0.06,
    mineralisation: 0.25,
    denitrification: 0,
    uptake: 0,
    lag: LAG.days,
    ceiling: 20,
    capacityA: SEEDS[seed].a,
    capacityB: SEEDS[seed].b,
    organic: 0.15,
    awake: AWAKE[seed],
  };
}
