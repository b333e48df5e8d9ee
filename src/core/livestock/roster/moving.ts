import type { Entry } from '../../records/kinds';
import { isoInZone } from '../../time/zone';
import type { Lot } from './roster';

/** A tank that animals leave or come to. */
export interface Place {
  tankId: string;
  zone: string;
}

export interface Move {
  lot: Lot;
  /** How many go; all of the lot without it. */
  count?: number;
  from: Place;
  to: Place;
  /** ms */
  at: number;
  /** Length of one now, cm; 0 where nobody can say. */
  cm: number;
}

/** The two entries of a move: out of one tank and into the other, each telling of the other. */
export function moveEntries({ lot, count, from, to, at, cm }: Move): [Entry, Entry] {
  const number = count ?? lot.here;
  const shared = {
    kind: 'animals' as const,
    group: lot.group,
    what: lot.what,
    ...(number === null ? {} : { count: number }),
    ...(lot.species === undefined ? {} : { species: lot.species }),
    ...(lot.notSure ? { notSure: true as const } : {}),
  };
  return [
    {
      ...shared,
      tankId: from.tankId,
      at: isoInZone(at, from.zone),
      move: 'moved',
      lot: lot.id,
      otherTankId: to.tankId,
    },
    {
      ...shared,
      tankId: to.tankId,
      at: isoInZone(at, to.zone),
      move: 'in',
      otherTankId: from.tankId,
      ...(lot.photo === undefined ? {} : { photo: lot.photo }),
      ...(cm > 0 ? { sizeCm: Math.round(cm * 10) / 10 } : {}),
    },
  ];
}
