import type { Logged } from '../../history/logged';
import { joins, type AnimalGroup, type AnimalsEntry } from '../../records/kinds/animals';
import { dayStart } from '../../time/zone';

type AnimalsLog = Logged<AnimalsEntry>;

/** An animal, or several that came in together, and what became of them. */
export interface Cohort {
  /** The entry that it came in with. */
  id: string;
  what: string;
  group: AnimalGroup;
  /** Which animal of the catalogue it is said to be. */
  species?: string;
  notSure: boolean;
  arrivedAt: number;
  /** How many came; null where nobody counted. */
  came: number | null;
  /** How many are here now; null where nobody counted and none is known to have left. */
  here: number | null;
  /** How many of them died or went missing. */
  lost: number;
  /** Length when it came, cm. */
  sizeCm?: number;
  source?: string;
  /** A day by which it is to have another home, ms. */
  rehomeBy?: number;
  together?: string;
  /** The id of its photo. */
  photo?: string;
  /** Out on loan: until when, ms, null without a day. */
  lentUntil: number | null;
  lent: number;
  /** Everything on record of it, in order of time. */
  events: AnimalsLog[];
}

/** Whether any of a group is in the tank. */
export function isHere({ here }: Pick<Cohort, 'here'>): boolean {
  return here === null || here > 0;
}

function sameName(a: string, b: string): boolean {
  return a.trim().toLowerCase() === b.trim().toLowerCase();
}

/** The group that an entry is about: as it says, else one of that name, else the newest of its group that is here. */
function cohortOf(cohorts: readonly Cohort[], { entry }: AnimalsLog): Cohort | undefined {
  const named = cohorts.find(({ id }) => id === entry.cohort);
  if (named) return named;
  const present = cohorts.filter(
    (cohort) =>
      cohort.group === entry.group &&
      (isHere(cohort) || (entry.move === 'back' && cohort.lent > 0)),
  );
  return (
    present.findLast((cohort) => sameName(cohort.what, entry.what)) ??
    present.findLast((cohort) => entry.species !== undefined && cohort.species === entry.species) ??
    (sameName(entry.what, entry.group) ? present.at(-1) : undefined)
  );
}

function newCohort({ id, at, entry }: AnimalsLog, zone: string): Cohort {
  return {
    id,
    what: entry.what,
    group: entry.group,
    ...(entry.species === undefined ? {} : { species: entry.species }),
    notSure: entry.notSure === true,
    arrivedAt: at,
    came: entry.count ?? null,
    here: entry.count ?? null,
    lost: 0,
    ...(entry.sizeCm === undefined ? {} : { sizeCm: entry.sizeCm }),
    ...(entry.source === undefined ? {} : { source: entry.source }),
    ...(entry.until === undefined ? {} : { rehomeBy: dayStart(entry.until, zone) }),
    ...(entry.together === undefined ? {} : { together: entry.together }),
    ...(entry.photo === undefined ? {} : { photo: entry.photo }),
    lentUntil: null,
    lent: 0,
    events: [],
  };
}

function apply(cohort: Cohort, { entry }: AnimalsLog, zone: string): void {
  if (entry.move === 'in') return;
  const number = entry.count ?? cohort.here ?? null;
  if (entry.move === 'back') {
    const back = entry.count ?? cohort.lent;
    cohort.lent = Math.max(0, cohort.lent - back);
    if (cohort.lent === 0) cohort.lentUntil = null;
    if (cohort.here !== null) cohort.here += back;
    return;
  }
  // Where nobody counted, those that leave without a number are all of them.
  cohort.here =
    cohort.here === null && entry.count !== undefined
      ? null
      : Math.max(0, (cohort.here ?? 0) - (number ?? 0));
  if (entry.move === 'died' || entry.move === 'missing') cohort.lost += number ?? 1;
  if (entry.move === 'lent') {
    cohort.lent += number ?? 1;
    cohort.lentUntil = entry.until === undefined ? null : dayStart(entry.until, zone);
  }
}

/** What a roster is read from: a tank's history, or as much of it. */
export interface RosterSource {
  tank: { zone: string };
  entries: { animals: readonly AnimalsLog[] };
}

/**
 * Everyone who came into a tank, group by group in order of arrival, and what became of them. Animals
 * that left without saying which they were are taken from the newest group of their name.
 */
export function rosterOf(history: RosterSource): Cohort[] {
  const { zone } = history.tank;
  const cohorts: Cohort[] = [];
  for (const logged of history.entries.animals) {
    const known = logged.entry.move === 'in' ? undefined : cohortOf(cohorts, logged);
    if (!known && !joins(logged.entry.move)) continue;
    const cohort = known ?? newCohort(logged, zone);
    if (!known) cohorts.push(cohort);
    cohort.events.push(logged);
    if (known) apply(cohort, logged, zone);
  }
  return cohorts;
}
