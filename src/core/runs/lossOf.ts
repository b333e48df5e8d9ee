import type { EntryBody } from '../records/kinds';
import type { Run } from '../records/schema/run';

/** The run that a logged death or a missing animal begins; null for what is neither. */
export function lossOf(tankId: string, entry: EntryBody, at: string): Run | null {
  if (entry.kind !== 'animals' || (entry.move !== 'died' && entry.move !== 'missing')) return null;
  return {
    procedure: 'loss',
    tankId,
    begunAt: at,
    ended: null,
    given: { what: entry.what },
    steps: {},
    clocks: {},
  };
}
