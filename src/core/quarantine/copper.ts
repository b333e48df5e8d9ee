import type { TankHistory } from '../history/tankHistory';
import { DAY_MS } from '../time/zone';

type Entries = Pick<TankHistory['entries'], 'treatment' | 'medication' | 'dose'>;

/** Copper that was put into a tank and not taken out since, by what it was called; null without any. */
export function copperIn({ treatment, medication }: Entries): string | null {
  const last = treatment.findLast(({ entry }) => entry.agent === 'copper');
  if (!last) return null;
  const { product } = last.entry;
  const removed = medication.some(
    ({ at, entry }) =>
      at >= last.at &&
      entry.act === 'carbonIn' &&
      (product === undefined || entry.what === product),
  );
  return removed ? null : (product ?? 'Copper');
}

/** A binder is taken to be in the water so long, where nobody measures it, days. */
const BINDER_DAYS = 14;

/** A binder that was dosed of late, by what it was called; null without one. */
export function binderIn({ dose }: Entries, at: number): string | null {
  const last = dose.findLast(
    (one) => one.entry.substance === 'ammoniaBinder' && at - one.at < BINDER_DAYS * DAY_MS,
  );
  return last ? (last.entry.product ?? 'An ammonia binder') : null;
}

/** What is said wherever the two would meet. */
export const COPPER_AND_BINDER =
  'Copper with a binder or dechlorinator that reduces becomes deadly, and a silent label counts as one that does. Hold ammonia down with changes of water made ready without it. If both are in already: two thirds of the water out now, matched, with strong air.';
