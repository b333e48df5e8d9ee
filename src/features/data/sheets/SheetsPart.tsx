import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { allRevisions } from '@/core/records/log';
import { dayOf } from '@/core/time/zone';
import { to } from '@/frame/addresses';
import { download } from '@/frame/browserFiles';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectLog, selectSession, selectZone } from '@/store/selectors';
import { LOGS } from '@/store/services';
import { noticed } from '@/store/sessionSlice';
import { wallClock } from '@/store/wallClock';
import { Button } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { sheetWorker } from '@/workers/sheets/client';
import type { WrittenAs } from '@/workers/sheets/messages';

const CSV = 'text/csv;charset=utf-8';
const FILES: Record<WrittenAs, { label: string; name: string; type: string }> = {
  tests: { label: 'Export tests, one a row', name: 'tests.csv', type: CSV },
  sessions: { label: 'Export test sessions, one a row', name: 'test-sessions.csv', type: CSV },
  all: {
    label: 'Export everything as spreadsheets',
    name: 'spreadsheets.zip',
    type: 'application/zip',
  },
};
const WRITTEN = Object.keys(FILES) as WrittenAs[];

/** Tests of before brought in from a spreadsheet, and the log as spreadsheets. */
export function SheetsPart() {
  const router = useRouter();
  const dispatch = useAppDispatch();
  const log = useAppSelector(selectLog);
  const zone = useAppSelector(selectZone);
  const { which } = useAppSelector(selectSession);
  const plans = useAppSelector((state) => state.computed.plan);
  const [busy, setBusy] = useState(false);
  const save = async (as: WrittenAs) => {
    setBusy(true);
    const worker = sheetWorker();
    const ended = await worker.ask({
      ask: 'write',
      as,
      revisions: allRevisions(log),
      plans: Object.values(plans).flatMap(({ value }) => value ?? []),
    });
    worker.stop();
    setBusy(false);
    const { name, type } = FILES[as];
    if (ended?.kind === 'written') {
      const file = `zoarium-${LOGS[which].inFiles}${name}`;
      download(file.replace(/(\.\w+)$/, `-${dayOf(wallClock(), zone)}$1`), ended.bytes, type);
      dispatch(noticed({ text: `Saved ${name}`, undo: null }));
    } else if (ended?.kind === 'refused') dispatch(noticed({ text: ended.why, undo: null }));
  };
  return (
    <View style={{ gap: 8 }}>
      <SectionHead title="Spreadsheets" />
      <Words as="soft">
        Tests that you kept elsewhere come in from a file or from copied cells. Yours leave as CSV,
        which any spreadsheet opens and which can be brought in again.
      </Words>
      <Button label="Bring in a spreadsheet" onPress={() => router.push(to.spreadsheet)} />
      {WRITTEN.map((as) => (
        <Button key={as} label={FILES[as].label} disabled={busy} onPress={() => void save(as)} />
      ))}
    </View>
  );
}
