import { unreachable } from '../../unreachable';
import type { OrganicsEntry } from '../../records/kinds/organics';

/** Nitrogen in a raw prawn, mg in each wet gram. */
export const PRAWN_N = 30;
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
