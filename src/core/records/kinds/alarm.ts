import * as z from 'zod';
import { ALARM_IDS } from '../../monitor/alarmIds';
import { alarmTitle, alarmWorst } from '../../monitor/alarmWords';
import { anyNumber, idSchema, instantSchema } from '../common';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank } from './kind';

const schema = z.strictObject({
  kind: z.literal('alarm'),
  ...ofTank,
  connectionId: idSchema,
  alarm: z.enum(ALARM_IDS),
  /** The value farthest from what it should be, canonical; none for a switch. */
  worst: anyNumber.optional(),
  /** When it had passed; left out while it goes on. */
  until: instantSchema.optional(),
  /** When somebody said that it was seen. */
  seenAt: instantSchema.optional(),
  /** It was found afterwards, in what was measured while nobody was connected, and never rang. */
  past: z.literal(true).optional(),
});
export type AlarmEntry = z.infer<typeof schema>;

/** A monitor rang. */
export const alarm = defineKind({
  schema,
  subject: 'tank',
  name: 'alarm',
  counted: ['alarm', 'alarms'],
  reported: true,
  title: (entry) => alarmTitle(entry.alarm),
  line: ({ alarm: id, worst, past }) =>
    [alarmWorst(id, worst), past ? 'found afterwards, did not ring' : '']
      .filter(Boolean)
      .join(', '),
  touches: () => [],
  cycle: () => NO_EFFECT,
});
