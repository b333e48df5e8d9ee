import { strToU8 } from 'fflate';
import * as z from 'zod';
import { EMPTY_LOG, mergeRevisions, type Log } from '../../core/records/log';
import type { Plan } from '../../core/livestock/planner/types';
import { openBytes, openText } from '../../core/sheets/bytes';
import { readWorkbook } from '../../core/sheets/sheet';
import type { Workbook } from '../../core/sheets/workbook';
import { sheetsArchive } from '../../core/sheets/write/archive';
import { readingsCsv } from '../../core/sheets/write/readings';
import { sessionsCsv } from '../../core/sheets/write/sessions';
import { xlsxWorkbook } from '../../core/sheets/xlsx';
import { sheetRequestSchema, type ReadRequest, type SheetAnswer, type WrittenAs } from './messages';

// Without eval, which the content policy forbids, Zod's own compiler would only report violations.
z.config({ jitless: true });

const WRITERS: Record<WrittenAs, (log: Log, plans: readonly Plan[]) => Uint8Array> = {
  tests: (log) => strToU8(readingsCsv(log)),
  sessions: (log) => strToU8(sessionsCsv(log)),
  all: sheetsArchive,
};

/** Reads spreadsheets and writes logs as some; keeps the last one read, which is read anew in other ways. */
export class SheetDesk {
  private workbook: Workbook | null = null;

  async answer(data: unknown, tell: (message: SheetAnswer) => void): Promise<void> {
    const request = sheetRequestSchema.safeParse(data);
    if (!request.success) tell({ kind: 'refused', why: 'It was asked for in no way known.' });
    else if (request.data.ask === 'read') await this.read(request.data, tell);
    else {
      const { as, revisions, plans } = request.data;
      const bytes = WRITERS[as](mergeRevisions(EMPTY_LOG, revisions), plans);
      tell({ kind: 'written', bytes: bytes as Uint8Array<ArrayBuffer> });
    }
  }

  private async read(
    { source, mapping, context }: ReadRequest,
    tell: (message: SheetAnswer) => void,
  ): Promise<void> {
    if (source.from !== 'before') {
      const opened =
        source.from === 'file'
          ? await openBytes(source.bytes, xlsxWorkbook)
          : openText(source.text);
      if (!opened.ok) return tell({ kind: 'refused', why: opened.why });
      this.workbook = opened.workbook;
    }
    if (!this.workbook) return tell({ kind: 'refused', why: 'Choose the file once more.' });
    const progress = (share: number) => tell({ kind: 'progress', share });
    tell({ kind: 'read', result: readWorkbook(this.workbook, mapping, context, progress) });
  }
}
