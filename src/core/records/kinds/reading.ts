import * as z from 'zod';
import { magnitude } from '../../math/magnitude';
import { toCanonical, withUnit } from '../../parameters/convert';
import { PARAMETERS } from '../../parameters/registry';
import { formatFixed, formatPlain } from '../../units/format';
import { dimensionOf, unitDecimals, type Unit } from '../../units/units';
import { anyNumber, idSchema, nonNegative, parameterSchema, unitSchema } from '../common';
import type { Kit } from '../schema/kit';
import { NO_EFFECT } from './effect';
import { waterHarm } from './waterHarm';
import { defineKind, ofTank } from './kind';

/**
 * A card reading pins the steps it was read against, so that a kit edited later cannot move it:
 * `low` and `high` index into them; they differ by one when the colour lay between two steps.
 */
const cardValueSchema = z
  .strictObject({
    form: z.literal('card'),
    steps: z.array(nonNegative).min(2).max(16),
    low: z.int().min(0),
    high: z.int().min(0),
  })
  .refine((v) => v.high < v.steps.length && (v.high === v.low || v.high === v.low + 1), {
    message: 'names a step that the card does not have',
  });

const digitalValueSchema = z.strictObject({
  form: z.literal('digital'),
  value: anyNumber,
  unit: unitSchema,
});

const fields = z.strictObject({
  kind: z.literal('reading'),
  ...ofTank,
  parameter: parameterSchema,
  kitId: idSchema,
  value: z.discriminatedUnion('form', [cardValueSchema, digitalValueSchema]),
  /** Total volume over sample volume when the sample was diluted; 1 when it was not. */
  dilution: z.number().min(1).max(1000),
  /** Least and most within the minutes that it is the middle of, in the unit of its value. */
  spread: z
    .strictObject({ minutes: z.int().min(1).max(1440), low: anyNumber, high: anyNumber })
    .optional(),
  /** The keeper was asked about an unlikely value and said it is what was read. */
  confirmed: z.literal(true).optional(),
});
const schema = fields.refine(
  ({ parameter, value }) =>
    value.form === 'card' || dimensionOf(value.unit) === PARAMETERS[parameter].dimension,
  { message: 'is in a unit that does not measure its parameter', path: ['value'] },
);
export type ReadingEntry = z.infer<typeof schema>;
export type ReadingValue = ReadingEntry['value'];

/**
 * The unit a reading counts in: the kit's own for cards and bases, else the unit it was typed in. A
 * kit that has come to measure something else says nothing about the reading: its canonical unit
 * then stands in.
 */
export function readingUnit(entry: ReadingEntry, kit: Kit | undefined): Unit {
  const spec = PARAMETERS[entry.parameter];
  const own = kit?.parameter === entry.parameter ? kit.unit : undefined;
  if (entry.value.form === 'card') return own ?? spec.canonicalUnit;
  if (own !== undefined && spec.basis) return own;
  return entry.value.unit;
}

/** What was read, in the canonical unit of its parameter; between two steps the middle of them. */
function valueRead(entry: ReadingEntry, kit: Kit | undefined): number {
  const { value } = entry;
  const typed =
    value.form === 'digital'
      ? value.value
      : ((value.steps[value.low] ?? 0) + (value.steps[value.high] ?? 0)) / 2;
  return toCanonical(typed, readingUnit(entry, kit));
}

/** The words of a reading as it was made, without its unit. */
export function typedWords(value: ReadingValue, decimals: number): string {
  if (value.form === 'digital') return formatFixed(value.value, decimals);
  const low = formatPlain(value.steps[value.low] ?? 0);
  if (value.high === value.low) return low;
  return `between ${low} and ${formatPlain(value.steps[value.high] ?? 0)}`;
}

/** Decimals that a resolution calls for: 0.05 → 2. */
export function decimalsOfResolution(resolution: number): number {
  return Math.min(4, Math.max(0, -magnitude(resolution)));
}

/** Decimals with which a kit's values are shown. */
export function kitDecimals(kit: Kit | undefined, unit: Unit): number {
  return kit?.scale.form === 'digital'
    ? decimalsOfResolution(kit.scale.resolution)
    : unitDecimals(unit);
}

/** One test of one parameter. */
export const reading = defineKind({
  schema,
  subject: 'tank',
  name: 'test',
  counted: ['test', 'tests'],
  reported: false,
  title: (entry) => PARAMETERS[entry.parameter].name,
  line: (entry, { kitOf }) => {
    const kit = kitOf(entry.kitId);
    const unit = readingUnit(entry, kit);
    return withUnit(typedWords(entry.value, kitDecimals(kit, unit)), unit);
  },
  touches: (entry) => [entry.parameter],
  cycle: (entry, { kitOf }) => {
    const value = valueRead(entry, kitOf(entry.kitId));
    const { low, high } = PARAMETERS[entry.parameter].possible;
    return value < low || value > high ? NO_EFFECT : waterHarm(entry.parameter, value);
  },
});
