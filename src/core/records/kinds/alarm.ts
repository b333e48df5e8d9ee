import * as z from 'zod';
import { ALARM_IDS } from '../../monitor/alarms/alarmIds';
import { alarmTitle, alarmWorst } from '../../monitor/alarms/alarmWords';
import { timeWords } from '../../time/words';
import { instant } from '../../time/zone';
import { anyNumber, idSchema, instantSchema } from '../common';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank } from './kind';

/** Alarms that one entry holds of what was found afterwards. */
export const MOST_PAST = 100;
const pastSchema = z.strictObject({
  alarm: z.enum(ALARM_IDS),
  at: instantSchema,
  until: instantSchema.optional(),
  worst: anyNumber.optional(),
});

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
  /** What was found afterwards, in what was measured while nobody was connected: none of it rang. */
  past: z.array(pastSchema).min(1).max(MOST_PAST).optional(),
});

/** A monitor rang, or would have. */
export const alarm = defineKind({
  schema,
  subject: 'tank',
  name: 'alarm',
  counted: ['alarm', 'alarms'],
  reported: true,
  title: (entry) => (entry.past ? 'Alarms found afterwards' : alarmTitle(entry.alarm)),
  line: ({ alarm: id, worst, past }, { zone }) =>
    past
      ? past
          .map((one) => `${alarmTitle(one.alarm)} at ${timeWords(instant(one.at), zone)}`)
          .join('; ')
      : alarmWorst(id, worst),
  touches: () => [],
  cycle: () => NO_EFFECT,
});
