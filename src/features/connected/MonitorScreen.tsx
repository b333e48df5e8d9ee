import { useState } from 'react';
import { View } from 'react-native';
import { entriesOfTank, liveHead } from '@/core/records/log';
import { ALARM_IDS, type AlarmId } from '@/core/monitor/alarms/alarmIds';
import { ALARMS } from '@/core/monitor/alarms/alarms';
import { alarmTitle, channelWords } from '@/core/monitor/alarms/alarmWords';
import { CHANNEL_IDS, CHANNELS, type ChannelId, type SwitchId } from '@/core/monitor/channels';
import { calibrateEvery } from '@/core/instruments/calibrateEvery';
import { checksOf, trustOf } from '@/core/instruments/correction';
import { PARAMETERS } from '@/core/parameters/registry';
import { entryLine, entryTitle } from '@/core/records/kinds';
import type { RevisionOf } from '@/core/records/schema/revision';
import { agoWords, momentWords, timeWords } from '@/core/time/words';
import { instant, MINUTE_MS } from '@/core/time/zone';
import { countOf, formatPlain, listWords } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { markSeen } from '@/store/alarms';
import { pauseService } from '@/store/connections';
import { selectHistoryOf } from '@/store/world';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { useLive, type Live } from '@/store/live';
import { selectLog, selectNow } from '@/store/selectors';
import { Button, ButtonRow, LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { useWide } from '@/ui/useWide';
import { AlarmSheet, limitOf } from './AlarmSheet';
import { EndConnection } from './EndConnection';
import { NoLifeSafety } from './NoLifeSafety';
import { PairAgain } from './PairAgain';
import { ProbeChart, type SpanId } from './ProbeChart';
import { SaveMinutes } from './SaveMinutes';
import { STATE_WORDS } from './stateWords';
import { useAgreement } from './useAgreement';

type Connection = RevisionOf<'connection'>;

const SWITCHED: Readonly<Record<SwitchId, string>> = {
  leak: 'water where none should be',
  sumpHigh: 'the sump is too full',
  levelLow: 'the water level is low',
  pumpOff: 'the return pump stands still',
};
/** Alarms that its page lists, the newest first. */
const LISTED = 8;

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
      <Pause connection={connection} live={live} zone={zone} now={now} />
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
      <Trust connection={connection} channel={channel} now={now} />
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
      <SaveMinutes connection={connection} />
      <EndConnection connection={connection} />
      {alarm ? (
        <AlarmSheet connection={connection} id={alarm} onClose={() => setAlarm(null)} />
      ) : null}
    </Screen>
  );
}

function titleOf(live: Live): string {
  if (live.on.length > 0) {
    const words = listWords(live.on.map((id) => SWITCHED[id]));
    return `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
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

function Pause({
  connection,
  live,
  zone,
  now,
}: {
  connection: Connection;
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

function ProbeRow({
  connection,
  channel,
  live,
  current,
  onPress,
}: {
  connection: Connection;
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

function Trust({
  connection,
  channel,
  now,
}: {
  connection: Connection;
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

function Rung({ connection, zone, now }: { connection: Connection; zone: string; now: number }) {
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
  return [figure, after, ALARMS[id].byNight ? 'by night too' : ''].filter(Boolean).join(', ');
}
