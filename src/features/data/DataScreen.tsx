import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { actsOf, keysOfAct } from '@/core/records/acts';
import { readLogFile, toLogFile, writeLogFile, type LogFile } from '@/core/records/file';
import { allRevisions, headsOfType, mergeRevisions } from '@/core/records/log';
import { dayOf } from '@/core/time/zone';
import { momentWords } from '@/core/time/words';
import { countOf } from '@/core/units/format';
import { wipeLog } from '@/store/open';
import { storeRevisions, undoKeys } from '@/store/record';
import {
  selectLog,
  selectNow,
  selectSession,
  selectTank,
  selectTanks,
  tanksInOrder,
} from '@/store/selectors';
import { useAppDispatch, useAppSelector, useAside } from '@/store/hooks';
import { noticed, tankChosen } from '@/store/sessionSlice';
import { wallClock } from '@/shared/wallClock';
import { Button, LinkButton } from '@/ui/Press';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';
import { actWords } from './actWords';
import { chooseTextFile, download } from './browserFiles';

const ACTS_SHOWN = 15;

/** The whole log as one file, in and out; what was changed lately, and its undo. */
export function DataScreen() {
  const log = useAppSelector(selectLog);
  const tanks = useAppSelector(selectTanks);
  const now = useAppSelector(selectNow);
  const tank = useAppSelector(selectTank);
  const { which } = useAppSelector(selectSession);
  const dispatch = useAppDispatch();
  const [importing, setImporting] = useState<ImportPlan | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [erasing, setErasing] = useState(false);
  const zone = tank?.body.zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone;
  const entries = headsOfType(log, 'entry').length;
  const exportLog = () => {
    const stamp = new Date(wallClock()).toISOString();
    download(
      `zoarium-${which === 'demo' ? 'demo-' : ''}${dayOf(wallClock(), zone)}.json`,
      writeLogFile(toLogFile(allRevisions(log), stamp)),
    );
    dispatch(noticed({ text: `Exported ${countOf(entries, 'entry', 'entries')}`, undo: null }));
  };
  const chooseImport = async () => {
    setRefusal(null);
    const file = await chooseTextFile();
    if (!file) return;
    const reading = readLogFile(file.text);
    if (reading.ok) setImporting({ name: file.name, file: reading.file, refused: reading.refused });
    else setRefusal(`${file.name}: ${reading.why} Nothing was changed.`);
  };
  return (
    <Screen aside={<RecentActs zone={zone} now={now} />}>
      <Opening title="Your data.">
        {entries === 0
          ? 'The log is empty. It lives in this browser alone until you export it.'
          : `${countOf(tanks.length, 'tank')} and ${countOf(entries, 'entry', 'entries')}, in this browser alone. Export now and then: clearing the browser’s data clears the log.`}
      </Opening>
      <Button kind="primary" label="Export the whole log" onPress={exportLog} />
      <Button label="Import a log" onPress={() => void chooseImport()} />
      {refusal ? (
        <View role="alert">
          <Remark tone="watch" title="That file was not imported">
            {refusal}
          </Remark>
        </View>
      ) : null}
      <Words as="soft">
        The file is plain JSON and carries the full history. An import adds what is new and never
        overwrites; the same file twice changes nothing.
      </Words>
      <AsideBlocks />
      <SectionHead title="Start over" />
      <Button kind="danger" label="Erase this log" onPress={() => setErasing(true)} />
      {importing ? (
        <ImportSheet
          plan={importing}
          onClose={() => setImporting(null)}
          onImport={async () => {
            const before = log;
            await dispatch(
              storeRevisions(
                importing.file.records,
                `Imported ${countOf(importing.file.records.length, 'record')}`,
              ),
            );
            if (!tank) {
              const merged = mergeRevisions(before, importing.file.records);
              dispatch(tankChosen(tanksInOrder(headsOfType(merged, 'tank'))[0]?.id ?? null));
            }
            setImporting(null);
          }}
        />
      ) : null}
      {erasing ? (
        <EraseSheet
          onClose={() => setErasing(false)}
          onExport={exportLog}
          onErase={async () => {
            const kept = allRevisions(log);
            const done = await dispatch(wipeLog());
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

interface ImportPlan {
  name: string;
  file: LogFile;
  refused: { row: number; why: string }[];
}

function ImportSheet({
  plan,
  onImport,
  onClose,
}: {
  plan: ImportPlan;
  onImport: () => Promise<void>;
  onClose: () => void;
}) {
  const log = useAppSelector(selectLog);
  const merged = mergeRevisions(log, plan.file.records);
  const fresh = allRevisions(merged).length - allRevisions(log).length;
  const inFile = mergeRevisions({}, plan.file.records);
  const names = headsOfType(inFile, 'tank').map((tank) => tank.body.name);
  const firstRefused = plan.refused[0];
  return (
    <Sheet title="Import a log" open onClose={onClose}>
      <Words as="lead">
        {fresh === 0
          ? `Everything in ${plan.name} is here already.`
          : `**${countOf(fresh, 'record')}** of ${plan.file.records.length} in ${plan.name} ${fresh === 1 ? 'is' : 'are'} new here.`}
      </Words>
      {names.length > 0 ? <Words as="body">{`Tanks in it: ${names.join(', ')}.`}</Words> : null}
      {firstRefused ? (
        <Remark tone="watch" title={`${countOf(plan.refused.length, 'record')} can’t be read`}>
          {`The rest can be imported. The first is record ${firstRefused.row}: ${firstRefused.why}`}
        </Remark>
      ) : null}
      {fresh > 0 ? (
        <Button
          kind="primary"
          label={`Import ${countOf(fresh, 'record')}`}
          onPress={() => void onImport()}
        />
      ) : null}
      <Button label="Leave it" onPress={onClose} />
    </Sheet>
  );
}

function EraseSheet({
  onErase,
  onExport,
  onClose,
}: {
  onErase: () => Promise<void>;
  onExport: () => void;
  onClose: () => void;
}) {
  const [typed, setTyped] = useState('');
  return (
    <Sheet title="Erase this log" open onClose={onClose}>
      <Remark tone="danger" title="This cannot be undone">
        Every tank, instrument and entry goes from this browser. Only an exported file brings them
        back.
      </Remark>
      <Button label="Export first" onPress={onExport} />
      <Field label="Type erase to go on" value={typed} onChange={setTyped} />
      <Button
        kind="danger"
        label="Erase everything"
        disabled={typed.trim().toLowerCase() !== 'erase'}
        onPress={() => void onErase()}
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

function RecentActs({ zone, now }: { zone: string; now: number }) {
  const log = useAppSelector(selectLog);
  const dispatch = useAppDispatch();
  const acts = useMemo(() => actsOf(log).slice(0, ACTS_SHOWN), [log]);
  return (
    <View>
      <SectionHead title="Lately" end="each can be undone" />
      {acts.map((act) => (
        <Row
          key={act.actId}
          title={actWords(act)}
          note={momentWords(act.recordedAt, zone, now)}
          end={
            <LinkButton
              soft
              label="Undo"
              accessibleName={`Undo: ${actWords(act)}`}
              onPress={() => void dispatch(undoKeys([...keysOfAct(log, act.actId)]))}
            />
          }
        />
      ))}
    </View>
  );
}
