import * as z from 'zod';
import { amountForRise, MOST_AMMONIA, organicsForRise } from '@/core/cycle/dosing/amount';
import type { DoseEntry, DoseStrength } from '@/core/records/kinds/dose';
import { FOODS } from '@/core/records/kinds/feed';
import type { EntryBody } from '@/core/records/kinds';
import { linearToCanonical } from '@/core/units/units';
import { FormReader, type FormErrors } from '@/forms/reader';
import { EMPTY_STRENGTH, readStrength, strengthShape } from '@/forms/strengthForm';

/** What can be dosed with, and how its strength is known. */
export const doseToolSchema = z.object({
  what: z.enum(['ammoniumChloride', 'householdAmmonia', 'prawn', 'food']),
  food: z.enum(FOODS),
  strengthBy: z.enum(['label', 'percent', 'pure']),
  rise: z.string(),
  ...strengthShape,
});
export type DoseToolForm = z.infer<typeof doseToolSchema>;

export const EMPTY_DOSE_TOOL: DoseToolForm = {
  what: 'ammoniumChloride',
  food: 'pellets',
  strengthBy: 'label',
  rise: '2',
  ...EMPTY_STRENGTH,
};

export function isLiquid(form: DoseToolForm): boolean {
  return form.what === 'ammoniumChloride' || form.what === 'householdAmmonia';
}

export type DoseToolResult =
  | {
      ok: true;
      /** mg N/L. */
      rise: number;
      drops: number | null;
      mL: number | null;
      grams: number | null;
      dropMl: number;
      strength: DoseStrength | null;
      /** More than is ever good for filter bacteria, with what is in the water. */
      tooMuch: boolean;
    }
  | { ok: false; errors: FormErrors<DoseToolForm> };

/**
 * What has to be measured out for the rise asked for.
 * @param there mg N/L already in the water
 */
export function readDoseTool(form: DoseToolForm, netLitres: number, there: number): DoseToolResult {
  const read = new FormReader(form);
  const rise = linearToCanonical(read.number('rise', { aboveZero: true, max: 20 }), form.basis);
  const tooMuch = rise + there > MOST_AMMONIA;
  if (!isLiquid(form)) {
    if (!read.ok) return { ok: false, errors: read.errors };
    const grams = organicsForRise(rise, netLitres, form.what === 'food' ? form.food : 'prawn');
    return { ok: true, rise, drops: null, mL: null, grams, dropMl: 0, strength: null, tooMuch };
  }
  const perMl = read.number('dropsPerMl', { min: 5, max: 60 });
  const strength = readStrength(form.strengthBy, form, read);
  if (!read.ok) return { ok: false, errors: read.errors };
  const dropMl = 1 / perMl;
  const substance = form.what === 'householdAmmonia' ? 'householdAmmonia' : 'ammoniumChloride';
  const amount = amountForRise(rise, netLitres, { substance, strength }, dropMl);
  return {
    ok: true,
    rise,
    drops: amount?.drops ?? null,
    mL: amount?.mL ?? null,
    grams: amount?.grams ?? null,
    dropMl,
    strength,
    tooMuch,
  };
}

/** What is known of the bottle, in a line: "20 drops in 10 L make 2 ppm NH4". */
export function strengthWords(form: DoseToolForm): string {
  switch (form.strengthBy) {
    case 'label': {
      const unit = form.labelUnit === 'drop' ? 'drops' : 'mL';
      const basis = form.basis.replace('ammonia ', '');
      return `By its label: ${form.labelAmount} ${unit} in ${form.labelLitres} L make ${form.labelGives} ppm ${basis}; ${form.dropsPerMl} drops in one mL.`;
    }
    case 'percent':
      return `${form.percent} %; ${form.dropsPerMl} drops in one mL.`;
    case 'pure':
      return 'The dry salt.';
  }
}

/** What this tool logs, before it has its tank and its time. */
export type Dosed = EntryBody<'dose' | 'organics' | 'feed'>;

function dosedAmount(
  result: Extract<DoseToolResult, { ok: true }>,
  counted: number | null,
): DoseEntry['amount'] | null {
  if (result.grams !== null) return { by: 'grams', grams: Number(result.grams.toPrecision(4)) };
  if (counted !== null && counted > 0) {
    return { by: 'drops', drops: counted, dropMl: result.dropMl };
  }
  return result.mL === null ? null : { by: 'mL', mL: Number(result.mL.toPrecision(4)) };
}

/** The entry of what was measured out by this tool: by counted drops, by mL, or by weight. */
export function doseEntryOf(
  form: DoseToolForm,
  result: Extract<DoseToolResult, { ok: true }>,
  counted: number | null,
): Dosed | null {
  const amount = dosedAmount(result, counted);
  if (!amount) return null;
  switch (form.what) {
    case 'ammoniumChloride':
    case 'householdAmmonia':
      return {
        kind: 'dose',
        substance: form.what,
        amount,
        strength: result.strength,
        about: false,
      };
    case 'prawn':
      return amount.by === 'grams'
        ? { kind: 'organics', action: { what: 'prawnIn', grams: amount.grams } }
        : null;
    case 'food':
      return amount.by === 'grams'
        ? { kind: 'feed', food: form.food, amount: { by: 'grams', grams: amount.grams } }
        : null;
  }
}
