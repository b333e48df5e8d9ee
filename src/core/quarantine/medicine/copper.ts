import type { TankHistory } from '../../history/tankHistory';
import { holdsCopper } from '../../records/kinds/treatment';
import { DAY_MS } from '../../time/zone';

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

/** Something whose label nobody has on record is taken to be in the water so long, days. */
const UNKNOWN_DAYS = 60;
const UNKNOWN = 'A medicine whose label is not on record, which may hold copper,';

/**
 * Copper that was put into a tank and is not gone since, by what it was called, or what may hold some;
 * null without any. A medicine without a label on record counts: only a label says that it is free of it.
 */
export function copperIn(
  { entries, medicines }: { entries: Entries } & Pick<TankHistory, 'medicines'>,
  now: number,
): string | null {
  const fresh = (at: number) => now - at < UNKNOWN_DAYS * DAY_MS;
  const put = [
    ...entries.treatment.flatMap(({ at, entry: { agent, product } }) => {
      const copper = holdsCopper(agent);
      if (copper === 'yes') return { at, product, name: product ?? 'Copper' };
      const known = Object.values(medicines).some(({ name }) => name === product);
      return copper === 'maybe' && !known && fresh(at)
        ? { at, product, name: product ?? UNKNOWN }
        : [];
    }),
    ...entries.medication.flatMap(({ at, entry: { act, medicineId, what } }) => {
      if (act !== 'given') return [];
      const label = medicines[medicineId];
      const mayBe = label ? label.kind === 'copper' : fresh(at);
      return mayBe ? { at, product: what, name: what } : [];
    }),
  ].toSorted((a, b) => a.at - b.at);
  return put.findLast(({ at, product }) => !goneSince(entries, at, product))?.name ?? null;
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
  'Copper with a binder or dechlorinator that reduces becomes deadly, and a silent label counts as one that does. Keep ammonia down with changes of water made ready without it. If both are in already: two thirds of the water out now, matched, with strong air. Copper counts as in until a test of it that read zero is logged under Medicines; carbon alone does not count.';
