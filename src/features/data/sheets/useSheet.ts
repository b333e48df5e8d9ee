import { useEffect, useState } from 'react';
import * as z from 'zod';
import { mappingSchema, type Mapping } from '@/core/sheets/mapping';
import { sheetContext } from '@/core/sheets/context';
import type { SheetReadingResult } from '@/core/sheets/sheet';
import { useAppStore, useDraft } from '@/store/hooks';
import { selectLog, selectTank } from '@/store/selectors';
import { wallClock } from '@/store/wallClock';
import { keepersOrder } from '@/ui/dates/keepersDates';
import { sheetWorker } from '@/workers/sheets/client';
import type { SheetSource } from '@/workers/sheets/messages';

/** How the sheet of a name was last said to be read: it outlives a reload, which the sheet does not. */
export const MAPPING_DRAFT = 'sheet/mapping';
const draftSchema = z.object({ name: z.string(), mapping: mappingSchema }).nullable();

/** What is known of the sheet in view. */
export interface SheetView {
  name: string;
  result: SheetReadingResult;
}

/** Reads a spreadsheet away from the page, and anew whenever it is to be read in another way. */
export function useSheet() {
  const store = useAppStore();
  const [draft, setDraft] = useDraft(MAPPING_DRAFT, draftSchema, null);
  const [worker] = useState(sheetWorker);
  const [view, setView] = useState<SheetView | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [refusal, setRefusal] = useState<{ name: string; why: string } | null>(null);
  useEffect(() => () => worker.stop(), [worker]);

  const read = async (source: SheetSource, name: string, mapping: Mapping | null) => {
    const tank = selectTank(store.getState());
    if (!tank) return;
    setRefusal(null);
    setShare(0);
    const log = selectLog(store.getState());
    const context = sheetContext(log, tank.id, wallClock(), keepersOrder());
    const ended = await worker.ask({ ask: 'read', source, mapping, context }, setShare);
    // Stopped, or another was asked for meanwhile.
    if (ended === null) return;
    setShare(null);
    if (ended.kind === 'read') setView({ name, result: ended.result });
    else if (ended.kind === 'refused') setRefusal({ name, why: ended.why });
  };

  const open = (source: SheetSource, name: string) => {
    setView(null);
    // The same sheet once more, after a reload: as it was read before.
    void read(source, name, draft?.name === name ? draft.mapping : null);
  };
  const change = (mapping: Mapping) => {
    if (!view) return;
    setDraft({ name: view.name, mapping });
    void read({ from: 'before' }, view.name, mapping);
  };
  return {
    view,
    /** How much of it was read, 0 to 1; null while nothing is being read. */
    share,
    refusal,
    open,
    change,
    refuse: (name: string, why: string) => setRefusal({ name, why }),
    stop: () => {
      worker.stop();
      setShare(null);
    },
    close: () => {
      worker.stop();
      setView(null);
    },
  };
}
