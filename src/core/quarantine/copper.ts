import type { TankHistory } from '../history/tankHistory';
import { DAY_MS } from '../time/zone';

type Entries = Pick<TankHistory['entries'], 'treatment' | 'medication' | 'dose' | 'cleaning'>;

/**
 * Whether something is gone since a moment, ms: a test of it read zero, or the tank was emptied and
 * disinfected. Carbon alone takes neither copper nor a binder out for certain.
 * @param what as it was called; undefined counts any test
 */
export function goneSince(
  { medication, cleaning }: Pick<Entries, 'medication' | 'cleaning'>,
  since: number,
  what: string | undefined,
): boolean {
  return (
    cleaning.some(({ at }) => at >= since) ||
    medication.some(
      ({ at, entry }) =>
        at >= since &&
        entry.act === 'measured' &&
        entry.value === 0 &&
        (what ?? entry.what) === entry.what,
    )
  );
}

/** Copper that was put into a tank and is not gone since, by what it was called; null without any. */
export function copperIn(entries: Entries): string | null {
  const last = entries.treatment.findLast(({ entry }) => entry.agent === 'copper');
  if (!last) return null;
  const { product } = last.entry;
  return goneSince(entries, last.at, product) ? null : (product ?? 'Copper');
}

/** A binder is taken to be in the water so long, where nobody measures it, days. */
export const BINDER_DAYS = 14;

/** A binder that was dosed of late, by what it was called; null without one. */
export function binderIn({ dose, cleaning }: Entries, now: number): string | null {
  const last = dose.findLast(
    (one) => one.entry.substance === 'ammoniaBinder' && now - one.at < BINDER_DAYS * DAY_MS,
  );
  if (!last || cleaning.some(({ at }) => at >= last.at)) return null;
  return last.entry.product ?? 'An ammonia binder';
}

/** What is said wherever the two would meet. */
export const COPPER_AND_BINDER =
  'Copper with a binder or dechlorinator that reduces becomes deadly, and a silent label counts as one that does. Hold ammonia down with changes of water made ready without it. If both are in already: two thirds of the water out now, matched, with strong air. Copper counts as in until a test of it that read zero is logged under Medicines; carbon alone does not count.';
