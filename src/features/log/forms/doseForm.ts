import { COPPER_AND_BINDER } from '@/core/quarantine/medicine/copper';
import * as z from 'zod';
import { daySchema, NAME_LETTERS, NOTE_LETTERS } from '@/core/records/common';
import type { EntryBody } from '@/core/records/kinds';
import {
  DOSE_SUBSTANCES,
  isAmmoniaSource,
  type Bottle,
  type DoseEntry,
  type DoseStrength,
  type DoseSubstance,
} from '@/core/records/kinds/dose';
import { formatExact } from '@/core/units/format';
import { unreachable } from '@/core/unreachable';
import { FormReader, type FormReading } from '@/forms/reader';
import { EMPTY_STRENGTH, readStrength, strengthFormOf, strengthShape } from '@/forms/strengthForm';
import { SHARED, sharedFields } from './shared';

/** A dose half entered: every field as text, so nothing typed is ever refused. */
export const doseFields = z.object({
  ...sharedFields,
  substance: z.enum(DOSE_SUBSTANCES),
  by: z.enum(['drops', 'mL', 'grams', 'target']),
  amount: z.string(),
  strengthBy: z.enum(['label', 'percent', 'pure', 'unknown']),
  ...strengthShape,
  product: z.string(),
  keeps: z.enum(['refrigerated', 'shelfStable', 'unknown']),
  storedCold: z.boolean(),
  madeOn: z.string(),
  forLitres: z.string(),
  about: z.boolean(),
});
export type DoseForm = z.infer<typeof doseFields>;

export const EMPTY_DOSE: DoseForm = {
  ...SHARED,
  substance: 'ammoniumChloride',
  by: 'drops',
  amount: '',
  strengthBy: 'label',
  ...EMPTY_STRENGTH,
  product: '',
  keeps: 'unknown',
  storedCold: true,
  madeOn: '',
  forLitres: '',
  about: false,
};

/** The form of a dose that exists, or of the next one like it. */
export function formOfDose(dose: DoseEntry): DoseForm {
  const form: DoseForm = {
    ...EMPTY_DOSE,
    at: dose.at,
    substance: dose.substance,
    by: dose.amount.by,
    about: dose.about,
    product: dose.product ?? '',
    note: dose.note ?? '',
  };
  switch (dose.amount.by) {
    case 'drops':
      form.amount = formatExact(dose.amount.drops);
      form.dropsPerMl = formatExact(1 / dose.amount.dropMl);
      break;
    case 'mL':
      form.amount = formatExact(dose.amount.mL);
      break;
    case 'grams':
      form.amount = formatExact(dose.amount.grams);
      break;
    case 'target': {
      form.amount = formatExact(dose.amount.rise.value);
      const basis = doseFields.shape.basis.safeParse(dose.amount.rise.unit);
      if (basis.success) form.basis = basis.data;
      break;
    }
    default:
      unreachable(dose.amount);
  }
  const { strength } = dose;
  form.strengthBy = strength?.by ?? 'unknown';
  Object.assign(form, strengthFormOf(strength));
  if (dose.bottle) {
    form.keeps = dose.bottle.keeps;
    form.storedCold = dose.bottle.storedCold;
    form.madeOn = dose.bottle.madeOn ?? '';
    form.forLitres = dose.bottle.forLitres === null ? '' : formatExact(dose.bottle.forLitres);
  }
  return form;
}

/** Substances that are usually weighed. */
const IN_GRAMS: ReadonlySet<DoseSubstance> = new Set(['alkalinity', 'calcium', 'magnesium']);

/** Ways a substance can be measured out. */
export function waysOf(substance: DoseSubstance): [DoseForm['by'], ...DoseForm['by'][]] {
  if (isAmmoniaSource(substance)) return ['drops', 'mL', 'grams', 'target'];
  return IN_GRAMS.has(substance) ? ['grams', 'mL'] : ['mL', 'drops', 'grams'];
}

function strengthOf(form: DoseForm, read: FormReader<DoseForm>): DoseStrength | null {
  if (!isAmmoniaSource(form.substance) || form.by === 'target') return null;
  if (form.by === 'grams') return { by: 'pure' };
  const { strengthBy } = form;
  return strengthBy === 'label' || strengthBy === 'percent'
    ? readStrength(strengthBy, form, read)
    : null;
}

function readAmount(form: DoseForm, read: FormReader<DoseForm>): DoseEntry['amount'] {
  const value = read.number('amount', { aboveZero: true });
  switch (form.by) {
    case 'drops': {
      const perMl = read.number('dropsPerMl', { min: 5, max: 60 });
      return { by: 'drops', drops: value, dropMl: 1 / perMl };
    }
    case 'mL':
      return { by: 'mL', mL: value };
    case 'grams':
      return { by: 'grams', grams: value };
    case 'target':
      return { by: 'target', rise: { value, unit: form.basis } };
    default:
      return unreachable(form.by);
  }
}

/** What is known of a bottle of bacteria; a day that is none is said where it stands. */
function readBottle(form: DoseForm, read: FormReader<DoseForm>, today: string): Bottle | null {
  if (form.substance !== 'bacteria') return null;
  const forLitres = read.optional('forLitres', { aboveZero: true });
  const madeOn = form.madeOn.trim();
  if (madeOn !== '' && !daySchema.safeParse(madeOn).success) {
    read.fail('madeOn', 'Write the day as 2026-11-04.');
  } else if (madeOn > today) {
    read.fail('madeOn', 'That day is still to come. Check the year.');
  }
  const known = form.keeps !== 'unknown' || !form.storedCold || madeOn !== '' || forLitres !== null;
  if (!known) return null;
  return {
    keeps: form.keeps,
    storedCold: form.storedCold,
    madeOn: madeOn === '' ? null : madeOn,
    forLitres,
  };
}

/**
 * The dose a form stands for, or what is missing from it field by field.
 * @param today the calendar day it is read on; no bottle is younger
 */
/** @param copper what copper is in the water, by its name: no binder is logged into it */
export function readDose(
  form: DoseForm,
  today = '9999-12-31',
  copper: string | null = null,
): FormReading<DoseForm, EntryBody<'dose'>> {
  const read = new FormReader(form);
  const amount = readAmount(form, read);
  const strength = strengthOf(form, read);
  const bottle = readBottle(form, read, today);
  if (form.substance === 'ammoniaBinder' && copper !== null) {
    read.fail('product', `${copper} is in this water. ${COPPER_AND_BINDER}`);
  }
  const product = isAmmoniaSource(form.substance) ? {} : read.optionalText('product', NAME_LETTERS);
  const note = read.optionalText('note', NOTE_LETTERS);
  return read.result({
    kind: 'dose',
    substance: form.substance,
    amount,
    strength,
    about: form.about,
    ...(bottle ? { bottle } : {}),
    ...product,
    ...note,
  });
}
