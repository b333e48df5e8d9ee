import * as z from 'zod';
import { toCanonical } from '../../parameters/convert';
import { formatPlain } from '../../units/format';
import { positive, quantityOf } from '../common';
import { HARMED, NO_EFFECT, SLOWED, type CycleEffect } from './effect';
import { defineKind, ofTank, type WordsOf } from './kind';

export const KEPT = ['flowing', 'still', 'damp', 'closed', 'dry'] as const;
export type Kept = (typeof KEPT)[number];

const schema = z.strictObject({
  kind: z.literal('standstill'),
  ...ofTank,
  /** Hours that rock and media went without the flow they are used to. */
  hours: positive,
  kept: z.enum(KEPT),
  /** How warm they were meanwhile. */
  temperature: quantityOf('temperature').optional(),
});
export type StandstillEntry = z.infer<typeof schema>;

export const KEPT_WORDS: WordsOf<Kept> = {
  flowing: 'under water that a pump or an air stone moved',
  still: 'under water that stood still',
  damp: 'damp, out of the water',
  closed: 'wet in a closed filter or bag',
  dry: 'dry',
};

/**
 * Hours after which filter bacteria work more slowly, and after which they may be dead, at up to 28 °C; half of them
 * where it was warmer. Judgement on the careful side: what lies in water lives by the oxygen in it, and what
 * is closed in uses it up within hours and rots.
 */
const HOURS: Record<Kept, { slow: number; harm: number }> = {
  flowing: { slow: 72, harm: Infinity },
  still: { slow: 8, harm: 24 },
  damp: { slow: 4, harm: 24 },
  closed: { slow: 1, harm: 4 },
  dry: { slow: 0, harm: 1 },
};
const WARM = 28;

function effectOf({ hours, kept, temperature }: StandstillEntry): CycleEffect {
  const celsius = temperature ? toCanonical(temperature.value, temperature.unit) : null;
  const counted = celsius !== null && celsius > WARM ? hours * 2 : hours;
  const { slow, harm } = HOURS[kept];
  if (counted >= harm) return HARMED;
  return counted >= slow ? SLOWED : NO_EFFECT;
}

/** Rock and media without their flow: a power cut, a pump that stood still, a move. */
export const standstill = defineKind({
  schema,
  subject: 'tank',
  name: 'time without flow',
  counted: ['time without flow', 'times without flow'],
  reported: true,
  title: () => 'Without flow',
  line: ({ hours, kept }) => `${formatPlain(hours, 1)} h, ${KEPT_WORDS[kept]}`,
  touches: () => ['equipment', 'ammonia', 'nitrite'],
  cycle: effectOf,
});
