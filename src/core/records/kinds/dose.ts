import * as z from 'zod';
import { toCanonical } from '../../parameters/convert';
import type { ParameterId } from '../../parameters/registry';
import { DEFAULT_DROP_ML, MOLAR_MASS } from '../../units/constants';
import { formatPlain, formatSignificant } from '../../units/format';
import { linearToCanonical } from '../../units/units';
import { unreachable } from '../../unreachable';
import { daySchema, labelSchema, positive, quantityOf } from '../common';
import { NO_EFFECT, type CycleEffect } from './effect';
import { defineKind, ofTank } from './kind';

export const DOSE_SUBSTANCES = [
  'ammoniumChloride',
  'householdAmmonia',
  'bacteria',
  'alkalinity',
  'calcium',
  'magnesium',
  'twoPart',
  'kalk',
  'traces',
  'ammoniaBinder',
  'other',
] as const;
export type DoseSubstance = (typeof DOSE_SUBSTANCES)[number];

/** What the label of an ammonia bottle says, in whichever way it says it. */
export const doseStrengthSchema = z.discriminatedUnion('by', [
  /** `amount` drops or mL in `litres` of water read `gives` on the label's basis. */
  z.strictObject({
    by: z.literal('label'),
    amount: positive,
    unit: z.enum(['drop', 'mL']),
    litres: positive,
    gives: positive,
    basis: z.enum(['ammonia N', 'ammonia NH3', 'ammonia NH4']),
  }),
  /** Grams in 100 mL. */
  z.strictObject({ by: z.literal('percent'), percent: z.number().positive().max(100) }),
  /** The dry salt itself. */
  z.strictObject({ by: z.literal('pure') }),
]);
export type DoseStrength = z.infer<typeof doseStrengthSchema>;

/** What is known of a bottle of bacteria; kept cold, or not, and how old, decides what is left alive. */
export const bottleSchema = z.strictObject({
  keeps: z.enum(['refrigerated', 'shelfStable', 'unknown']),
  /** Whether it stood in a fridge since it was bought. */
  storedCold: z.boolean(),
  /** The day it was made, or bought if that is all one knows. */
  madeOn: daySchema.nullable(),
  /** Litres that this amount is for by its label; null when it does not say. */
  forLitres: positive.nullable(),
});
export type Bottle = z.infer<typeof bottleSchema>;

const schema = z.strictObject({
  kind: z.literal('dose'),
  ...ofTank,
  substance: z.enum(DOSE_SUBSTANCES),
  amount: z.discriminatedUnion('by', [
    z.strictObject({ by: z.literal('drops'), drops: positive, dropMl: positive }),
    z.strictObject({ by: z.literal('mL'), mL: positive }),
    z.strictObject({ by: z.literal('grams'), grams: positive }),
    /** The rise aimed at, where nobody counted. */
    z.strictObject({ by: z.literal('target'), rise: quantityOf('ammonia') }),
  ]),
  /** Of ammonia sources only; null when nobody knows. */
  strength: doseStrengthSchema.nullable(),
  /** Counted roughly. */
  about: z.boolean(),
  /** What the keeper calls it, for substances without a strength. */
  product: labelSchema.optional(),
  /** Of bottled bacteria only. */
  bottle: bottleSchema.optional(),
});
export type DoseEntry = z.infer<typeof schema>;

interface Substance {
  name: string;
  /** Parameters that it moves. */
  moves: readonly ParameterId[];
  /** What it does to a cycle. */
  cycle: CycleEffect;
}

const AMMONIA = ['ammonia', 'nitrite', 'nitrate', 'alkalinity'] as const;

const SUBSTANCES: Record<DoseSubstance, Substance> = {
  ammoniumChloride: {
    name: 'Ammonium chloride',
    moves: AMMONIA,
    cycle: { nitrogen: 'now' },
  },
  householdAmmonia: {
    name: 'Household ammonia',
    moves: AMMONIA,
    cycle: { nitrogen: 'now' },
  },
  bacteria: {
    name: 'Bottled bacteria',
    moves: ['ammonia', 'nitrite', 'nitrate'],
    cycle: { filterBacteria: { is: 'brought' } },
  },
  alkalinity: {
    name: 'Alkalinity',
    moves: ['alkalinity', 'ph'],
    cycle: NO_EFFECT,
  },
  calcium: {
    name: 'Calcium',
    moves: ['calcium'],
    cycle: NO_EFFECT,
  },
  magnesium: {
    name: 'Magnesium',
    moves: ['magnesium'],
    cycle: NO_EFFECT,
  },
  twoPart: {
    name: 'Two-part',
    moves: ['alkalinity', 'calcium', 'ph'],
    cycle: NO_EFFECT,
  },
  kalk: {
    name: 'Kalk (lime water)',
    moves: ['alkalinity', 'calcium', 'ph'],
    cycle: NO_EFFECT,
  },
  traces: {
    name: 'Trace elements',
    moves: [],
    cycle: NO_EFFECT,
  },
  ammoniaBinder: {
    name: 'Ammonia binder',
    moves: ['ammonia'],
    cycle: { binds: true },
  },
  other: {
    name: 'Something else',
    moves: [],
    cycle: NO_EFFECT,
  },
};

