import * as z from 'zod';
import { instantSchema, labelSchema } from '../common';
import { keySchema } from '../keys';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank, type WordsOf } from './kind';

export const TASK_MARKS = ['done', 'skipped', 'snoozed'] as const;
export type TaskMarkHow = (typeof TASK_MARKS)[number];

export const TITLE_LETTERS = 200;

const schema = z.strictObject({
  kind: z.literal('taskMark'),
  ...ofTank,
  /** The occurrence it is about, by its key. */
  task: keySchema,
  /** What it was called. */
  title: z.string().min(1).max(TITLE_LETTERS),
  how: z.enum(TASK_MARKS),
  /** Of one that was snoozed: until when. */
  until: instantSchema.optional(),
  /** Of one that was skipped: why. */
  reason: labelSchema.optional(),
});
export type TaskMarkEntry = z.infer<typeof schema>;

export const TASK_MARK_WORDS: WordsOf<TaskMarkHow> = {
  done: 'Done',
  skipped: 'Skipped',
  snoozed: 'Put off',
};

/** What was said of a task that no other entry settles. */
export const taskMark = defineKind({
  schema,
  subject: 'tank',
  name: 'task',
  counted: ['task', 'tasks'],
  reported: false,
  title: (entry) => entry.title,
  line: ({ how, reason }) =>
    [TASK_MARK_WORDS[how].toLowerCase(), reason ?? ''].filter(Boolean).join(': '),
  touches: () => [],
  cycle: () => NO_EFFECT,
});
