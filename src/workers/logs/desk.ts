import * as z from 'zod';
import { openFile } from '../../core/carry/openFile';
import { logRequestSchema, type LogAnswer } from './messages';

// Without eval, which the content policy forbids, Zod's own compiler would only report violations.
z.config({ jitless: true });

/** Records handed to the page at once: more would hold it up while it takes them in. */
const AT_ONCE = 1000;

/** Opens a file of records away from the page, and hands over what is in it a part at a time. */
export function answerLogs(data: unknown, tell: (message: LogAnswer) => void): void {
  const request = logRequestSchema.safeParse(data);
  if (!request.success) {
    return tell({ kind: 'refused', why: 'It was asked for in no way known.' });
  }
  const opened = openFile(request.data.bytes, (share) => tell({ kind: 'progress', share }));
  if (opened.kind !== 'records') return tell(opened);
  const { records, ...rest } = opened;
  for (let from = 0; from < records.length; from += AT_ONCE) {
    tell({ kind: 'some', records: records.slice(from, from + AT_ONCE) });
  }
  tell(rest);
}
