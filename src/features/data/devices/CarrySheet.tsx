import { useEffect, useState } from 'react';
import { monthOf } from '@/core/carry/months';
import type { Receipt } from '@/core/carry/receipts';
import { monthWords } from '@/core/time/calendar';
import { dayOf } from '@/core/time/zone';
import { countOf, listWords } from '@/core/units/format';
import { canSendFiles, download, sendFile } from '@/frame/browserFiles';
import { useCopy } from '@/frame/useCopy';
import { carryText, prepareCarry, type ReadyCarry } from '@/store/carrying';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectSession, selectZone } from '@/store/selectors';
import { LOGS } from '@/store/services';
import { noticed } from '@/store/sessionSlice';
import { wallClock } from '@/store/wallClock';
import { Tick } from '@/ui/Choice';
import { Button } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';

/** Months that are named before one says how many more there are. */
const NAMED = 3;

/** What a name is within the name of a file. */
const plain = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');

/** What would go along to another device, and the file that it goes in. */
export function CarrySheet({
  receipt,
  onClose,
}: {
  /** What the other device held when it was last heard of; null for one that was never heard of. */
  receipt: Receipt | null;
  onClose: () => void;
}) {
  const dispatch = useAppDispatch();
  const zone = useAppSelector(selectZone);
  const { which } = useAppSelector(selectSession);
  const copy = useCopy();
  const [ready, setReady] = useState<ReadyCarry | null>(null);
  const [photosToo, setPhotosToo] = useState(false);
  const [busy, setBusy] = useState(false);
  const [sends] = useState(canSendFiles);
  useEffect(() => {
    let current = true;
    void dispatch(prepareCarry(receipt)).then((found) => current && setReady(found));
    return () => {
      current = false;
    };
  }, [dispatch, receipt]);
  if (!ready) return null;
  const { carry, photos, asked } = ready;
  const count = countOf(carry.records.length, 'record');
  const hand = async (by: (name: string, text: string) => boolean | Promise<boolean>) => {
    setBusy(true);
    const along = new Set(photosToo ? [...photos, ...asked] : asked);
    const text = await dispatch(carryText(carry, along));
    const whom = plain(receipt?.name ?? '') || 'another-device';
    const handed = await by(
      `zoarium-${LOGS[which].inFiles}for-${whom}-${dayOf(wallClock(), zone)}.json`,
      text,
    );
    setBusy(false);
    if (!handed) return;
    // What holds all of it is a copy like any other.
    if (!receipt) copy.made();
    dispatch(
      noticed({
        text: `Made a file of ${count} for ${receipt?.name ?? 'another device'}`,
        undo: null,
      }),
    );
    onClose();
  };
  const save = (name: string, text: string) => {
    download(name, text);
    return true;
  };
  return (
    <Sheet title={`Carry to ${receipt?.name ?? 'another device'}`} open onClose={onClose}>
      <Words as="lead">
        {carry.records.length === 0
          ? `${receipt?.name ?? 'It'} has all of this already.`
          : `**${count}** ${carry.records.length === 1 ? 'goes' : 'go'} along${receipt ? `: ${monthsWords(carry.records.map(monthOf))}` : ', which is all of it'}.`}
      </Words>
      {asked.length > 0 ? (
        <Words as="body">
          {`${countOf(asked.length, 'photo')} that it asked for ${asked.length === 1 ? 'goes' : 'go'} along too.`}
        </Words>
      ) : null}
      {photos.length > 0 ? (
        <Tick
          label="Photos too"
          note={`${countOf(photos.length, 'photo')} of the animals in it. Left out, the other device asks for them.`}
          value={photosToo}
          onChange={setPhotosToo}
        />
      ) : null}
      <Words as="soft">
        On the other device open Zoarium, then More, Data, Another device, and take the file over
        there. It says what is here, so that only what is new comes back.
      </Words>
      {sends ? (
        <Button
          kind="primary"
          label="Send it to another app"
          disabled={busy}
          onPress={() => void hand(sendFile)}
        />
      ) : null}
      <Button
        kind={sends ? 'plain' : 'primary'}
        label="Save it as a file"
        disabled={busy}
        onPress={() => void hand(save)}
      />
    </Sheet>
  );
}

/** "what was recorded in October and November 2026". */
function monthsWords(months: readonly string[]): string {
  const all = [...new Set(months)].sort().reverse();
  const named = all.slice(0, NAMED).map((month) => monthWords(`${month}-01`));
  const more = all.length - named.length;
  return `what was recorded in ${listWords(more > 0 ? [...named, `${countOf(more, 'month')} before`] : named)}`;
}
