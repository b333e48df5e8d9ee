import { useMemo, useState } from 'react';
import { monthsOf } from '@/core/carry/months';
import { calledHere, holdsAll, newestFirst, type Receipt } from '@/core/carry/receipts';
import { allRevisions } from '@/core/records/log';
import { momentInSentence } from '@/core/time/words';
import { instant } from '@/core/time/zone';
import { capitalise, listWords } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { nameDevice, ownDevice, selectReceipts } from '@/store/carrying';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { selectLog, selectNow, selectSession, selectZone } from '@/store/selectors';
import { LOGS } from '@/store/services';
import { Field } from '@/ui/Field';
import { Button } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { Importing } from '../imports/Importing';
import { useImport } from '../imports/useImport';
import { KeptAsRunScreen } from '../KeptAsRun';
import { CarrySheet } from './CarrySheet';

/** A longer name is cut: it stands in buttons of the other device. */
const LONGEST_NAME = 40;

/** Whom a carry is for: a device that was heard of, or one of which nothing is known. */
type Whom = { receipt: Receipt | null };

/** One log on two devices of a household: what goes to the other, and what it carried here. */
export function DevicesScreen() {
  const dispatch = useAppDispatch();
  const log = useAppSelector(selectLog);
  const now = useAppSelector(selectNow);
  const zone = useAppSelector(selectZone);
  const receipts = useAppSelector(selectReceipts);
  const { which } = useAppSelector(selectSession);
  const imports = useImport();
  const [whom, setWhom] = useState<Whom | null>(null);
  const months = useMemo(() => monthsOf(allRevisions(log)), [log]);
  const own = dispatch(ownDevice()).name;
  const known = newestFirst(receipts).map((receipt) => ({
    receipt,
    name: calledHere(receipt, own),
    /** It holds all that is here. */
    level: holdsAll(receipt, months),
    heard: momentInSentence(instant(receipt.at), zone, now),
  }));
  const [newest] = known;
  if (!LOGS[which].leaves) return <KeptAsRunScreen title="Another device" />;
  return (
    <Screen head={<BackHead title="Another device" />}>
      <Opening title={openingTitle(known)}>
        {newest
          ? `${capitalise(newest.name)} was last heard from ${newest.heard}. The next file brings it what it lacks, and nothing twice.`
          : 'The phone at the tank and the computer at the desk can keep one log. A file goes from one to the other: no account, no server.'}
      </Opening>
      {newest ? (
        <Button
          kind="primary"
          label={`Carry to ${newest.name}`}
          onPress={() => setWhom({ receipt: { ...newest.receipt, name: newest.name } })}
        />
      ) : null}
      <Button
        kind={newest ? 'plain' : 'primary'}
        label="Carry to another device"
        disabled={log.size === 0}
        onPress={() => setWhom({ receipt: null })}
      />
      <Button
        label="Take over a file"
        disabled={imports.working !== null}
        onPress={imports.choose}
      />
      <Importing imports={imports} />
      {known.length > 0 ? <SectionHead title="Devices heard from" /> : null}
      {known.map(({ receipt, name, level, heard }) => (
        <Row
          key={receipt.id}
          title={capitalise(name)}
          note={`${level ? 'Has all of this' : 'Lacks some of this'}, as of ${heard}`}
          accessibleName={`Carry to ${name}`}
          onPress={() => setWhom({ receipt: { ...receipt, name } })}
        />
      ))}
      <OwnName />
      <SectionHead title="How it goes" />
      <Words as="soft">
        Carry the log to the other device once; it takes the file over. From then on each file says
        what its device has, so that only what the other lacks goes along. In any order, twice, or
        one of them lost: the next one makes up for it, and both come to the same log. Settings,
        units among them, stay each device’s own.
      </Words>
      {whom ? <CarrySheet receipt={whom.receipt} onClose={() => setWhom(null)} /> : null}
    </Screen>
  );
}

function openingTitle(known: readonly { name: string; level: boolean }[]): string {
  if (known.length === 0) return 'One log on two devices.';
  const behind = known.filter(({ level }) => !level).map(({ name }) => name);
  if (behind.length === 0) {
    return known.length === 1
      ? `${capitalise(known[0]?.name ?? '')} has all of this.`
      : 'Every device has all of this.';
  }
  return `${capitalise(listWords(behind))} ${behind.length === 1 ? 'lacks' : 'lack'} some of this.`;
}

/** What this device is called on the others. */
function OwnName() {
  const dispatch = useAppDispatch();
  const [kept, setKept] = useState(() => dispatch(ownDevice()).name);
  const [name, setName, done] = useTyped('device/name', kept);
  const wanted = name.trim().slice(0, LONGEST_NAME);
  return (
    <>
      <SectionHead title="This device" />
      <Field label="Its name on the others" value={name} onChange={setName} />
      {wanted !== kept && wanted !== '' ? (
        <Button
          label={`Call it ${wanted}`}
          onPress={() => {
            setKept(dispatch(nameDevice(wanted)).name);
            done();
          }}
        />
      ) : null}
    </>
  );
}
