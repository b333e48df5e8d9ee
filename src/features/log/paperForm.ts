import * as z from 'zod';
import { readingBy } from '@/core/acts/reading';
import type { EntryBody } from '@/core/records/kinds';
import { PARAMETERS, type ParameterId } from '@/core/parameters/registry';
import type { Kit } from '@/core/records/schema/kit';
import type { RevisionOf } from '@/core/records/schema/revision';
import { isDay } from '@/core/time/calendar';
import { atTimeOn } from '@/core/time/zone';
import { parseNumber } from '@/core/units/format';
import { unitSymbol, type Unit } from '@/core/units/units';

/** What is written beside tests on paper: ammonia that went in. */
const DOSE = 'dose';
/** The tests that a page shows at first; the others come with a tap. */
export const FIRST_COLUMNS: readonly ParameterId[] = ['ammonia', 'nitrite', 'nitrate'];
/** Rows that a page begins with. */
const ROWS_AT_FIRST = 3;
export const MOST_ROWS = 120;

/** One line of the page: a day, and what was written under each heading. */
const rowSchema = z.object({ day: z.string(), cells: z.record(z.string(), z.string()) });
export type PaperRow = z.infer<typeof rowSchema>;

export const paperSchema = z.object({
  rows: z.array(rowSchema),
  columns: z.array(z.string()),
});
export type PaperForm = z.infer<typeof paperSchema>;

const emptyRow = (): PaperRow => ({ day: '', cells: {} });

export function emptyPaper(): PaperForm {
  return {
    rows: Array.from({ length: ROWS_AT_FIRST }, emptyRow),
    columns: [...FIRST_COLUMNS, DOSE],
  };
}

/** A column of the page: a test by the kit that reads it, or the dose. */
export interface Column {
  id: string;
  label: string;
  /** Within a sentence. */
  word: string;
  kit: RevisionOf<'kit'> | null;
}

type Kits = readonly RevisionOf<'kit'>[];

const isFor = (parameter: string) => (kit: RevisionOf<'kit'>) => kit.body.parameter === parameter;

/** Every column that the keeper's kits allow, in the order of the test sheet, the dose after them. */
export function columnsOf(kits: Kits): Column[] {
  const first = kits.filter(
    (kit, i) => kit.body.inUse && kits.findIndex(isFor(kit.body.parameter)) === i,
  );
  const ammonia = kits.find(isFor('ammonia'));
  return [
    ...first.map((kit) => ({
      id: kit.body.parameter,
      label: `${PARAMETERS[kit.body.parameter].name}${unitTail(kit.body.unit)}`,
      word: PARAMETERS[kit.body.parameter].inSentence,
      kit,
    })),
    {
      id: DOSE,
      label: `Ammonia dosed${unitTail(doseUnit(ammonia?.body))}`,
      word: 'ammonia dosed',
      kit: null,
    },
  ];
}

function unitTail(unit: Unit): string {
  const symbol = unitSymbol(unit);
  return symbol === '' ? '' : `, ${symbol}`;
}

/** The basis in which a dose is written: that of the kit which then reads it. */
function doseUnit(kit: Kit | undefined): Unit {
  return kit?.parameter === 'ammonia' ? kit.unit : 'ammonia N';
}

/** What a row of the page becomes. */
export interface PaperDay {
  at: number;
  body: EntryBody<'reading'> | EntryBody<'dose'>;
}

export interface ReadPaper {
  days: PaperDay[];
  /** What is wrong, by row and column (`day` for the day itself). */
  errors: Record<string, string>;
}

export const cellKey = (row: number, column: string) => `${row}/${column}`;

/** Tests of a page count as noon of their day; a dose an hour before or after them. */
const NOON = 12;
/** A reading of at least this share of the day's dose was made after it. */
const SHOWS_DOSE = 0.5;

/**
 * Reads a page of tests. A number between two steps of a card is between them; one that a card cannot
 * show is said so.
 * @param context the kits, the tank's zone, and today there
 */
export function readPaper(
  form: PaperForm,
  { kits, zone, today, now }: { kits: Kits; zone: string; today: string; now: number },
): ReadPaper {
  const columns = columnsOf(kits).filter(({ id }) => form.columns.includes(id));
  const errors: Record<string, string> = {};
  const days: PaperDay[] = [];
  const seen = new Set<string>();
  form.rows.forEach((row, index) => {
    const filled = columns.filter(({ id }) => (row.cells[id] ?? '').trim() !== '');
    if (filled.length === 0) {
      if (row.day.trim() !== '' && !isDay(row.day)) {
        errors[cellKey(index, 'day')] = 'That is no day.';
      }
      return;
    }
    if (!isDay(row.day)) {
      errors[cellKey(index, 'day')] =
        row.day.trim() === '' ? 'Which day was it?' : 'That is no day.';
      return;
    }
    if (row.day > today) errors[cellKey(index, 'day')] = 'That day lies ahead.';
    if (seen.has(row.day)) errors[cellKey(index, 'day')] = 'This day stands above already.';
    seen.add(row.day);
    const noon = Math.min(now, atTimeOn(row.day, NOON, 0, zone));
    const numbers: Record<string, number> = {};
    for (const { id } of filled) {
      const value = parseNumber(row.cells[id] ?? '');
      if (value === null || value < 0) {
        errors[cellKey(index, id)] = `"${(row.cells[id] ?? '').trim()}" is not a number.`;
      } else numbers[id] = value;
    }
    for (const { id, kit } of filled) {
      const value = numbers[id];
      if (value === undefined || !kit) continue;
      const read = readingBy(kit.id, kit.body, value);
      if (typeof read === 'string') errors[cellKey(index, id)] = read;
      else days.push({ at: noon, body: read });
    }
    const dose = numbers[DOSE];
    if (dose !== undefined && dose > 0) {
      const unit = doseUnit(kits.find(isFor('ammonia'))?.body);
      if (dose > 20) errors[cellKey(index, DOSE)] = 'Above 20 ppm it is no dose.';
      const after = (numbers.ammonia ?? 0) < SHOWS_DOSE * dose;
      const hour = after ? 3_600_000 : -3_600_000;
      days.push({
        at: Math.min(now, noon + hour),
        body: {
          kind: 'dose',
          substance: 'ammoniumChloride',
          amount: { by: 'target', rise: { value: dose, unit } },
          strength: null,
          about: true,
        },
      });
    }
  });
  return { days, errors };
}
