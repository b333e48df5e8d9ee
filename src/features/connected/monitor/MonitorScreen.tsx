import { useState } from 'react';
import { View } from 'react-native';
import { liveHead } from '@/core/records/log';
import { ALARM_IDS, type AlarmId } from '@/core/monitor/alarms/alarmIds';
import { ALARMS } from '@/core/monitor/alarms/alarms';
import { alarmTitle, channelWords } from '@/core/monitor/alarms/alarmWords';
import { CHANNEL_IDS, CHANNELS, type ChannelId, type SwitchId } from '@/core/monitor/channels';
import { PARAMETERS } from '@/core/parameters/registry';
import type { RevisionOf } from '@/core/records/schema/revision';
import { agoWords, momentWords, timeWords } from '@/core/time/words';
import { MINUTE_MS } from '@/core/time/zone';
import { capitalise, countOf, formatPlain, listWords } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { selectHistoryOf } from '@/store/world';
import { useAppSelector } from '@/store/hooks';
import { useLive, type Live } from '@/store/live';
import { selectLog, selectNow } from '@/store/selectors';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { useWide } from '@/ui/useWide';
import { AlarmSheet, limitOf } from './AlarmSheet';
import { EndConnection } from '../EndConnection';
import { NoLifeSafety } from '../NoLifeSafety';
import { PairAgain } from '../PairAgain';
import { STATE_WORDS } from '../stateWords';
import { ProbeChart, type SpanId } from './ProbeChart';
import { Minutes } from './Minutes';
import { ProbeRow } from './ProbeRow';
import { Rung } from './Rung';
import { ServicePause } from './ServicePause';
import { TrustedBy } from './TrustedBy';

type Connection = RevisionOf<'connection'>;

const SWITCHED: Readonly<Record<SwitchId, string>> = {
  leak: 'water where none should be',
  sumpHigh: 'the sump is too full',
  levelLow: 'the water level is low',
  pumpOff: 'the return pump stands still',
};
/** A monitor: what it shows now, whether that is to be trusted, what it rang for, and when it rings. */
export function MonitorScreen({ connection }: { connection: Connection }) {
  const live = useLive(connection.id);
  const now = useAppSelector(selectNow);
  const log = useAppSelector(selectLog);
  const wide = useWide();
  const { tankId, name } = connection.body;
  const history = useAppSelector((state) => selectHistoryOf(state, tankId));
  const zone = liveHead(log, tankId, 'tank')?.body.zone ?? 'UTC';
  const [channel, setChannel] = useState<ChannelId>('temperature');
  const [span, setSpan] = useState<SpanId>('day');
  const [alarm, setAlarm] = useState<AlarmId | null>(null);
  const channels = CHANNEL_IDS.filter((id) => connection.body.kits[CHANNELS[id].parameter]);
  return (
    <Screen head={<BackHead title={name} />}>
      <Opening title={titleOf(live)}>{textOf(live, zone, now)}</Opening>
      {live.state === 'refused' ? <PairAgain connection={connection} /> : null}
      <View>
        {channels.map((id) => (
          <ProbeRow
            key={id}
            connection={connection}
            channel={id}
            live={live}
            current={id === channel}
            onPress={() => setChannel(id)}
          />
        ))}
      </View>
      <ServicePause connection={connection} live={live} zone={zone} now={now} />
      <SectionHead
        title={PARAMETERS[CHANNELS[channel].parameter].name}
        end={wide ? 'from the probe' : ''}
      />
      <ProbeChart
        key={channel}
        connection={connection}
        channel={channel}
        history={history}
        zone={zone}
        now={now}
        span={span}
        onSpan={setSpan}
      />
      <TrustedBy connection={connection} channel={channel} now={now} />
      <Rung connection={connection} zone={zone} now={now} />
      <SectionHead title="When it rings" end="change" />
      {ALARM_IDS.map((id) => (
        <Row
          key={id}
          title={alarmTitle(id)}
          note={ruleWords(connection, id)}
          onPress={() => setAlarm(id)}
        />
      ))}
      <NoLifeSafety />
      <Minutes connection={connection} />
      <EndConnection connection={connection} />
      {alarm ? (
        <AlarmSheet connection={connection} id={alarm} onClose={() => setAlarm(null)} />
      ) : null}
    </Screen>
  );
}

function titleOf(live: Live): string {
  if (live.on.length > 0) {
    return `${capitalise(listWords(live.on.map((id) => SWITCHED[id])))}.`;
  }
  const shown = CHANNEL_IDS.slice(0, 3).flatMap((id) => {
    const value = live.values[id];
    return value === undefined ? [] : [channelWords(id, value)];
  });
  return live.state === 'live' && shown.length > 0
    ? `${shown.join(', ')}.`
    : `${STATE_WORDS[live.state]}.`;
}

function textOf(live: Live, zone: string, now: number): string {
  const clock =
    live.behind === 0
      ? ''
      : ` Its clock is ${countOf(Math.round(Math.abs(live.behind) / MINUTE_MS), 'minute')} ${live.behind > 0 ? 'behind' : 'ahead'}: its times are put right by that.`;
  if (live.state !== 'live')
    return `${live.why || 'It is asked for what it measured.'}${live.at === null ? '' : ` Last heard ${agoWords(live.at, zone, now)}.`}${clock}`;
  if (live.at === null) return `Nothing was measured yet.${clock}`;
  const late = now - live.at;
  return late > 10 * MINUTE_MS
    ? `It catches up: this is from ${momentWords(live.at, zone, now)}.${clock}`
    : `Measured at ${timeWords(live.at, zone)}.${clock}`;
}

/** When an alarm rings, in words. */
function ruleWords(connection: Connection, id: AlarmId): string {
  const choice = connection.body.alarms[id];
  if (choice?.off) return 'Off';
  const limit = limitOf(id);
  const minutes = choice?.minutes ?? ALARMS[id].after / 60;
  const after =
    minutes === 0
      ? 'at once'
      : minutes < 1
        ? `after ${countOf(Math.round(minutes * 60), 'second')}`
        : `after ${formatPlain(minutes, 1)} min`;
  const figure = limit
    ? `${limit.label} ${formatPlain(choice?.beyond ?? limit.value, 3)} ${limit.unit}`.trim()
    : '';
  const parts = [figure, after, ALARMS[id].byNight ? 'by night too' : ''].filter(Boolean);
  return capitalise(parts.join(', '));
}
