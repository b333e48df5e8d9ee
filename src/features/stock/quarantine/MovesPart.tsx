import { View } from 'react-native';
import { withMove, type Transfer } from '@/core/quarantine/transfer';
import { instantSchema } from '@/core/records/common';
import { instant, isoInZone } from '@/core/time/zone';
import { momentWords } from '@/core/time/words';
import { useAppDispatch, useDraft } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { When } from '@/ui/dates/When';
import { Button, LinkButton } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';
import type { BatchNow } from './useBatches';

const atSchema = instantSchema.nullable();

/** The moves of a batch between its two tanks: made with a tap, dated otherwise, taken out again. */
export function MovesPart({
  batch,
  transfer,
  now,
}: {
  batch: BatchNow;
  transfer: Transfer;
  now: number;
}) {
  const dispatch = useAppDispatch();
  const { head, history } = batch;
  const { zone } = history.tank;
  const [at, setAt] = useDraft(`quarantine/moves/${head.id}`, atSchema, null);
  const moves = head.body.moves ?? [];
  const write = (next: string[], words: string) => {
    void dispatch(recordAct((act) => act.revise(head, { ...head.body, moves: next }), words));
    setAt(null);
  };
  const made = [...moves].sort((a, b) => instant(a) - instant(b));
  const counts = ({ since, done }: Transfer, move: string) =>
    instant(move) > since && (done === null || instant(move) <= done);
  return (
    <View style={{ gap: 8 }}>
      <SectionHead
        title="Moves"
        end={`${Math.min(transfer.counted, transfer.count)} of ${transfer.count}`}
      />
      {transfer.next ? (
        <>
          <When at={at} zone={zone} now={now} onChange={setAt} />
          <Button
            kind="primary"
            label="They are in the other tank"
            onPress={() => write(withMove(moves, at ?? isoInZone(now, zone)), 'Move logged')}
          />
        </>
      ) : null}
      {made.map((move) => (
        <View
          key={move}
          style={{
            flexDirection: 'row',
            alignItems: 'center',
            justifyContent: 'space-between',
            gap: 12,
          }}
        >
          <Words as="body">
            {`${momentWords(instant(move), zone, now)}${counts(transfer, move) ? '' : instant(move) === transfer.since ? ': the moves count from here' : ': does not count'}`}
          </Words>
          <LinkButton
            soft
            label="Take it out"
            onPress={() =>
              write(
                moves.filter((one) => one !== move),
                'Move taken out',
              )
            }
          />
        </View>
      ))}
    </View>
  );
}
