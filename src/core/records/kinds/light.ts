import * as z from 'zod';
import { formatPlain } from '../../units/format';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank } from './kind';

const schema = z.strictObject({
  kind: z.literal('light'),
  ...ofTank,
  state: z.enum(['on', 'off']),
  hoursADay: z.number().positive().max(24).optional(),
});

/** The light switched on for good, or off. */
export const light = defineKind({
  schema,
  subject: 'tank',
  name: 'light',
  counted: ['change of the light', 'changes of the light'],
  reported: true,
  title: (entry) => `Light ${entry.state}`,
  line: (entry) => (entry.hoursADay ? `${formatPlain(entry.hoursADay)} h a day` : ''),
  touches: () => ['growth'],
  cycle: () => NO_EFFECT,
});
