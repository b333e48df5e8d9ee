import * as z from 'zod';

/** A copy of the log within this browser: when, how much, and the chunks that hold it, which copies share. */
export const snapshotSchema = z.object({
  id: z.string().min(1).max(80),
  /** ms */
  at: z.number(),
  /** Revisions and live entries in it. */
  size: z.int().min(0),
  entries: z.int().min(0),
  chunks: z.array(z.object({ hash: z.string(), bytes: z.int().min(0) })),
});
export type Snapshot = z.infer<typeof snapshotSchema>;
