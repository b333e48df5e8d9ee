import { FILTER_BACTERIA } from '../kinetics/parameters';
import { NEW_SALT } from '../alkalinity';
import type { CycleProblem } from '../problem/types';

/**
 * One uncertain thing of a tank, log-normal: exp(log median + sd · z) with z standard normal under
 * the prior. Coordinates are what the sampler moves in.
 */
export interface Coordinate {
  id: string;
  logMedian: number;
  sd: number;
  /** Index of an earlier coordinate that it goes with, and how closely. */
  with?: { index: number; correlation: number };
}

/** Where each group of coordinates begins, so that the model finds them without a search. */
export interface Layout {
  coordinates: Coordinate[];
  growthA: number;
  growthB: number;
  halfA: number;
  halfB: number;
  inhibition: number;
  decayA: number;
  decayB: number;
  mineralisation: number;
  organic: number;
  capacityA: number;
  capacityB: number;
  ceiling: number;
  uptake: number;
  denitrification: number;
  nitrate: number;
  alkalinity: number;
  lag: number;
  /** Factor on the spread with which cards are read. */
  spread: number;
  /** −1 where the log gives no reason for it, from here on. Alkalinity of unmeasured new water. */
  newSalt: number;
  /** Ammonia and nitrite that stand at the start of a window, mg N/L. */
  standingA: number;
  standingB: number;
  doses: number;
  organics: number;
  bottleA: number;
  bottleB: number;
  mediaA: number;
  mediaB: number;
  /** Own error of each addition; −1 for those without. */
  own: Int32Array;
  /** Bias of each kit, and its reading at true zero in half steps. */
  bias: number;
  offset: number;
  /** Factor on the share of ammonia that is free, for want of knowing pH. */
  free: number;
  /** What the fish make against what is taken for them; −1 without fish. */
  fish: number;
  /** Where a hypothesis puts its own. */
  extra: number;
}

/**
 * Spread of the free share, sd of the log: 0.15 of pH where nobody measured, and where somebody did
 * 0.09 for the meter and the day's swing. Near pH 8 the share moves by 2.2 for each unit of pH.
 */
const FREE_SD = { unmeasured: 0.33, measured: 0.2 };
/** What fish make is known by their number and hunger alone, sd of the log. */
const FISH_SD = 0.6;

/** Readers of cards differ by this, sd of the log of their spread. */
const SPREAD_SD = 0.3;
/**
 * What may stand in the water where the log is only looked at from some day on, mg N/L: mostly next
 * to nothing, and now and then a few.
 */
const STANDING = { median: 0.03, sd: 2.2 };

/** How far a kit's readings as a whole lie off, sd of the log. */
export const KIT_BIAS_SD = 0.18;

/** The prior of a problem; medians and spreads as in docs/science.md. */
export function layoutOf(problem: CycleProblem): Layout {
  const coordinates: Coordinate[] = [];
  const add = (id: string, median: number, sd: number, joined?: Coordinate['with']) => {
    coordinates.push({ id, logMedian: Math.log(median), sd, ...(joined ? { with: joined } : {}) });
    return coordinates.length - 1;
  };
  const { seed, additions, kits } = problem;
  const has = (source: string) => additions.some((a) => a.source === source);
  const filterBacteria = (id: keyof typeof FILTER_BACTERIA, joined?: Coordinate['with']) =>
    add(id, FILTER_BACTERIA[id].median, FILTER_BACTERIA[id].sd, joined);
  const growthA = filterBacteria('growthA');
  const growthB = filterBacteria('growthB');
  const halfA = filterBacteria('halfA');
  const halfB = filterBacteria('halfB');
  const inhibition = filterBacteria('inhibition');
  const decayA = filterBacteria('decayA');
  const decayB = filterBacteria('decayB', { index: decayA, correlation: 0.5 });
  const mineralisation = filterBacteria('mineralisation');
  const organic = add('organic', seed.organic, seed.sdOrganic);
  const capacityA = add('capacityA', seed.capacityA, seed.sdA);
  const capacityB = add('capacityB', seed.capacityB, seed.sdB, {
    index: capacityA,
    correlation: 0.5,
  });
  const ceiling = add('ceiling', seed.ceiling, 0.7);
  const uptake = add('uptake', 0.015, 1);
  const denitrification = add('denitrification', 0.003, 1);
  const nitrate = add('nitrate', problem.windowed ? 2 : 0.3, 1);
  const alkalinity = add('alkalinity', problem.alkalinity.value, problem.alkalinity.sd);
  const lag = filterBacteria('lag');
  const spread = add('spread', 1, SPREAD_SD);
  const newSalt = additions.some((a) => (a.replaced ?? 0) > 0 && a.newAlkalinity === undefined)
    ? add('newSalt', NEW_SALT.alkalinity, NEW_SALT.sd)
    : -1;
  const standingA = problem.windowed ? add('standingA', STANDING.median, STANDING.sd) : -1;
  const standingB = problem.windowed ? add('standingB', STANDING.median, STANDING.sd) : -1;
  // The volume and the bottle's strength together: neither is known to better than a tenth.
  const doses = has('doses') ? add('doses', 1, 0.15) : -1;
  const organics = has('organics') ? add('organics', 1, 0.5) : -1;
  let bottleA = -1;
  let bottleB = -1;
  if (has('bottle')) {
    bottleA = add('bottleA', 1, 1.4);
    bottleB = add('bottleB', 1, 1.6, { index: bottleA, correlation: 0.5 });
  }
  let mediaA = -1;
  let mediaB = -1;
  if (has('media')) {
    mediaA = add('mediaA', 1, 1.2);
    mediaB = add('mediaB', 1, 1.4, { index: mediaA, correlation: 0.5 });
  }
  const free = add(
    'free',
    1,
    problem.conditions.ph.length > 0 ? FREE_SD.measured : FREE_SD.unmeasured,
  );
  const fish = has('fish') ? add('fish', 1, FISH_SD) : -1;
  const own = Int32Array.from(additions, (a, i) => (a.ownSd > 0 ? add(`own${i}`, 1, a.ownSd) : -1));
  const bias = coordinates.length;
  for (const kit of kits) add(`bias/${kit.id}`, 1, KIT_BIAS_SD);
  const offset = coordinates.length;
  // A twentieth of the lowest step at true zero, seldom as much as half of it.
  for (const kit of kits) add(`offset/${kit.id}`, 0.1, 1);
  return {
    coordinates,
    growthA,
    growthB,
    halfA,
    halfB,
    inhibition,
    decayA,
    decayB,
    mineralisation,
    organic,
    capacityA,
    capacityB,
    ceiling,
    uptake,
    denitrification,
    nitrate,
    alkalinity,
    lag,
    spread,
    newSalt,
    standingA,
    standingB,
    doses,
    organics,
    bottleA,
    bottleB,
    mediaA,
    mediaB,
    own,
    bias,
    offset,
    free,
    fish,
    extra: coordinates.length,
  };
}
