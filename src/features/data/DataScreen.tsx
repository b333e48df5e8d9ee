import { Suspense, useMemo, useState } from 'react';
import { View } from 'react-native';
import { toLogFile, writeLogFile } from '@/core/records/file/file';
import type { Revision } from '@/core/records/schema/revision';
import type { ImportPlan } from '@/core/records/file/importPlan';
import { allRevisions, headsOfType } from '@/core/records/log';
import { isPhotosFile } from '@/core/photos/format';
import { dayOf } from '@/core/time/zone';
import type { CopyState } from '@/core/copies/sinceCopy';
import { dayWords } from '@/core/time/words';
import { countOf } from '@/core/units/format';
import { forgetCopies, takeCopy } from '@/store/copies';
import { wipeLog } from '@/store/open';
import { importPlan, importRecords, readInParts } from '@/store/importing';
import { selectLog, selectNow, selectSession, selectTanks, selectZone } from '@/store/selectors';
import { useAppDispatch, useAppSelector, useAside } from '@/store/hooks';
import { noticed } from '@/store/sessionSlice';
import { wallClock } from '@/store/wallClock';
import { Button, LinkButton } from '@/ui/Press';
import { partOf, piece } from '@/ui/piece';
import { Tick } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';
import { CopiesPart } from './CopiesPart';
import { LatestChanges } from './LatestChanges';
import { useActWords } from './useActWords';
import { canSendFiles, chooseTextFile, download, sendFile } from '@/frame/browserFiles';
import { useCopy } from '@/frame/useCopy';

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
  const [importing, setImporting] = useState<Import | null>(null);
  const [working, setWorking] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<{ title: string; text: string } | null>(null);
  const [erasing, setErasing] = useState(false);
  const [erased, setErased] = useState(0);
  const [photosIn, setPhotosIn] = useState(0);
  const zone = useAppSelector(selectZone);
  const entries = useMemo(() => headsOfType(log, 'entry').length, [log]);
  const copy = useCopy();
  const [sends] = useState(canSendFiles);
  const fileOf = (): [name: string, text: string] => [
    `zoarium-${which === 'demo' ? 'demo-' : ''}${dayOf(wallClock(), zone)}.json`,
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
  const percent = (what: string) => (share: number) =>
    setWorking(`${what}, ${Math.round(share * 100)} %`);
  const chooseImport = async () => {
    setRefusal(null);
    const file = await chooseTextFile();
    if (!file) return;
    if (!file.ok) {
      return setRefusal(notImported(file.name, `${file.why} Nothing was changed.`));
    }
    if (isPhotosFile(file.text)) return takeInPhotos(file);
    percent('Reading the file')(0);
    const reading = await readInParts(file.text, percent('Reading the file'));
    setWorking(null);
    if (!reading.ok)
      return setRefusal(notImported(file.name, `${reading.why} Nothing was changed.`));
    const plan = dispatch(importPlan(reading.file.records));
    setImporting({
      name: file.name,
      plan,
      total: reading.file.records.length,
      refused: reading.refused,
      doubled: reading.doubled,
    });
  };
  const takeInPhotos = async ({ name, text }: { name: string; text: string }) => {
    setWorking('Taking in the photos');
    const { importPhotosFile } = await import('@/features/photos');
    const { done, trouble } = await dispatch(importPhotosFile(text));
    setWorking(null);
    setPhotosIn((times) => times + 1);
    if (done) dispatch(noticed({ text: done, undo: null }));
    if (trouble) {
      // What is damaged in it keeps the rest from nothing.
      const partly = { title: 'Not all of that file came in', text: `${name}: ${trouble}` };
      setRefusal(done ? partly : notImported(name, trouble));
    }
  };
  const runImport = async (plan: ImportPlan) => {
    setImporting(null);
    percent('Importing')(0);
    await dispatch(importRecords(plan, percent('Importing')));
    setWorking(null);
  };
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
        disabled={working !== null}
        onPress={() => void chooseImport()}
      />
      {working ? (
        <Words as="body" live>
          {`${working}.`}
        </Words>
      ) : null}
      {refusal ? (
        <View role="alert">
          <Remark tone="watch" title={refusal.title}>
            {refusal.text}
          </Remark>
        </View>
      ) : null}
      <Words as="soft">
        The file is plain JSON and carries the full history. An import adds what is new and never
        overwrites; the same file twice changes nothing.
      </Words>
      <Suspense fallback={null}>
        <SheetsPart />
        <PhotosPart imported={photosIn} />
      </Suspense>
      <CopiesPart erased={erased} />
      <Safety />
      <AsideBlocks />
      <SectionHead title="Start over" />
      <Button kind="danger" label="Erase this log" onPress={() => setErasing(true)} />
      {importing ? (
        <ImportSheet
          found={importing}
          onClose={() => setImporting(null)}
          onImport={() => void runImport(importing.plan)}
        />
      ) : null}
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

const notImported = (name: string, why: string) => ({
  title: 'That file was not imported',
  text: `${name}: ${why}`,
});

interface Import {
  name: string;
  plan: ImportPlan;
  /** Records in the file. */
  total: number;
  refused: { row: number; why: string }[];
  /** Revisions that another of the same identity stands for. */
  doubled: readonly Revision[];
}

const SETTINGS_WORDS: Record<ImportPlan['settings'], string> = {
  none: '',
  same: '',
  taken: 'Its settings, units and bands among them, are taken: there are none here yet.',
  left: 'Your settings stay as they are; those of the file are left out.',
};

function ImportSheet({
  found,
  onImport,
  onClose,
}: {
  found: Import;
  onImport: () => void;
  onClose: () => void;
}) {
  const { name, plan, total, refused, doubled } = found;
  const actWords = useActWords();
  const [firstDoubled] = doubled;
  const fresh = plan.fresh.length;
  const names = plan.fresh.flatMap((r) => (r.type === 'tank' ? [r.body.name] : []));
  const [firstRefused] = refused;
  const [firstDiffering] = plan.differing;
  return (
    <Sheet title="Import a log" open onClose={onClose}>
      <Words as="lead">
        {fresh === 0
          ? `Everything in ${name} is here already.`
          : `**${countOf(fresh, 'record')}** of ${total} in ${name} ${fresh === 1 ? 'is' : 'are'} new here.`}
      </Words>
      {names.length > 0 ? (
        <Words as="body">{`Tanks in it: ${[...new Set(names)].join(', ')}.`}</Words>
      ) : null}
      {SETTINGS_WORDS[plan.settings] ? (
        <Words as="body">{SETTINGS_WORDS[plan.settings]}</Words>
      ) : null}
      {firstDiffering ? (
        <Remark
          tone="watch"
          title={`${countOf(plan.differing.length, 'record')} ${plan.differing.length === 1 ? 'differs' : 'differ'} from what is here`}
        >
          {`The same revision is here with other contents, so the file was changed by hand or is damaged. What is here stays. The first: ${actWords({ revisions: [firstDiffering] })}.`}
        </Remark>
      ) : null}
      {firstDoubled ? (
        <Remark
          tone="watch"
          title={`${countOf(doubled.length, 'record')} ${doubled.length === 1 ? 'stands' : 'stand'} twice in the file`}
        >
          {`Twice under one identity with different contents: the file was changed by hand or is damaged. What was recorded later counts, or else the reading that says more. Left out, the first: ${actWords({ revisions: [firstDoubled] })}.`}
        </Remark>
      ) : null}
      {firstRefused ? (
        <Remark tone="watch" title={`${countOf(refused.length, 'record')} can’t be read`}>
          {`The rest can be imported. The first is record ${firstRefused.row}: ${firstRefused.why}`}
        </Remark>
      ) : null}
      {fresh > 0 ? (
        <Button kind="primary" label={`Import ${countOf(fresh, 'record')}`} onPress={onImport} />
      ) : null}
      <Button label="Leave it" onPress={onClose} />
    </Sheet>
  );
}

/** How safe what is saved is, in this browser. */
function Safety() {
  const { persisted, flushed } = useAppSelector(selectSession);
  const kept =
    persisted === null
      ? 'Whether the browser keeps this address when it runs short of room was not asked yet.'
      : persisted
        ? 'The browser has promised to keep this address when it runs short of room.'
        : 'The browser may clear this address when it runs short of room: export now and then.';
  const disk =
    flushed === null
      ? ''
      : flushed
        ? ' The last save was written through to the disk before it was confirmed.'
        : ' The browser did not confirm that the last save reached the disk; a power cut might still take it.';
  return <Words as="soft">{`${kept}${disk}`}</Words>;
}

function EraseSheet({
  onErase,
  onExport,
  onClose,
}: {
  onErase: (copiesToo: boolean) => Promise<void>;
  onExport: () => void;
  onClose: () => void;
}) {
  const [typed, setTyped] = useState('');
  const [copiesToo, setCopiesToo] = useState(false);
  return (
    <Sheet title="Erase this log" open onClose={onClose}>
      <Remark tone="danger" title="This has no undo">
        Every tank, instrument, entry and photo goes from this browser. Exported files bring them
        back, and for a while the copies within this browser; photos only their own file.
      </Remark>
      <Button label="Export first" onPress={onExport} />
      <Tick
        label="The copies within this browser too"
        note="Then nothing here brings it back."
        value={copiesToo}
        onChange={setCopiesToo}
      />
      <Field label="Type erase to go on" value={typed} onChange={setTyped} />
      <Button
        kind="danger"
        label="Erase everything"
        disabled={typed.trim().toLowerCase() !== 'erase'}
        onPress={() => void onErase(copiesToo)}
      />
    </Sheet>
  );
}

/** Blocks that were damaged, kept as they were found. */
function AsideBlocks() {
  const blocks = useAside();
  const names = Object.keys(blocks);
  if (names.length === 0) return null;
  return (
    <View>
      <SectionHead title="Set aside" end={countOf(names.length, 'block')} />
      <Words as="soft">
        Damaged parts of the log, kept as they were found. Save them if you want someone to look.
      </Words>
      <LinkButton
        label="Save what is aside"
        onPress={() => download('zoarium-set-aside.json', JSON.stringify(blocks, null, 1))}
      />
    </View>
  );
}
