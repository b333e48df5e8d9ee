import { unreachable } from '../../unreachable';
import type { Logged, TankEntries } from '../../history/logged';
import type { AnimalsEntry } from '../../records/kinds/animals';
import type { OrganicsEntry } from '../../records/kinds/organics';
import { DAY_MS } from '../../time/zone';

/** Nitrogen in a raw prawn, mg in each wet gram. */
export const PRAWN_N = 30;
/** Nitrogen in a dead animal, mg in each wet gram: muscle, as in a prawn. */
const BODY_N = PRAWN_N;
/** A dead animal that nobody weighed, g: a small fish. */
const UNWEIGHED_GRAMS = 3;

/** Nitrogen of animals that died and may lie in the tank, mg. */
export function deadNitrogen({ grams, count }: Pick<AnimalsEntry, 'grams' | 'count'>): number {
  return (grams ?? UNWEIGHED_GRAMS * (count ?? 1)) * BODY_N;
}

/** Share of the organic nitrogen in the water that stays when the prawn is taken out. */
const AFTER_PRAWN = 0.15;
/** Share that stays after siphoning; a guess by eye, so it moves little. */
const AFTER_SIPHON = { little: 0.9, some: 0.7, much: 0.45 } as const;

/** What an act on organic matter does: nitrogen in (mg N/L), and the share of the old that stays. */
export function organicsEffect(
  action: OrganicsEntry['action'],
  netLitres: number,
): { organic: number; organicKept: number } {
  switch (action.what) {
    case 'prawnIn':
      return { organic: (action.grams * PRAWN_N) / netLitres, organicKept: 1 };
    case 'prawnOut':
      return { organic: 0, organicKept: AFTER_PRAWN };
    case 'siphoned':
      return { organic: 0, organicKept: AFTER_SIPHON[action.amount] };
    default:
      return unreachable(action);
  }
}

/** A prawn begins to leach after half a day, ms. */
export const LEACHES_AFTER = 0.5 * DAY_MS;

/** Whether a prawn was taken out before it began to leach, and so left nothing. */
export function leftNothing(
  organics: TankEntries['organics'],
  { at, entry }: Logged<OrganicsEntry>,
): boolean {
  return (
    entry.action.what === 'prawnIn' &&
    organics.some(
      (other) =>
        other.entry.action.what === 'prawnOut' && other.at > at && other.at <= at + LEACHES_AFTER,
    )
  );
}
