import { useState } from 'react';
import { liveHead } from '@/core/records/log';
import type { RevisionOf } from '@/core/records/schema/revision';
import { useAppSelector } from '@/store/hooks';
import { selectLog } from '@/store/selectors';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { PairSheet } from './PairSheet';
import type { Asked } from './useAsked';

/** Where an instrument knows this browser no longer: why, and its code once more. What it measured stays. */
export function PairAgain({
  connection,
  why,
  onPaired = () => undefined,
}: {
  connection: RevisionOf<'connection'>;
  why: string;
  onPaired?: () => void;
}) {
  const log = useAppSelector(selectLog);
  const [pairing, setPairing] = useState(false);
  const { tankId, name, kind, instrument } = connection.body;
  return (
    <>
      <Remark tone="watch" title="It has to be paired again">
        {why}
      </Remark>
      <Button kind="primary" label="Pair it again" onPress={() => setPairing(true)} />
      {pairing ? (
        <PairSheet
          instrument={{ id: instrument, kind, name, madeUp: true }}
          tankId={tankId}
          tankName={liveHead(log, tankId, 'tank')?.body.name ?? ''}
          onClose={() => setPairing(false)}
          onPaired={() => {
            setPairing(false);
            onPaired();
          }}
        />
      ) : null}
    </>
  );
}

/** Why an instrument that was asked did not answer, and what helps; nothing where it did. */
export function NoAnswer({
  connection,
  asked,
  onPaired,
}: {
  connection: RevisionOf<'connection'>;
  asked: Asked<unknown>;
  onPaired: () => void;
}) {
  if (asked.state !== 'trouble') return null;
  if (asked.refused)
    return <PairAgain connection={connection} why={asked.why} onPaired={onPaired} />;
  return (
    <Remark tone="watch" title="It did not answer">
      {asked.why}
    </Remark>
  );
}
