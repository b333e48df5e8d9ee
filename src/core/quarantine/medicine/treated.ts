import type { TankHistory } from '../../history/tankHistory';
import { isHere, rosterOf } from '../../livestock/roster/roster';
import type { FilterThere } from '../../records/schema/batch';
import type { EntryOf } from '../../records/kinds';
import type { Medicine } from '../../records/schema/medicine';
import { DAY_MS } from '../../time/zone';
import { BINDER_DAYS, binderIn, copperIn, goneSince } from './copper';
import type { MedicineEvent, MedicineHome } from './medicine';

/** What was given, in the unit of its form; none where nobody said how much. */
function givenAmount({ mL, grams, tablets }: EntryOf<'medication'>): number[] {
  const amount = mL ?? grams ?? tablets;
  return amount === undefined ? [] : [amount];
}

/** What happened to one medicine in a tank, in order of time. */
export function medicineEvents(
  history: Pick<TankHistory, 'entries'>,
  medicineId: string,
): MedicineEvent[] {
  const own = history.entries.medication.filter(({ entry }) => entry.medicineId === medicineId);
  const [first] = own;
  if (!first) return [];
  const events = own.flatMap(({ at, entry }): MedicineEvent[] => {
    if (entry.act === 'given')
      return givenAmount(entry).map((amount) => ({ at, by: 'given', amount }));
    if (entry.act === 'carbonIn') return [{ at, by: 'carbon' }];
    return entry.value === undefined ? [] : [{ at, by: 'measured', value: entry.value }];
  });
  const changes = history.entries.waterChange
    .filter(({ at }) => at >= first.at)
    .map(({ at, entry }): MedicineEvent => ({ at, by: 'change', litres: entry.litres }));
  return [...events, ...changes].sort((a, b) => a.at - b.at);
}

/**
 * Medicines and binders that were given and are not gone since. Copper goes with a test that read zero,
 * a binder with its time, the rest with carbon; all of them when the tank is emptied and disinfected.
 */
export function presentIn(
  { entries }: Pick<TankHistory, 'entries'>,
  medicines: readonly { id: string; body: Medicine }[],
  now: number,
): Medicine[] {
  return medicines.flatMap(({ id, body }) => {
    const own = entries.medication.filter(({ entry }) => entry.medicineId === id);
    const given = own.findLast(({ entry }) => entry.act === 'given');
    if (!given || goneSince(entries, given.at, body.name)) return [];
    const carbon = own.some(({ at, entry }) => at >= given.at && entry.act === 'carbonIn');
    if (body.kind === 'binder') return now - given.at < BINDER_DAYS * DAY_MS ? [body] : [];
    return body.kind === 'copper' || !carbon ? [body] : [];
  });
}

/** Something that is in the water without its label on record: the worst is taken of it. */
function unlabelled(name: string, kind: 'binder' | 'copper'): Medicine {
  return {
    name,
    kind,
    lowersOxygen: false,
    harmsFilter: 'unknown',
    harmsInvertebrates: true,
    carbonOut: false,
    reducing: 'unknown',
  };
}

/** What else is where a medicine would go. */
export function medicineHome(
  history: TankHistory,
  medicines: readonly { id: string; body: Medicine }[],
  filter: FilterThere | undefined,
  strongAir: boolean,
  at: number,
): MedicineHome {
  const binder = binderIn(history.entries, at);
  const copper = copperIn(history, at);
  const known = presentIn(history, medicines, at);
  const here = rosterOf(history).filter(isHere);
  const { tank, standing } = history;
  return {
    present: [
      ...known,
      ...(binder === null || known.some(({ name }) => name === binder)
        ? []
        : [unlabelled(binder, 'binder')]),
      ...(copper === null || known.some(({ name }) => name === copper)
        ? []
        : [unlabelled(copper, 'copper')]),
    ],
    invertebrates: here.some(({ group }) => group !== 'fish'),
    rock: tank.rock !== 'none' || tank.volume.rockKg > 0 || tank.volume.sandDepth > 0,
    filter:
      filter ??
      (tank.kind === 'quarantine' && standing.runningSince === null ? 'uncycled' : 'cycled'),
    strongAir,
  };
}
