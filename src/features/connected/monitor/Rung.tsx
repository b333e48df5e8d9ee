import { entriesOfTank } from '@/core/records/log';
import { entryLine, entryTitle } from '@/core/records/kinds';
import type { RevisionOf } from '@/core/records/schema/revision';
import { momentWords } from '@/core/time/words';
import { instant } from '@/core/time/zone';
import { markSeen } from '@/store/alarms';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectLog } from '@/store/selectors';
import { Button } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';

/** Alarms that are listed, the newest first. */
const LISTED = 8;

/** What a monitor rang for. */
export function Rung({
  connection,
  zone,
  now,
}: {
  connection: RevisionOf<'connection'>;
  zone: string;
  now: number;
}) {
  const dispatch = useAppDispatch();
  const log = useAppSelector(selectLog);
  const rung = entriesOfTank(log, connection.body.tankId)
    .filter(({ body }) => body.kind === 'alarm' && body.connectionId === connection.id)
    .slice(-LISTED)
    .reverse();
  const unseen = rung.filter(({ body }) => body.kind === 'alarm' && body.seenAt === undefined);
  if (rung.length === 0) return null;
  return (
    <>
      <SectionHead title="What it rang for" />
      {rung.map(({ id, body }) => (
        <Row
          key={id}
          title={entryTitle(body)}
          note={[
            momentWords(instant(body.at), zone, now),
            entryLine(body, { zone, netLitres: null, kitOf: (kitId) => log.everyKit[kitId] }),
            body.kind === 'alarm' && !body.until && !body.past ? 'goes on' : '',
          ]
            .filter(Boolean)
            .join(', ')}
        />
      ))}
      {unseen.length > 0 ? (
        <Button label="I have seen them" onPress={() => void dispatch(markSeen(unseen))} />
      ) : null}
    </>
  );
}
