import * as z from 'zod';
import { formatFixed } from '../../units/format';
import { defineKind, ofTank } from './kind';

/** The day water went into the tank. */
export const filled = defineKind({
  schema: z.strictObject({ kind: z.literal('filled'), ...ofTank }),
  subject: 'tank',
  name: 'filling',
  title: () => 'Filled',
  line: () => '',
  touches: () => [],
});

/** Since when the keeper says it is cycled and runs, for a tank that ran before its log began. */
export const running = defineKind({
  schema: z.strictObject({ kind: z.literal('running'), ...ofTank }),
  subject: 'tank',
  name: 'running',
  title: () => 'Running',
  line: () => 'cycled, with animals, from here on',
  touches: () => [],
});

/** A lid or mesh that a jumping fish cannot pass, fitted or taken off. */
export const lid = defineKind({
  schema: z.strictObject({ kind: z.literal('lid'), ...ofTank, fitted: z.boolean() }),
  subject: 'tank',
  name: 'lid',
  title: (entry) => (entry.fitted ? 'Lid fitted' : 'Lid off'),
  line: () => '',
  touches: () => ['equipment'],
});

/** The heater held against a thermometer. */
export const heaterCheck = defineKind({
  schema: z.strictObject({
    kind: z.literal('heaterCheck'),
    ...ofTank,
    /** What its dial said beyond what the thermometer read, °C; negative where the water was warmer. */
    offset: z.number().min(-20).max(20).optional(),
  }),
  subject: 'tank',
  name: 'heater check',
  title: () => 'Heater verified',
  line: ({ offset }) =>
    offset === undefined
      ? 'held against a thermometer'
      : offset === 0
        ? 'its dial agrees with the thermometer'
        : `its dial says ${formatFixed(Math.abs(offset), 1)} °C too ${offset > 0 ? 'much' : 'little'}`,
  touches: () => ['equipment'],
});
