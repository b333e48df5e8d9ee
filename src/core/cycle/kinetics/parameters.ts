import type { CycleState } from './state';

/**
 * What filter bacteria are like. Rates are per day at 26 °C with oxygen and alkalinity plentiful; capacities
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
  /** Decay of each. */
  decayA: number;
  decayB: number;
  /** Rate at which organic nitrogen turns into ammonia. */
  mineralisation: number;
  /** Nitrate lost to low-oxygen places. */
  denitrification: number;
  /** Ammonia and nitrate taken up by algae and other life under light, per day. */
  uptake: number;
  /** Days of plentiful nitrite in which two thirds of sleeping nitrite oxidisers wake. */
  lag: number;
  /** What the surfaces can hold of either filter bacteria, mg N/L/day. */
  ceiling: number;
  /** Capacities and organic nitrogen (mg N/L) at the start. */
  capacityA: number;
  capacityB: number;
  organic: number;
  /** Share of the nitrite oxidisers that are awake at the start, 0 to 1. */
  awake: number;
}

/** The state of a tank just filled, its filter bacteria as its seed left it. */
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

/** How a tank was seeded; it decides what its filter bacteria start from. */
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

/**
 * What filter bacteria are like before anything is read, each a log-normal by its median and the sd of its
 * natural log; docs/science.md says where they are from.
 */
export const FILTER_BACTERIA = {
  growthA: { median: 0.85, sd: 0.3 },
  growthB: { median: 0.7, sd: 0.35 },
  halfA: { median: 0.35, sd: 0.6 },
  halfB: { median: 0.35, sd: 0.6 },
  inhibition: { median: 0.3, sd: 0.6 },
  // Each side its own: an ammonia side that lasts says little of how long the other does.
  decayA: { median: 0.06, sd: 0.6 },
  decayB: { median: 0.06, sd: 0.7 },
  mineralisation: { median: 0.25, sd: 0.4 },
  /** Days that nitrite oxidisers sleep on once there is nitrite; judgement. */
  lag: { median: 1.5, sd: 0.8 },
} as const satisfies Record<string, { median: number; sd: number }>;

/** Median starting capacities, mg N/L/day, and the spread (sd of the natural log) of each. */
export const SEEDS: Record<Seed, { a: number; sdA: number; b: number; sdB: number }> = {
  dryRock: { a: 0.0012, sdA: 1.4, b: 0.00025, sdB: 1.6 },
  bottle: { a: 0.06, sdA: 1.4, b: 0.02, sdB: 1.6 },
  liveRock: { a: 0.6, sdA: 1.2, b: 0.43, sdB: 1.4 },
  establishedMedia: { a: 0.7, sdA: 1.2, b: 0.5, sdB: 1.4 },
};

/** The typical filter bacteria of a seed: medians of the priors in docs/science.md. */
export function typicalParameters(seed: Seed): CycleParameters {
  return {
    growthA: FILTER_BACTERIA.growthA.median,
    growthB: FILTER_BACTERIA.growthB.median,
    halfA: FILTER_BACTERIA.halfA.median,
    halfB: FILTER_BACTERIA.halfB.median,
    inhibition: FILTER_BACTERIA.inhibition.median,
    decayA: FILTER_BACTERIA.decayA.median,
    decayB: FILTER_BACTERIA.decayB.median,
    mineralisation: FILTER_BACTERIA.mineralisation.median,
    denitrification: 0,
    uptake: 0,
    lag: FILTER_BACTERIA.lag.median,
    ceiling: 20,
    capacityA: SEEDS[seed].a,
    capacityB: SEEDS[seed].b,
    organic: 0.15,
    awake: AWAKE[seed],
  };
}
