import * as z from 'zod';
import { withUnit } from '../../parameters/convert';
import { formatPlain, formatSignificant } from '../../units/format';
import { labelSchema, positive, quantityOf } from '../common';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank } from './kind';

const schema = z.strictObject({
  kind: z.literal('saltMix'),
  ...ofTank,
  /** Fresh water that the salt went into, L. */
  litres: positive,
  /** Salt in all, g: cups are weighed, so they are grams as well. */
  grams: positive,
  /** What was measured once it was clear. */
  salinity: quantityOf('salinity').optional(),
  product: labelSchema.optional(),
});

/** New salt water, mixed apart from the tank. */
export const saltMix = defineKind({
  schema,
  subject: 'tank',
  name: 'salt mix',
  counted: ['salt mix', 'salt mixes'],
  reported: false,
  title: () => 'Salt water mixed',
  line: ({ litres, grams, salinity }) =>
    `${formatPlain(litres, 2)} L with ${formatSignificant(grams, 4)} g${
      salinity ? `, came to ${withUnit(formatPlain(salinity.value, 4), salinity.unit)}` : ''
    }`,
  touches: () => ['supplies'],
  cycle: () => NO_EFFECT,
});
