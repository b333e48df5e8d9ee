import * as z from 'zod';
import { formatFixed } from '../../units/format';
import { toCanonical } from '../../parameters/convert';
import { quantityOf, type Quantity } from '../common';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank } from './kind';

/** The day water went into the tank. */
export const filled = defineKind({
  schema: z.strictObject({ kind: z.literal('filled'), ...ofTank }),
  subject: 'tank',
  name: 'filling',
  counted: ['filling', 'fillings'],
  reported: true,
  title: () => 'Filled',
  line: () => '',
  touches: () => [],
  cycle: () => ({ filterBacteria: { is: 'begun' } }),
});

/** Since when the keeper says it is cycled and runs, for a tank that ran before its log began. */
export const running = defineKind({
  schema: z.strictObject({ kind: z.literal('running'), ...ofTank }),
  subject: 'tank',
  name: 'running',
  counted: ['running entry', 'running entries'],
  reported: true,
  title: () => 'Running',
  line: () => 'cycled, with animals, from here on',
  touches: () => [],
  // A keeper's word is no food for filter bacteria, and no test of it.
  cycle: () => NO_EFFECT,
});

/** A tank that was taken down. */
export const closed = defineKind({
  schema: z.strictObject({ kind: z.literal('closed'), ...ofTank }),
  subject: 'tank',
  name: 'closing',
  counted: ['closing', 'closings'],
  reported: true,
  title: () => 'Closed',
  line: () => 'taken down; its log is kept',
  touches: () => [],
  cycle: () => ({ filterBacteria: { is: 'ended' } }),
});

/** A lid or mesh that a jumping fish cannot pass, fitted or taken off. */
export const lid = defineKind({
  schema: z.strictObject({ kind: z.literal('lid'), ...ofTank, fitted: z.boolean() }),
  subject: 'tank',
  name: 'lid',
  counted: ['change of the lid', 'changes of the lid'],
  reported: true,
  title: (entry) => (entry.fitted ? 'Lid fitted' : 'Lid off'),
  line: () => '',
  touches: () => ['equipment'],
  cycle: () => NO_EFFECT,
});

interface HeaterCheck {
  dial?: Quantity;
  thermometer?: Quantity;
}

/** What the dial says beyond the thermometer, °C; negative where the water was warmer; null unread. */
export function heaterOffset({ dial, thermometer }: HeaterCheck): number | null {
  if (!dial || !thermometer) return null;
  const off = toCanonical(dial.value, dial.unit) - toCanonical(thermometer.value, thermometer.unit);
  return Math.round(off * 100) / 100;
}

/** How a heater stood to its thermometer, in words. */
export function heaterWords(check: HeaterCheck): string {
  const offset = heaterOffset(check);
  if (offset === null) return 'checked against a thermometer';
  if (offset === 0) return 'its dial agrees with the thermometer';
  return `its dial says ${formatFixed(Math.abs(offset), 1)} °C too ${offset > 0 ? 'much' : 'little'}`;
}

/** The heater checked against a thermometer. */
export const heaterCheck = defineKind({
  schema: z.strictObject({
    kind: z.literal('heaterCheck'),
    ...ofTank,
    /** What its dial was set to, and what the thermometer read, each as it was typed. */
    dial: quantityOf('temperature').optional(),
    thermometer: quantityOf('temperature').optional(),
  }),
  subject: 'tank',
  name: 'heater check',
  counted: ['heater check', 'heater checks'],
  reported: true,
  title: () => 'Heater verified',
  line: heaterWords,
  touches: () => ['equipment'],
  cycle: () => NO_EFFECT,
});
