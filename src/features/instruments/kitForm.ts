import * as z from 'zod';
import { PARAMETERS } from '@/core/parameters/registry';
import { daySchema, NAME_LETTERS, parameterSchema, unitSchema } from '@/core/records/common';
import { LOT_LETTERS, type Kit } from '@/core/records/schema/kit';
import { formatExact, parseNumber } from '@/core/units/format';
import { FormReader, type FormReading } from '@/forms/reader';

/** A kit half described. */
export const kitFormSchema = z.object({
  name: z.string(),
  parameter: parameterSchema,
  unit: unitSchema,
  form: z.enum(['card', 'digital']),
  /** The card's steps as typed, separated by spaces, commas between numbers or new lines. */
  steps: z.string(),
  resolution: z.string(),
  accuracy: z.string(),
  compensated: z.boolean(),
  waitMinutes: z.string(),
  lot: z.string(),
  expiresOn: z.string(),
  reduction: z.boolean(),
  inUse: z.boolean(),
  packTests: z.string(),
  packSince: z.string(),
  calibrateDays: z.string(),
});
export type KitForm = z.infer<typeof kitFormSchema>;

export function formOfKit(kit: Kit): KitForm {
  const digital = kit.scale.form === 'digital' ? kit.scale : null;
  return {
    name: kit.name,
    parameter: kit.parameter,
    unit: kit.unit,
    form: kit.scale.form,
    steps:
      kit.scale.form === 'card' ? kit.scale.steps.map((step) => formatExact(step)).join('  ') : '',
    resolution: digital ? formatExact(digital.resolution) : '',
    accuracy: digital ? formatExact(digital.accuracy) : '',
    compensated: digital?.compensated ?? true,
    waitMinutes: formatExact(kit.waitMinutes),
    lot: kit.lot,
    expiresOn: kit.expiresOn ?? '',
    reduction: kit.reduction,
    inUse: kit.inUse,
    packTests: kit.pack ? formatExact(kit.pack.tests) : '',
    packSince: kit.pack?.since ?? '',
    calibrateDays: kit.calibrateDays === undefined ? '' : formatExact(kit.calibrateDays),
  };
}

/** The form with another parameter, whose units it must follow. */
export function withParameter(form: KitForm, parameter: KitForm['parameter']): KitForm {
  return {
    ...form,
    parameter,
    unit: PARAMETERS[parameter].units[0],
    reduction: parameter === 'nitrate' && form.form === 'card',
  };
}

/** Reads steps as people type them: "0, 0.25, 0.5" or "0 0.25 0.5"; null when one is no number. */
export function readSteps(text: string): number[] | null {
  const parts = text.split(/[\s;]+|,(?=\s|$)|,(?=\d*\.)/).filter((part) => part !== '');
  const steps = parts.flatMap((part) => part.split(/,(?=.*,)/)).map((part) => parseNumber(part));
  return steps.some((step) => step === null) ? null : steps.flatMap((step) => step ?? []);
}

/**
 * The kit a form stands for, or what is missing from it field by field.
 * @param order its place on the test sheet
 */
export function readKit(form: KitForm, order: number): FormReading<KitForm, Kit> {
  const read = new FormReader(form);
  const name = read.text('name', NAME_LETTERS, 'Give it a name you know it by.');
  const waitMinutes = read.number('waitMinutes', { min: 0, max: 120 });
  const { lot = '' } = read.optionalText('lot', LOT_LETTERS);
  const expiresOn = form.expiresOn.trim() === '' ? null : form.expiresOn.trim();
  if (expiresOn !== null && !daySchema.safeParse(expiresOn).success) {
    read.fail('expiresOn', 'That is no day.');
  }
  if (!PARAMETERS[form.parameter].units.includes(form.unit)) {
    read.fail('unit', 'That is no unit of what it measures.');
  }
  const scale = form.form === 'card' ? readCard(form, read) : readDigital(form, read);
  return read.result({
    name,
    parameter: form.parameter,
    unit: form.unit,
    scale,
    waitMinutes,
    lot,
    expiresOn,
    reduction: form.reduction,
    inUse: form.inUse,
    order,
    ...readPack(form, read),
    ...readMaintenance(form, read),
  });
}

/** The pack of a kit, where its tests are counted: {} without. */
function readPack(form: KitForm, read: FormReader<KitForm>): Pick<Kit, 'pack'> {
  const tests = read.optional('packTests', { min: 1, max: 10_000 });
  if (tests === null) return {};
  if (!Number.isInteger(tests)) read.fail('packTests', 'Whole tests, please.');
  const since = form.packSince.trim();
  if (!daySchema.safeParse(since).success) {
    read.fail('packSince', 'Since when is this pack in use?');
  }
  return { pack: { tests, since } };
}

/** The days between two calibrations, where the usual ones are not meant: {} then. */
function readMaintenance(form: KitForm, read: FormReader<KitForm>): Pick<Kit, 'calibrateDays'> {
  if (form.form === 'card') return {};
  const calibrateDays = read.optional('calibrateDays', { min: 1, max: 3650 });
  if (calibrateDays === null) return {};
  if (!Number.isInteger(calibrateDays)) read.fail('calibrateDays', 'Whole days, please.');
  return { calibrateDays };
}

function readCard(form: KitForm, read: FormReader<KitForm>): Kit['scale'] {
  const steps = readSteps(form.steps);
  if (steps === null) read.fail('steps', 'Only numbers, with spaces between them.');
  else if (steps.length < 2 || steps.length > 16) read.fail('steps', 'A card has 2 to 16 steps.');
  else if (steps.some((step, i) => step < 0 || (i > 0 && step <= (steps[i - 1] ?? 0)))) {
    read.fail('steps', 'Each step must be higher than the one before.');
  } else return { form: 'card', steps };
  return { form: 'card', steps: [] };
}

function readDigital(form: KitForm, read: FormReader<KitForm>): Kit['scale'] {
  return {
    form: 'digital',
    resolution: read.number('resolution', { aboveZero: true }),
    accuracy: read.number('accuracy', { min: 0 }),
    compensated: form.compensated,
  };
}
