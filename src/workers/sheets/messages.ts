import * as z from 'zod';
import { mappingSchema } from '../../core/sheets/mapping';
import type { Plan } from '../../core/livestock/planner/types';
import type { Revision } from '../../core/records/schema/revision';
import { sheetContextSchema } from '../../core/sheets/contextSchema';
import type { SheetReadingResult } from '../../core/sheets/sheet';

/** What a spreadsheet is read from: a file, pasted cells, or the one that was read before. */
const sourceSchema = z.discriminatedUnion('from', [
  z.object({ from: z.literal('file'), bytes: z.instanceof(Uint8Array) }),
  z.object({ from: z.literal('paste'), text: z.string() }),
  z.object({ from: z.literal('before') }),
]);
export type SheetSource = z.infer<typeof sourceSchema>;

const readRequestSchema = z.object({
  ask: z.literal('read'),
  source: sourceSchema,
  mapping: mappingSchema.nullable(),
  context: sheetContextSchema,
});
/** Heads of a log that was read by its whole schema when it was opened. */
const revisionShape = z.custom<Revision>(
  (value) => z.looseObject({ id: z.string(), type: z.string() }).safeParse(value).success,
);
/** Plans as the page has them from the worker that made them. */
const planShape = z.custom<Plan>(
  (value) =>
    z.looseObject({ tankId: z.string(), items: z.array(z.unknown()) }).safeParse(value).success,
);

const writeRequestSchema = z.object({
  ask: z.literal('write'),
  as: z.enum(['tests', 'sessions', 'all']),
  revisions: z.array(revisionShape),
  plans: z.array(planShape),
});

/** One question to the worker of sheets: to read one, or to write a log as some. */
export const sheetRequestSchema = z.discriminatedUnion('ask', [
  readRequestSchema,
  writeRequestSchema,
]);
export type SheetRequest = z.infer<typeof sheetRequestSchema>;
export type ReadRequest = z.infer<typeof readRequestSchema>;
export type WrittenAs = z.infer<typeof writeRequestSchema>['as'];

/** What the screen relies on, so that a damaged answer is refused and not shown. */
const resultShape = z.looseObject({
  mapping: mappingSchema,
  questions: z.array(z.looseObject({ key: z.string() })),
  columns: z.array(z.looseObject({ heading: z.string() })),
  readings: z.array(z.looseObject({ id: z.string(), at: z.string() })),
  refused: z.array(z.looseObject({ why: z.string() })),
});

/** What the worker says: how far it is, what it read or wrote, or why it did neither. */
export const sheetAnswerSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('progress'), share: z.number() }),
  z.object({ kind: z.literal('refused'), why: z.string() }),
  z.object({
    kind: z.literal('read'),
    result: z.custom<SheetReadingResult>((value) => resultShape.safeParse(value).success),
  }),
  z.object({ kind: z.literal('written'), bytes: z.instanceof(Uint8Array) }),
]);
export type SheetAnswer = z.infer<typeof sheetAnswerSchema>;