export const substanceName = (substance: DoseSubstance) => SUBSTANCES[substance].name;
/** Whether a dose of it moves a parameter. */
export const substanceMoves = (substance: DoseSubstance, parameter: ParameterId) =>
  SUBSTANCES[substance].moves.includes(parameter);

/** Substances that add ammonia for the filter bacteria to clear. */
export function isAmmoniaSource(substance: DoseSubstance): boolean {
  return SUBSTANCES[substance].cycle.nitrogen === 'now';
}

/** mg of N in one gram of the source's active compound. */
function nitrogenPerGram(substance: DoseSubstance): number {
  const molar = substance === 'householdAmmonia' ? MOLAR_MASS.NH3 : MOLAR_MASS.NH4Cl;
  return (1000 * MOLAR_MASS.N) / molar;
}

function millilitres(amount: DoseEntry['amount']): number | null {
  if (amount.by === 'mL') return amount.mL;
  if (amount.by === 'drops') return amount.drops * amount.dropMl;
  return null;
}

function nitrogenByLabel(
  amount: DoseEntry['amount'],
  label: Extract<DoseStrength, { by: 'label' }>,
): number | null {
  const dropMl = amount.by === 'drops' ? amount.dropMl : DEFAULT_DROP_ML;
  const mL = millilitres(amount);
  if (mL === null) return null;
  const given = label.unit === 'mL' ? mL : amount.by === 'drops' ? amount.drops : mL / dropMl;
  const perUnit = (linearToCanonical(label.gives, label.basis) * label.litres) / label.amount;
  return given * perUnit;
}

/**
 * Nitrogen that a dose of an ammonia source carries, mg N; null when amount and strength do not
 * say. A solution's percentage is grams in 100 mL of ammonium chloride, or of NH3 for household
 * ammonia.
 */
export function doseNitrogen(
  dose: Pick<DoseEntry, 'substance' | 'amount' | 'strength'>,
  netLitres: number,
): number | null {
  if (!isAmmoniaSource(dose.substance)) return null;
  const { amount, strength } = dose;
  if (amount.by === 'target') {
    return toCanonical(amount.rise.value, amount.rise.unit) * netLitres;
  }
  if (!strength) return null;
  switch (strength.by) {
    case 'label':
      return nitrogenByLabel(amount, strength);
    case 'percent': {
      const mL = millilitres(amount);
      return mL === null ? null : (mL * strength.percent * nitrogenPerGram(dose.substance)) / 100;
    }
    case 'pure':
      return amount.by === 'grams' ? amount.grams * nitrogenPerGram(dose.substance) : null;
    default:
      return unreachable(strength);
  }
}

/** Rise of total ammonia that a dose makes in the tank, mg N/L; null when it cannot be known. */
export function doseRise(
  dose: Pick<DoseEntry, 'substance' | 'amount' | 'strength'>,
  netLitres: number,
): number | null {
  const nitrogen = doseNitrogen(dose, netLitres);
  return nitrogen === null ? null : nitrogen / netLitres;
}

/** From so many drops on nobody counts them: they were measured, and are told in mL as well. */
const COUNTED_DROPS = 60;

function amountWords(amount: DoseEntry['amount']): string {
  switch (amount.by) {
    case 'drops':
      return amount.drops < COUNTED_DROPS
        ? `${formatPlain(amount.drops)} drops`
        : `${formatPlain(amount.drops)} drops (${formatSignificant(amount.drops * amount.dropMl, 2)} mL)`;
    case 'mL':
      return `${formatPlain(amount.mL)} mL`;
    case 'grams':
      return `${formatPlain(amount.grams)} g`;
    case 'target':
      return 'by the rise';
    default:
      return unreachable(amount);
  }
}

/** Something measured out of a bottle or a bag. */
export const dose = defineKind({
  schema,
  subject: 'tank',
  name: 'dose',
  counted: ['dose', 'doses'],
  reported: true,
  title: (entry) => substanceName(entry.substance),
  line: (entry, { netLitres }) => {
    const rise = netLitres === null ? null : doseRise(entry, netLitres);
    return [
      amountWords(entry.amount),
      rise === null ? '' : `raises ammonia by ${formatPlain(rise, 1)} ppm N`,
    ]
      .filter(Boolean)
      .join(', ');
  },
  touches: (entry) => SUBSTANCES[entry.substance].moves,
  cycle: (entry) => SUBSTANCES[entry.substance].cycle,
});
