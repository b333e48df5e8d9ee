import { useRouter } from 'expo-router';
import { Suspense, useMemo, useState } from 'react';
import { toLogFile, writeLogFile } from '@/core/records/file/file';
import { allRevisions, headsOfType } from '@/core/records/log';
import { dayOf } from '@/core/time/zone';
import type { CopyState } from '@/core/copies/sinceCopy';
import { dayWords } from '@/core/time/words';
import { countOf } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { canSendFiles, download, sendFile } from '@/frame/browserFiles';
import { useCopy } from '@/frame/useCopy';
import { forgetCopies, takeCopy } from '@/store/copies';
import { wipeLog } from '@/store/open';
import { selectLog, selectNow, selectSession, selectTanks, selectZone } from '@/store/selectors';
import { LOGS } from '@/store/services';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { noticed } from '@/store/sessionSlice';
import { wallClock } from '@/store/wallClock';
import { Button } from '@/ui/Press';
import { partOf, piece } from '@/ui/piece';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { CopiesPart } from './CopiesPart';
import { EraseSheet } from './EraseSheet';
import { FolderPart } from './FolderPart';
import { Importing } from './imports/Importing';
import { useImport } from './imports/useImport';
import { KeptAsRun } from './KeptAsRun';
import { LatestChanges } from './LatestChanges';
import { AsideBlocks, Safety } from './Safety';

const PhotosPart = partOf(
  piece(() => import('@/features/photos')),
  'PhotosPart',
);

const SheetsPart = partOf(
  piece(() => import('./sheets')),
  'SheetsPart',
);

/** The whole log as one file, in and out; what was changed lately, and its undo. */
export function DataScreen() {
  const log = useAppSelector(selectLog);
  const tanks = useAppSelector(selectTanks);
  const now = useAppSelector(selectNow);
  const { which } = useAppSelector(selectSession);
  const dispatch = useAppDispatch();
  const router = useRouter();
  const imports = useImport();
  const [erasing, setErasing] = useState(false);
  const [erased, setErased] = useState(0);
  const zone = useAppSelector(selectZone);
  const entries = useMemo(() => headsOfType(log, 'entry').length, [log]);
  const copy = useCopy();
  const [sends] = useState(canSendFiles);
  const fileOf = (): [name: string, text: string] => [
    `zoarium-${LOGS[which].inFiles}${dayOf(wallClock(), zone)}.json`,
    writeLogFile(toLogFile(allRevisions(log), new Date(wallClock()).toISOString())),
  ];
  const left = (verb: string) => {
    copy.made();
    dispatch(noticed({ text: `${verb} ${countOf(entries, 'entry', 'entries')}`, undo: null }));
  };
  const exportLog = () => {
    download(...fileOf());
    left('Exported');
  };
  const sendLog = async () => {
    if (await sendFile(...fileOf())) left('Sent');
  };
  if (!LOGS[which].leaves) {
    return (
      <Screen aside={<LatestChanges />}>
        <KeptAsRun />
      </Screen>
    );
  }
  return (
    <Screen aside={<LatestChanges />}>
      <Opening title="Your data.">
        {entries === 0
          ? 'The log is empty. It lives in this browser alone until you export it.'
          : `${countOf(tanks.length, 'tank')} and ${countOf(entries, 'entry', 'entries')}. ${lostWords(copy, zone, now)}`}
      </Opening>
      <Button kind="primary" label="Export the whole log" onPress={exportLog} />
      {sends ? <Button label="Send it to another app" onPress={() => void sendLog()} /> : null}
      <Button
        label="Import a log or photos"
        disabled={imports.working !== null}
        onPress={imports.choose}
      />
      <Importing imports={imports} />
      <Words as="soft">
        The file is plain JSON and carries the full history. An import adds what is new and never
        overwrites; the same file twice changes nothing.
      </Words>
      {tanks.length > 0 ? (
        <Row
          title="A report of this tank"
          note="One document for a shop, a club or a veterinarian, to print or save"
          onPress={() => router.push(to.report)}
        />
      ) : null}
      <Row
        title="Another device"
        note="One log on the phone at the tank and the computer at the desk"
        onPress={() => router.push(to.devices)}
      />
      <Suspense fallback={null}>
        <SheetsPart />
        <PhotosPart imported={imports.photosIn} />
      </Suspense>
      <FolderPart />
      <CopiesPart erased={erased} />
      <Safety />
      <AsideBlocks />
      <SectionHead title="Start over" />
      <Button kind="danger" label="Erase this log" onPress={() => setErasing(true)} />
      {erasing ? (
        <EraseSheet
          onClose={() => setErasing(false)}
          onExport={exportLog}
          onErase={async (copiesToo) => {
            const kept = allRevisions(log);
            // A slip of the thumb may have led here: what is erased can be brought back, unless that goes as well.
            if (which === 'own') {
              const copied = await dispatch(copiesToo ? forgetCopies() : takeCopy());
              if (copiesToo && !copied.ok) {
                setErasing(false);
                const text = 'The copies could not be erased; nothing was changed';
                return void dispatch(noticed({ text, undo: null }));
              }
            }
            const done = await dispatch(wipeLog());
            setErased((times) => times + 1);
            setErasing(false);
            dispatch(
              noticed({
                text: done
                  ? `Erased ${countOf(kept.length, 'record')}`
                  : 'The browser did not erase it; nothing was changed',
                undo: null,
              }),
            );
          }}
        />
      ) : null}
    </Screen>
  );
}

/** What would be lost if the browser forgot everything now. */
function lostWords({ changes, at }: CopyState, zone: string, now: number): string {
  if (at === null) {
    return 'If this browser forgot everything now, all of it would be lost: there is no copy yet.';
  }
  const day = dayWords(at, zone, now);
  return changes === 0
    ? `If this browser forgot everything now, the copy of ${day} would have it all.`
    : `If this browser forgot everything now, ${countOf(changes, 'change')} since the copy of ${day} would be lost.`;
}
