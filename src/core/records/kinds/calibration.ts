import * as z from 'zod';
import { formatSignificant } from '../../units/format';
import { unitSymbol, type Unit } from '../../units/units';
import { anyNumber, idSchema, unitSchema } from '../common';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank } from './kind';

const pointSchema = z.strictObject({
  /** What the standard is, in the unit of the entry. */
  standard: anyNumber,
  /** What the instrument showed in it, before anything was set. */
  read: anyNumber,
});

const schema = z.strictObject({
  kind: z.literal('calibration'),
  ...ofTank,
  kitId: idSchema,
  unit: unitSchema,
  /** One standard gives an offset, two a slope as well. */
  points: z
    .array(pointSchema)
    .min(1)
    .max(2)
    .refine(
      ([first, second]) => second === undefined || first?.standard !== second.standard,
      'have the same standard twice',
    ),
  /** Whether it was then set to show the standards; otherwise it goes on being off by as much. */
  adjusted: z.boolean(),
});
export type CalibrationEntry = z.infer<typeof schema>;

/** "read 36.2 in 35 ppt". */
export function pointWords({ standard, read }: CalibrationEntry['points'][number], unit: Unit) {
  return `read ${formatSignificant(read, 5)} in ${formatSignificant(standard, 5)} ${unitSymbol(unit)}`.trim();
}

/** An instrument held against standards. */
export const calibration = defineKind({
  schema,
  subject: 'tank',
  name: 'calibration',
  counted: ['calibration', 'calibrations'],
  reported: false,
  title: () => 'Calibration',
  line: ({ kitId, points, unit, adjusted }, { kitOf }) =>
    [
      kitOf(kitId)?.name ?? '',
      ...points.map((point) => pointWords(point, unit)),
      adjusted ? 'set right' : 'left as it is',
    ]
      .filter(Boolean)
      .join(', '),
  touches: () => ['equipment'],
  cycle: () => NO_EFFECT,
});
