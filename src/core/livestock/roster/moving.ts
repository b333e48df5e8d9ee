import type { Entry } from '../../records/kinds';
import { isoInZone } from '../../time/zone';
import type { Cohort } from './roster';

/** A tank that animals leave or come to. */
export interface Place {
  tankId: string;
  zone: string;
}

export interface Move {
  cohort: Cohort;
  /** How many go; all of the group without it. */
  count?: number;
  from: Place;
  to: Place;
  /** ms */
  at: number;
  /** Length of one now, cm; 0 where nobody can say. */
  cm: number;
}

/** The two entries of a move: out of one tank and into the other, each telling of the other. */
export function moveEntries({ cohort, count, from, to, at, cm }: Move): [Entry, Entry] {
  const number = count ?? cohort.here;
  const shared = {
    kind: 'animals' as const,
    group: cohort.group,
    what: cohort.what,
    ...(number === null ? {} : { count: number }),
    ...(cohort.species === undefined ? {} : { species: cohort.species }),
    ...(cohort.notSure ? { notSure: true as const } : {}),
  };
  return [
    {
      ...shared,
      tankId: from.tankId,
      at: isoInZone(at, from.zone),
      move: 'moved',
      cohort: cohort.id,
      otherTankId: to.tankId,
    },
    {
      ...shared,
      tankId: to.tankId,
      at: isoInZone(at, to.zone),
      move: 'in',
      otherTankId: from.tankId,
      ...(cohort.photo === undefined ? {} : { photo: cohort.photo }),
      ...(cm > 0 ? { sizeCm: Math.round(cm * 10) / 10 } : {}),
    },
  ];
}
