import { formatPlain } from '@/core/units/format';
import { PARAMETERS } from '@/core/parameters/registry';
import { readingWords } from '@/core/history/reading';
import type { Dose, TankHistory } from '@/core/history/tankHistory';
import type { DoseSubstance } from '@/core/records/schema/entry';
import { kindWords } from './kindWords';

/** Something logged, as a line of a list: its entry can be opened by its id. */
export interface LoggedEvent {
  id: string;
  at: number;
  title: string;
  note: string;
}

export const SUBSTANCE_WORDS: Record<DoseSubstance, string> = {
  ammoniumChloride: 'Ammonium chloride',
  householdAmmonia: 'Household ammonia',
  bacteria: 'Bottled bacteria',
  alkalinity: 'Alkalinity',
  ammoniaBinder: 'Ammonia binder',
  other: 'Something else',
};

function amountWords(dose: Dose): string {
  const { amount } = dose.entry;
  switch (amount.by) {
    case 'drops':
      return `${formatPlain(amount.drops)} drops`;
    case 'mL':
      return `${formatPlain(amount.mL)} mL`;
    case 'grams':
      return `${formatPlain(amount.grams)} g`;
    case 'target':
      return 'by the rise';
  }
}

/** Everything but readings, newest first. */
export function otherEvents(history: TankHistory): LoggedEvent[] {
  return [
    ...history.doses.map((dose) => ({
      id: dose.id,
      at: dose.at,
      title: SUBSTANCE_WORDS[dose.entry.substance],
      note: [
        amountWords(dose),
        dose.rise === null ? '' : `raises ammonia by ${formatPlain(dose.rise, 1)} ppm N`,
      ]
        .filter(Boolean)
        .join(', '),
    })),
    ...history.waterChanges.map((change) => ({
      id: change.id,
      at: change.at,
      title: 'Water change',
      note: `${formatPlain(change.fraction * 100, 0)} % of the net water`,
    })),
    ...history.notes.map((note) => ({
      id: note.id,
      at: note.at,
      title: 'Note',
      note: note.entry.text,
    })),
    ...[
      ...history.organics,
      ...history.media,
      ...history.treatments,
      ...history.lights,
      ...history.sightings,
    ].map(({ id, at, entry }) => ({ id, at, ...kindWords(entry) })),
  ].sort((a, b) => b.at - a.at);
}

/** Every entry of a tank, newest first. */
export function allEvents(history: TankHistory): LoggedEvent[] {
  const readings = Object.values(history.readings).flatMap((list) =>
    list.map((reading) => ({
      id: reading.id,
      at: reading.at,
      title: PARAMETERS[reading.parameter].name,
      note: readingWords(reading),
    })),
  );
  return [...readings, ...otherEvents(history)].sort((a, b) => b.at - a.at);
}
