import type { ChannelId } from '@/core/monitor/channels';
import type { RevisionOf } from '@/core/records/schema/revision';
import { useAppSelector } from '@/store/hooks';
import { selectHistoryOf } from '@/store/world';
import { Remark } from '@/ui/Remark';
import { useAgreement } from './useAgreement';

/** Whether a probe agrees with the keeper's own tests; where it does not, what would settle it. */
export function TrustedBy({
  connection,
  channel,
  now,
}: {
  connection: RevisionOf<'connection'>;
  channel: ChannelId;
  now: number;
}) {
  const history = useAppSelector((state) => selectHistoryOf(state, connection.body.tankId));
  const agreement = useAgreement(connection, channel, history, now);
  if (!agreement) return null;
  return (
    <Remark
      tone={agreement.agrees === false ? 'watch' : 'plain'}
      title={
        agreement.agrees === null
          ? 'Not held against your own tests yet'
          : agreement.agrees
            ? 'Agrees with your own tests'
            : 'Differs from your own tests'
      }
    >
      {`${agreement.words} ${agreement.settles}`.trim()}
    </Remark>
  );
}
