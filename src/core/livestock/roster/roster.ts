import type { Logged } from '../../history/logged';
import { joins, type AnimalGroup, type AnimalsEntry } from '../../records/kinds/animals';
import { dayStart } from '../../time/zone';

type AnimalsLog = Logged<AnimalsEntry>;

/** An animal, or several that came in together, and what became of them. */
export interface Lot {
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

/** Whether any of a lot is in the tank. */
export function isHere({ here }: Pick<Lot, 'here'>): boolean {
  return here === null || here > 0;
}

function sameName(a: string, b: string): boolean {
  return a.trim().toLowerCase() === b.trim().toLowerCase();
}

/** The lot that an entry is about: as it says, else one of that name, else the newest of its group that is here. */
function lotOf(lots: readonly Lot[], { entry }: AnimalsLog): Lot | undefined {
  const named = lots.find(({ id }) => id === entry.lot);
  if (named) return named;
  const present = lots.filter(
    (lot) => lot.group === entry.group && (isHere(lot) || (entry.move === 'back' && lot.lent > 0)),
  );
  return (
    present.findLast((lot) => sameName(lot.what, entry.what)) ??
    present.findLast((lot) => entry.species !== undefined && lot.species === entry.species) ??
    (sameName(entry.what, entry.group) ? present.at(-1) : undefined)
  );
}

function newLot({ id, at, entry }: AnimalsLog, zone: string): Lot {
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

function apply(lot: Lot, { entry }: AnimalsLog, zone: string): void {
  if (entry.move === 'in') return;
  const number = entry.count ?? lot.here ?? null;
  if (entry.move === 'back') {
    const back = entry.count ?? lot.lent;
    lot.lent = Math.max(0, lot.lent - back);
    if (lot.lent === 0) lot.lentUntil = null;
    if (lot.here !== null) lot.here += back;
    return;
  }
  // Where nobody counted, those that leave without a number are all of them.
  lot.here =
    lot.here === null && entry.count !== undefined
      ? null
      : Math.max(0, (lot.here ?? 0) - (number ?? 0));
  if (entry.move === 'died' || entry.move === 'missing') lot.lost += number ?? 1;
  if (entry.move === 'lent') {
    lot.lent += number ?? 1;
    lot.lentUntil = entry.until === undefined ? null : dayStart(entry.until, zone);
  }
}

/** What a roster is read from: a tank's history, or as much of it. */
export interface RosterSource {
  tank: { zone: string };
  entries: { animals: readonly AnimalsLog[] };
}

/**
 * Everyone who came into a tank, lot by lot in order of arrival, and what became of them. Animals
 * that left without saying which they were are taken from the newest lot of their name.
 */
export function rosterOf(history: RosterSource): Lot[] {
  const { zone } = history.tank;
  const lots: Lot[] = [];
  for (const logged of history.entries.animals) {
    const known = logged.entry.move === 'in' ? undefined : lotOf(lots, logged);
    if (!known && !joins(logged.entry.move)) continue;
    const lot = known ?? newLot(logged, zone);
    if (!known) lots.push(lot);
    lot.events.push(logged);
    if (known) apply(lot, logged, zone);
  }
  return lots;
}
