import { useMemo, useState } from 'react';
import { monthsOf } from '@/core/carry/months';
import { holdsAll, newestFirst, type Receipt } from '@/core/carry/receipts';
import { allRevisions } from '@/core/records/log';
import { momentInSentence } from '@/core/time/words';
import { instant } from '@/core/time/zone';
import { listWords } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { nameDevice, ownDevice, selectReceipts } from '@/store/carrying';
import { useAppDispatch, useAppSelector, useTyped } from '@/store/hooks';
import { selectLog, selectNow, selectZone } from '@/store/selectors';
import { Field } from '@/ui/Field';
import { Button } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';
import { Importing } from '../imports/Importing';
import { useImport } from '../imports/useImport';
import { CarrySheet } from './CarrySheet';

/** A longer name is cut: it stands in buttons of the other device. */
const LONGEST_NAME = 40;

/** Whom a carry is for: a device that was heard of, or one of which nothing is known. */
type Whom = { receipt: Receipt | null };

/** One log on two devices of a household: what goes to the other, and what it carried here. */
export function DevicesScreen() {
  const log = useAppSelector(selectLog);
  const now = useAppSelector(selectNow);
  const zone = useAppSelector(selectZone);
  const receipts = useAppSelector(selectReceipts);
  const imports = useImport();
  const [whom, setWhom] = useState<Whom | null>(null);
  const months = useMemo(() => monthsOf(allRevisions(log)), [log]);
  const known = newestFirst(receipts).map((receipt) => ({
    receipt,
    /** It holds all that is here. */
    level: holdsAll(receipt, months),
    heard: momentInSentence(instant(receipt.at), zone, now),
  }));
  const [newest] = known;
  return (
    <Screen head={<BackHead title="Another device" />}>
      <Opening title={openingTitle(known)}>
        {newest
          ? `${newest.receipt.name} was last heard of ${newest.heard}. The next file brings it what it lacks, and nothing twice.`
          : 'The phone at the tank and the computer at the desk can keep one log. A file goes from one to the other: no account, no server.'}
      </Opening>
      {newest ? (
        <Button
          kind="primary"
          label={`Carry to ${newest.receipt.name}`}
          onPress={() => setWhom({ receipt: newest.receipt })}
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
      {known.length > 0 ? <SectionHead title="Devices heard of" /> : null}
      {known.map(({ receipt, level, heard }) => (
        <Row
          key={receipt.id}
          title={receipt.name}
          note={`${level ? 'Has all of this' : 'Lacks some of this'}, as of ${heard}`}
          accessibleName={`Carry to ${receipt.name}`}
          onPress={() => setWhom({ receipt })}
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

function openingTitle(known: readonly { receipt: Receipt; level: boolean }[]): string {
  if (known.length === 0) return 'One log on two devices.';
  const behind = known.filter(({ level }) => !level).map(({ receipt }) => receipt.name);
  if (behind.length === 0) {
    return known.length === 1
      ? `${known[0]?.receipt.name} has all of this.`
      : 'Every device has all of this.';
  }
  return `${listWords(behind)} ${behind.length === 1 ? 'lacks' : 'lack'} some of this.`;
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
