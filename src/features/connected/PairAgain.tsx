import { useState } from 'react';
import type { Instrument } from '@/core/monitor/protocol';
import { liveHead } from '@/core/records/log';
import type { RevisionOf } from '@/core/records/schema/revision';
import { instruments } from '@/store/connections';
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
  /** Left out where the screen says it already. */
  why?: string;
  onPaired?: () => void;
}) {
  const log = useAppSelector(selectLog);
  const [pairing, setPairing] = useState<Instrument | null>(null);
  const { tankId, name, kind, instrument } = connection.body;
  // Whether its screen is one of ours is told by the server alone; without it the code is read at the instrument.
  const begin = async () => {
    const all = await instruments.list().catch(() => []);
    setPairing(
      all.find(({ id }) => id === instrument) ?? { id: instrument, kind, name, madeUp: false },
    );
  };
  return (
    <>
      {why === undefined ? null : (
        <Remark tone="watch" title="It needs to be paired again">
          {why}
        </Remark>
      )}
      <Button kind="primary" label="Pair it again" onPress={() => void begin()} />
      {pairing ? (
        <PairSheet
          instrument={pairing}
          tankId={tankId}
          tankName={liveHead(log, tankId, 'tank')?.body.name ?? ''}
          onClose={() => setPairing(null)}
          onPaired={() => {
            setPairing(null);
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
