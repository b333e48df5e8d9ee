import * as z from 'zod';
import { withUnit } from '../../parameters/convert';
import { formatPlain } from '../../units/format';
import { positive, quantityOf } from '../common';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank } from './kind';

const schema = z.strictObject({
  kind: z.literal('topOff'),
  ...ofTank,
  litres: positive,
  /** Salinity of what was added, when it was not fresh water. */
  salinity: quantityOf('salinity').optional(),
});

/** Water that replaced what evaporated. */
export const topOff = defineKind({
  schema,
  subject: 'tank',
  name: 'top-off',
  counted: ['top-off', 'top-offs'],
  reported: false,
  title: () => 'Top-off',
  line: ({ litres, salinity }) =>
    `${formatPlain(litres, 2)} L ${
      salinity ? `at ${withUnit(formatPlain(salinity.value, 4), salinity.unit)}` : 'fresh'
    }`,
  touches: () => ['salinity'],
  cycle: () => NO_EFFECT,
});
