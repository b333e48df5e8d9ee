import * as z from 'zod';
import { PARAMETERS } from '../parameters/registry';
import { parameterSchema, unitSchema } from '../records/common';
import { dimensionOf } from '../units/units';
import { SCALINGS } from './read/names';

/** What of a sheet is remembered at most. */
const MOST_COLUMNS = 400;
const HEADING_LETTERS = 200;

/** How the numbers of one test are meant: their unit, their scaling, and whether 0 was a test at all. */
const howSchema = z.strictObject({
  unit: unitSchema,
  scaling: z.enum(SCALINGS),
  zero: z.enum(['zero', 'untested']),
});
export type How = z.infer<typeof howSchema>;

/** What a column is that holds no test. */
export const OTHER_USES = [
  'nothing',
  'when',
  'dayOfMonth',
  'time',
  'tank',
  'note',
  'kit',
  'parameter',
  'value',
  'low',
  'high',
  'unit',
  'basis',
  'dilution',
] as const;
export type OtherUse = (typeof OTHER_USES)[number];

const useSchema = z.discriminatedUnion('is', [
  z.strictObject({ is: z.enum(OTHER_USES) }),
  z
    .strictObject({ is: z.literal('reading'), parameter: parameterSchema, ...howSchema.shape })
    .refine(({ parameter, unit }) => dimensionOf(unit) === PARAMETERS[parameter].dimension, {
      message: 'is in a unit that does not measure its parameter',
    }),
]);
export type ColumnUse = z.infer<typeof useSchema>;

const columnSchema = z.strictObject({
  /** As it stands over the column; empty where nothing does. */
  heading: z.string().max(HEADING_LETTERS),
  /** Which of the columns under that heading, from 0. */
  nth: z.int().min(0).max(MOST_COLUMNS),
  use: useSchema,
});
export type MappedColumn = z.infer<typeof columnSchema>;

/**
 * How a spreadsheet is read, by the headings of its columns: what is remembered under a name, and what the
 * command line takes as a file.
 */
export const mappingSchema = z.strictObject({
  format: z.literal('zoarium-sheet-mapping'),
  version: z.literal(1),
  /** The order of days and months. */
  order: z.enum(['dmy', 'mdy', 'ymd']),
  /** What stands between whole and fraction. */
  mark: z.enum(['.', ',']),
  columns: z.array(columnSchema).max(MOST_COLUMNS),
  /** Where each row is one test: how the numbers of each parameter are meant. */
  parameters: z.partialRecord(parameterSchema, howSchema),
});
export type Mapping = z.infer<typeof mappingSchema>;

/** A heading as it is kept and compared. */
export function headingOf(text: string): string {
  return text.replace(/\s+/g, ' ').trim().slice(0, HEADING_LETTERS);
}

/** What a mapping says of a column; null where it does not know it. */
export function useOf(mapping: Mapping, heading: string, nth: number): ColumnUse | null {
  return (
    mapping.columns.find((column) => column.heading === heading && column.nth === nth)?.use ?? null
  );
}

/** A column by its heading, and by its place among those of the same. */
export const nameOf = ({ heading, nth }: { heading: string; nth: number }): string =>
  nth === 0 ? heading : `${heading} (${nth + 1})`;
