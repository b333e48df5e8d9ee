import type { RevisionOf } from '@/core/records/schema/revision';
import { timeWords } from '@/core/time/words';
import { pauseService } from '@/store/connections';
import { useAppDispatch } from '@/store/hooks';
import type { Live } from '@/store/live';
import { Button, ButtonRow, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';

/** A pause of alarms while somebody works at the tank: it ends by itself. */
export function ServicePause({
  connection,
  live,
  zone,
  now,
}: {
  connection: RevisionOf<'connection'>;
  live: Live;
  zone: string;
  now: number;
}) {
  const dispatch = useAppDispatch();
  const pause = (minutes: number) => void dispatch(pauseService(connection, minutes));
  if (live.pausedUntil > now)
    return (
      <Remark title={`Service pause until ${timeWords(live.pausedUntil, zone)}`}>
        <LinkButton label="End it now" onPress={() => pause(0)} />
      </Remark>
    );
  return (
    <>
      <SectionHead title="Service pause" end="but for a leak or ammonia" />
      <ButtonRow>
        <Button label="Feeding: 10 min" onPress={() => pause(10)} />
        <Button label="Changing water: 60 min" onPress={() => pause(60)} />
      </ButtonRow>
    </>
  );
}
