import type { NextBest } from '../../nextBest';
import { medicineEffect } from '../../records/kinds/medication';
import type { Medicine, MedicineForm } from '../../records/schema/medicine';

/** What a medicine is counted in, by its form. */
const GIVEN: Record<
  MedicineForm,
  { unit: string; one: string; field: 'mL' | 'grams' | 'tablets' }
> = {
  liquid: { unit: 'mL', one: '1 mL', field: 'mL' },
  powder: { unit: 'g', one: '1 g', field: 'grams' },
  tablet: { unit: 'tablets', one: 'one tablet', field: 'tablets' },
  food: { unit: 'g of food', one: '1 g of food', field: 'grams' },
};

export const givenUnit = (form: MedicineForm = 'liquid') => GIVEN[form].unit;
export const oneGiven = (form: MedicineForm = 'liquid') => GIVEN[form].one;

/** An amount that was given, as an entry keeps it. */
export function givenAs(form: MedicineForm = 'liquid', amount: number) {
  return { [GIVEN[form].field]: amount };
}

/** What changed the amount of a medicine in a tank. */
export type MedicineEvent =
  /** mL or grams of the product, or tablets, as its label counts them. */
  | { at: number; by: 'given'; amount: number }
  /** Litres out and new water in, which holds none. */
  | { at: number; by: 'change'; litres: number }
  /** A test: from then on it is what was read. */
  | { at: number; by: 'measured'; value: number }
  /** Carbon takes it out: nothing is told of it from then on until it is measured. */
  | { at: number; by: 'carbon' };

/**
 * Concentration of a medicine after what was given and what water changes took, by mass balance, in the
 * unit of its label; null where its strength is not known and nothing was measured, or carbon is in.
 * What breaks down, binds to rock or is eaten is not told: a test goes before it.
 * @param litres net water
 */
export function concentration(
  { strength }: Pick<Medicine, 'strength'>,
  litres: number,
  events: readonly MedicineEvent[],
): number | null {
  let level: number | null = 0;
  for (const event of [...events].sort((a, b) => a.at - b.at)) {
    switch (event.by) {
      case 'given':
        level =
          level === null || strength === undefined
            ? null
            : level + (event.amount * strength) / litres;
        break;
      case 'change':
        level = level === null ? null : level * (1 - Math.min(1, event.litres / litres));
        break;
      case 'measured':
        level = event.value;
        break;
      case 'carbon':
        level = null;
    }
  }
  return level;
}

/**
 * How much of it, in mL, grams or tablets, brings new water to where the tank stands, so that a change
 * leaves the level as it was.
 * @throws RangeError without a strength
 */
export function redose(
  { strength, name }: Pick<Medicine, 'strength' | 'name'>,
  level: number,
  litres: number,
): number {
  if (strength === undefined) {
    throw new RangeError(`The label of ${name} has no strength on record: add it first.`);
  }
  return (level * litres) / strength;
}

/** What stands against it; of what is blocked also what is done instead, and what that costs. */
export type MedicineConflict =
  | { severity: 'blocked'; because: string; instead: NextBest }
  | { severity: 'care'; because: string };

/** A medicine that may not go into this water is given elsewhere, never less of it here. */
const ELSEWHERE: NextBest = {
  what: 'Move the fish into a bare quarantine tank and give it there.',
  price: 'A day to set it up and catch them; ammonia is then kept down by changes and daily tests.',
};
const WITHOUT_BINDER: NextBest = {
  what: 'Keep ammonia down with changes of purified water and salt.',
  price: 'Up to half of the water a day, mixed and matched ahead.',
};

/** What else is in a tank that a medicine is about to go into. */
export interface MedicineHome {
  /** Medicines and binders given and not taken out. */
  present: readonly Medicine[];
  invertebrates: boolean;
  rock: boolean;
  filter: 'uncycled' | 'seeded' | 'cycled';
  strongAir: boolean;
}

const reduces = ({ kind, reducing }: Medicine) => kind === 'binder' && reducing !== 'no';

/** What stands against a medicine or a binder going into a tank. */
export function medicineConflicts(next: Medicine, home: MedicineHome): MedicineConflict[] {
  const found: MedicineConflict[] = [];
  const others = home.present.filter(({ name }) => name !== next.name);
  const copper = [next, ...others].find(({ kind }) => kind === 'copper');
  const binder = [next, ...others].find(reduces);
  if (copper && binder && (copper === next || binder === next)) {
    found.push({
      severity: 'blocked',
      because: `${copper.name} and ${binder.name}: copper with a reducing binder or dechlorinator becomes deadly.${binder.reducing === 'unknown' ? ' Its label does not say whether it reduces, so it counts as one that does.' : ''}`,
      instead: WITHOUT_BINDER,
    });
  }
  if (next.kind === 'copper' && home.invertebrates) {
    found.push({
      severity: 'blocked',
      because: 'There are invertebrates here: copper kills them.',
      instead: ELSEWHERE,
    });
  } else if (next.harmsInvertebrates && home.invertebrates) {
    found.push({
      severity: 'blocked',
      because: `There are invertebrates here, and the label says that ${next.name} harms them.`,
      instead: ELSEWHERE,
    });
  }
  if (next.kind === 'copper' && home.rock) {
    found.push({
      severity: 'blocked',
      because:
        'There is rock, sand or coral here: it takes copper up, so that no level holds, and gives it back for years.',
      instead: ELSEWHERE,
    });
  }
  if (medicineEffect(next).filterBacteria?.is === 'harmed' && home.filter !== 'uncycled') {
    found.push({
      severity: 'care',
      because: `${next.name} may kill the filter's bacteria: ammonia is then kept down by changes, tested daily.`,
    });
  }
  const medicines = others.filter(({ kind }) => kind !== 'binder');
  if (next.kind !== 'binder' && medicines.length > 0) {
    found.push({
      severity: 'care',
      because: `${medicines.map(({ name }) => name).join(' and ')} is in already: two medicines at once only where a veterinarian says so.`,
    });
  }
  if (next.lowersOxygen && !home.strongAir) {
    found.push({
      severity: 'care',
      because: `${next.name} lowers oxygen: strong air first, and watched for the first hours.`,
    });
  }
  if (next.carbonOut) {
    found.push({
      severity: 'care',
      because: 'Carbon, resins and the skimmer take it out: off while it is in.',
    });
  }
  return found;
}
