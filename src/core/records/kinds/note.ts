import * as z from 'zod';
import { textSchema } from '../common';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank } from './kind';

const schema = z.strictObject({ kind: z.literal('note'), ...ofTank, text: textSchema });

/** Whatever one wants to find again. */
export const note = defineKind({
  schema,
  subject: 'tank',
  name: 'note',
  counted: ['note', 'notes'],
  reported: false,
  title: () => 'Note',
  line: (entry) => entry.text,
  touches: () => [],
  cycle: () => NO_EFFECT,
});
