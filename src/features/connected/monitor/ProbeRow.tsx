import { channelWords } from '@/core/monitor/alarms/alarmWords';
import { CHANNELS, type ChannelId } from '@/core/monitor/channels';
import { calibrateEvery } from '@/core/instruments/calibrateEvery';
import { checksOf, trustOf } from '@/core/instruments/correction';
import { PARAMETERS } from '@/core/parameters/registry';
import type { RevisionOf } from '@/core/records/schema/revision';
import { countOf } from '@/core/units/format';
import { useAppSelector } from '@/store/hooks';
import type { Live } from '@/store/live';
import { selectLog, selectNow } from '@/store/selectors';
import { Row } from '@/ui/Row';

/** A probe: what it shows, and when it was last held against its standard. */
export function ProbeRow({
  connection,
  channel,
  live,
  current,
  onPress,
}: {
  connection: RevisionOf<'connection'>;
  channel: ChannelId;
  live: Live;
  current: boolean;
  onPress: () => void;
}) {
  const log = useAppSelector(selectLog);
  const now = useAppSelector(selectNow);
  const { parameter } = CHANNELS[channel];
  const spec = PARAMETERS[parameter];
  const kitId = connection.body.kits[parameter];
  const kit = kitId === undefined ? undefined : log.everyKit[kitId];
  const every = kit ? calibrateEvery(kit) : null;
  const value = live.values[channel];
  return (
    <Row
      title={spec.name}
      note={
        every === null || kitId === undefined
          ? 'no usual standard to check it by'
          : checkedWords(trustOf(checksOf(log.calibrations, kitId), every, now))
      }
      end={value === undefined ? 'nothing yet' : channelWords(channel, value)}
      current={current}
      onPress={onPress}
    />
  );
}

function checkedWords({ state, days }: ReturnType<typeof trustOf>): string {
  if (days === null) return 'never checked against a standard';
  const ago = Math.floor(days) === 0 ? 'today' : `${countOf(Math.floor(days), 'day')} ago`;
  return `checked against its standard ${ago}${state === 'overdue' ? ': due again' : ''}`;
}
