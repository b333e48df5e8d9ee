import * as z from 'zod';
import { ALARM_IDS } from '../../monitor/alarms/alarmIds';
import { INSTRUMENT_KINDS, INSTRUMENT_NAME } from '../../monitor/instrumentKinds';
import { anyNumber, idSchema, nameSchema, parameterSchema } from '../common';

/** How a keeper wants an alarm: not at all, beyond another figure, after another time. */
export const alarmChoiceSchema = z.strictObject({
  off: z.literal(true).optional(),
  /** In the canonical unit of what it watches. */
  beyond: anyNumber.optional(),
  minutes: z.number().min(0).max(1440).optional(),
});
export type AlarmChoice = z.infer<typeof alarmChoiceSchema>;

/** An instrument that was paired, at the tank it measures. Its token is no part of it and stays in the browser. */
export const connectionSchema = z.strictObject({
  tankId: idSchema,
  name: nameSchema,
  kind: z.enum(INSTRUMENT_KINDS),
  /** Its name in the addresses of the server. */
  instrument: z.string().regex(INSTRUMENT_NAME),
  /** The meter that stands for each thing it reads. */
  kits: z.partialRecord(parameterSchema, idSchema),
  alarms: z.partialRecord(z.enum(ALARM_IDS), alarmChoiceSchema),
  /** It is no longer read. */
  ended: z.literal(true).optional(),
});
