import * as z from 'zod';
import { PARAMETERS } from '@/core/parameters/registry';
import { daySchema, parameterSchema, unitSchema } from '@/core/records/schema/common';
import type { Kit } from '@/core/records/schema/kit';
import { formatPlain, parseNumber } from '@/core/units/format';
import { FormReader, type FormErrors } from '@/shared/formText';

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
      kit.scale.form === 'card' ? kit.scale.steps.map((step) => formatPlain(step)).join('  ') : '',
    resolution: digital ? formatPlain(digital.resolution, 4) : '',
    accuracy: digital ? formatPlain(digital.accuracy, 4) : '',
    compensated: digital?.compensated ?? true,
    waitMinutes: formatPlain(kit.waitMinutes),
    lot: kit.lot,
    expiresOn: kit.expiresOn ?? '',
    reduction: kit.reduction,
    inUse: kit.inUse,
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

export type KitResult = { ok: true; kit: Kit } | { ok: false; errors: FormErrors<KitForm> };

/** The kit a form stands for, or what is missing from it field by field. */
export function readKit(form: KitForm, order: number): KitResult {
  const read = new FormReader(form);
  const name = form.name.trim();
  if (name === '') read.fail('name', 'Give it a name you know it by.');
  if (name.length > 60) read.fail('name', 'Sixty letters at most.');
  const waitMinutes = read.number('waitMinutes', { min: 0, max: 120 });
  const expiresOn = form.expiresOn.trim() === '' ? null : form.expiresOn.trim();
  if (expiresOn !== null && !daySchema.safeParse(expiresOn).success) {
    read.fail('expiresOn', 'Write the day as 2027-03-31.');
  }
  const scale = form.form === 'card' ? readCard(form, read) : readDigital(form, read);
  if (!read.ok || !scale) return { ok: false, errors: read.errors };
  return {
    ok: true,
    kit: {
      name,
      parameter: form.parameter,
      unit: form.unit,
      scale,
      waitMinutes,
      lot: form.lot.trim().slice(0, 40),
      expiresOn,
      reduction: form.reduction,
      inUse: form.inUse,
      order,
    },
  };
}

function readCard(form: KitForm, read: FormReader<KitForm>): Kit['scale'] | null {
  const steps = readSteps(form.steps);
  if (steps === null) read.fail('steps', 'Only numbers, with spaces between them.');
  else if (steps.length < 2 || steps.length > 16) read.fail('steps', 'A card has 2 to 16 steps.');
  else if (steps.some((step, i) => step < 0 || (i > 0 && step <= (steps[i - 1] ?? 0)))) {
    read.fail('steps', 'Each step must be higher than the one before.');
  } else return { form: 'card', steps };
  return null;
}

function readDigital(form: KitForm, read: FormReader<KitForm>): Kit['scale'] {
  return {
    form: 'digital',
    resolution: read.number('resolution', { aboveZero: true }),
    accuracy: read.number('accuracy', { min: 0 }),
    compensated: form.compensated,
  };
}
