import * as z from 'zod';
import {
  COPPER_FORMS,
  LABEL_SAYS,
  MEDICINE_FORMS,
  MEDICINE_KINDS,
  medicineSchema,
  REDUCING,
  type Medicine,
} from '@/core/records/schema/medicine';
import { formatExact } from '@/core/units/format';
import { FormReader, type FormReading } from '@/forms/reader';

/** A label as it is typed. */
export const medicineFields = z.object({
  name: z.string(),
  kind: z.enum(MEDICINE_KINDS),
  form: z.enum(MEDICINE_FORMS),
  copper: z.enum(COPPER_FORMS),
  low: z.string(),
  high: z.string(),
  unit: z.string(),
  strength: z.string(),
  days: z.string(),
  redoseDays: z.string(),
  reducing: z.enum(REDUCING),
  lowersOxygen: z.boolean(),
  harmsFilter: z.enum(LABEL_SAYS),
  harmsInvertebrates: z.boolean(),
  carbonOut: z.boolean(),
  note: z.string(),
});
export type MedicineFields = z.infer<typeof medicineFields>;

/** A label that nobody copied yet: the worse is taken of what it may say. */
export const NEW_MEDICINE: MedicineFields = {
  name: '',
  kind: 'other',
  form: 'liquid',
  copper: 'unknown',
  low: '',
  high: '',
  unit: '',
  strength: '',
  days: '',
  redoseDays: '',
  reducing: 'unknown',
  lowersOxygen: false,
  harmsFilter: 'unknown',
  harmsInvertebrates: true,
  carbonOut: true,
  note: '',
};

export function formOfMedicine(medicine: Medicine): MedicineFields {
  const { target, unit, strength, days, redoseDays, note, ...rest } = medicine;
  const text = (value: number | undefined) => (value === undefined ? '' : formatExact(value));
  return {
    form: 'liquid',
    copper: 'unknown',
    ...rest,
    low: text(target?.low),
    high: text(target?.high),
    unit: unit ?? '',
    strength: text(strength),
    days: text(days),
    redoseDays: text(redoseDays),
    note: note ?? '',
  };
}

/** The label that was typed. */
export function readMedicine(form: MedicineFields): FormReading<MedicineFields, Medicine> {
  const reader = new FormReader(form);
  const name = reader.text('name', 120, 'Give it the name on its label.');
  const binder = form.kind === 'binder';
  const number = (field: 'low' | 'high' | 'strength', limits = { aboveZero: true }) =>
    binder ? null : reader.optional(field, limits);
  const [low, high, strength] = [number('low'), number('high'), number('strength')];
  const days = binder ? null : reader.optional('days', { min: 0.1, max: 120 });
  const redoseDays = binder ? null : reader.optional('redoseDays', { min: 0.1, max: 60 });
  if (low === null && high !== null) reader.fail('low', 'The range has two ends: from where?');
  if (high === null && low !== null) reader.fail('high', 'The range has two ends: to where?');
  if (low !== null && high !== null && low > high) {
    reader.fail('high', 'The range ends below its beginning.');
  }
  const made = medicineSchema.safeParse({
    name,
    kind: form.kind,
    ...(form.form === 'liquid' ? {} : { form: form.form }),
    ...(form.kind === 'copper' && form.copper !== 'unknown' ? { copper: form.copper } : {}),
    ...(low !== null && high !== null ? { target: { low, high } } : {}),
    ...(binder ? {} : reader.optionalText('unit', 20)),
    ...(strength === null ? {} : { strength }),
    ...(days === null ? {} : { days }),
    ...(redoseDays === null ? {} : { redoseDays }),
    lowersOxygen: form.lowersOxygen,
    harmsFilter: form.harmsFilter,
    harmsInvertebrates: form.harmsInvertebrates,
    carbonOut: form.carbonOut,
    reducing: binder ? form.reducing : 'no',
    ...reader.optionalText('note', 500),
  });
  if (!reader.ok || !made.success) {
    if (reader.ok) reader.fail('name', 'The name on its label is too long or empty.');
    return { ok: false, errors: reader.errors };
  }
  return reader.result(made.data);
}
