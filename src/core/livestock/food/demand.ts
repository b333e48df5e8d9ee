import type { TankHistory } from '../../history/tankHistory';
import { nitrogenLater, PROTEIN_TO_N } from './bioload';
import { fedNitrogen } from './feeding';
import { animalIn, lengthNow, cohortNitrogen, type Finder } from '../roster/lodgers';
import { isHere, type Cohort } from '../roster/roster';

/** One group's part of what the tank makes. */
export interface Share {
  cohortId: string;
  what: string;
  count: number | null;
  /** mg N a day. */
  nitrogen: number;
  /** Of the whole, 0 to 1. */
  share: number;
  /** mg N a day once it is grown. */
  grown: number;
}

/** What the animals of a tank make, mg of ammonia nitrogen a day. */
export interface Demand {
  nitrogen: { low: number; usual: number; high: number };
  /** By the food that was logged, or by bodies where it was not. */
  by: 'food' | 'bodies' | 'nothing';
  shares: Share[];
  /** The same once all are grown. */
  grown: number;
}

/** After so long a fish is as large as it gets, days. */
const GROWN_DAYS = 5 * 365;

/**
 * What the animals of a tank make a day: by the food that was logged, where it was, else by their
 * bodies and a usual ration. Each one's part goes by its body.
 */
export function demandOf(
  history: TankHistory,
  cohorts: readonly Cohort[],
  at: number,
  find: Finder,
): Demand {
  const here = cohorts.filter(isHere);
  const bodies = here.map((cohort) => cohortNitrogen(cohort, at, find));
  const sum = bodies.reduce((a, b) => a + b, 0);
  const fed = here.some(({ group }) => group === 'fish') ? fedNitrogen(history, at) : null;
  const usual = fed ?? sum;
  const scale = sum > 0 ? usual / sum : 0;
  const grownOf = (cohort: Cohort) => {
    const animal = animalIn(cohort, find);
    return animal
      ? (cohort.here ?? 1) * nitrogenLater(animal, lengthNow(cohort, at, find), GROWN_DAYS)
      : cohortNitrogen(cohort, at, find);
  };
  const shares = here
    .map((cohort, i): Share => {
      const own = bodies[i] ?? 0;
      return {
        cohortId: cohort.id,
        what: cohort.what,
        count: cohort.here,
        nitrogen: own * scale,
        share: sum > 0 ? own / sum : 0,
        grown: grownOf(cohort) * scale,
      };
    })
    .sort((a, b) => b.nitrogen - a.nitrogen);
  const range = {
    low: (usual * PROTEIN_TO_N.low) / PROTEIN_TO_N.usual,
    usual,
    high: (usual * PROTEIN_TO_N.high) / PROTEIN_TO_N.usual,
  };
  return {
    nitrogen: range,
    by: fed !== null ? 'food' : usual > 0 ? 'bodies' : 'nothing',
    shares,
    grown: shares.reduce((total, { grown }) => total + grown, 0),
  };
}
