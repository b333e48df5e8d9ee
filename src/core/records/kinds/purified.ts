import * as z from 'zod';
import { formatPlain } from '../../units/format';
import { nonNegative, positive } from '../common';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank } from './kind';

const schema = z.strictObject({
  kind: z.literal('purified'),
  ...ofTank,
  /** Purified water made, L. */
  litres: positive,
  /** Time it ran, minutes. */
  minutes: positive.optional(),
  /** Water that ran to waste meanwhile, L. */
  waste: nonNegative.optional(),
  /** Dissolved solids, mg/L as the pen shows them: of the tap, after the membrane, after the resin. */
  tds: z
    .strictObject({
      tap: nonNegative.optional(),
      membrane: nonNegative.optional(),
      resin: nonNegative.optional(),
    })
    .optional(),
});

/** Purified water made, and what its unit showed. */
export const purified = defineKind({
  schema,
  subject: 'tank',
  name: 'purified water',
  counted: ['purified water entry', 'purified water entries'],
  reported: false,
  title: () => 'Purified water',
  line: ({ litres, minutes, tds }) =>
    [
      `${formatPlain(litres, 2)} L`,
      minutes === undefined ? '' : `in ${formatPlain(minutes, 1)} min`,
      tds?.resin === undefined ? '' : `TDS ${formatPlain(tds.resin, 1)} at the end`,
    ]
      .filter(Boolean)
      .join(', '),
  touches: () => ['supplies'],
  cycle: () => NO_EFFECT,
});
