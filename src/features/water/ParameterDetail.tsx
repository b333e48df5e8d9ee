import { unitFor } from '@/core/records/schema/settings';
import { to } from '@/frame/addresses';
import { RemedyLink } from '@/frame/RemedyLink';
import { AroundThen, Holding } from './Holding';
import { ParameterChart } from './ParameterChart';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { nitriteSpoils } from '@/core/cycle/verdict/criteria/chain';
import { readingWords, type Reading } from '@/core/history/reading';
import { shownReading } from '@/core/history/shown';
import { latestReading, type TankHistory } from '@/core/history/tankHistory';
import { trendOf } from '@/core/history/trend';
import { checksOf, trustOf } from '@/core/instruments/correction';
import { calibrateEvery } from '@/core/instruments/calibrateEvery';
import { sideOf } from '@/core/parameters/bands';
import type { Log } from '@/core/records/log';
import type { Kit } from '@/core/records/schema/kit';
import { PARAMETERS, type ParameterId } from '@/core/parameters/registry';
import { agoWords, momentWords, shortDay } from '@/core/time/words';
import { DAY_MS } from '@/core/time/zone';
import { countOf, formatPlain } from '@/core/units/format';
import { selectBands, selectLog, selectNow, selectSettings } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { eventsTouching } from '@/core/history/events';
import { Choice } from '@/ui/Choice';
import { Button } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { LongList } from '@/ui/Table';
import { Opening } from '@/ui/Screen';
import { Figure } from '@/ui/Words';

const SPANS = [
  { value: '30', label: '30 days' },
  { value: '90', label: '3 months' },
  { value: 'all', label: 'All' },
] as const;
const SHOWN_AT_FIRST = 12;

/** One parameter: its sentence, its history with band and events, and every reading to correct. */
export function ParameterDetail({
  parameter,
  history,
}: {
  parameter: ParameterId;
  history: TankHistory;
}) {
  const bands = useAppSelector(selectBands);
  const settings = useAppSelector(selectSettings);
  const now = useAppSelector(selectNow);
  const [spanChoice, setSpanChoice] = useState<(typeof SPANS)[number]['value'] | null>(null);
  const readings = history.readings[parameter];
  const unit = unitFor(settings, parameter);
  const band = bands[parameter];
  const first = readings[0]?.at ?? now;
  const span = spanChoice ?? (now - first > 45 * DAY_MS ? '90' : 'all');
  const from = span === 'all' ? first : Math.max(first, now - Number(span) * DAY_MS);
  const last = latestReading(history, parameter);
  const side = last && band ? sideOf(last.best, band) : null;
  const { title, detail } = parameterSentence(parameter, history, band, now);
  return (
    <View style={{ gap: 12 }}>
      <Opening title={title}>{detail}</Opening>
      <RemedyLink parameter={parameter} side={side} />
      {readings.length > 0 ? (
        <>
          {now - first > 30 * DAY_MS ? (
            <Choice label="Span" bare options={SPANS} value={span} onChange={setSpanChoice} />
          ) : null}
          <ParameterChart parameter={parameter} history={history} from={from} />
        </>
      ) : null}
      <Holding parameter={parameter} history={history} unit={unit} band={band} now={now} />
      <AroundThen parameter={parameter} history={history} now={now} />
      <ReadingList parameter={parameter} history={history} now={now} />
    </View>
  );
}

function parameterSentence(
  parameter: ParameterId,
  history: TankHistory,
  band: { low: number; high: number } | undefined,
  now: number,
) {
  const { name, inSentence } = PARAMETERS[parameter];
  const last = latestReading(history, parameter);
  if (!last) {
    return {
      title: `${name} is not measured yet.`,
      detail: `Log a test of ${inSentence} and its history begins.`,
    };
  }
  const trend = trendOf(history.readings[parameter].filter((r) => r.counts));
  const side = band ? sideOf(last.best, band) : null;
  const where =
    side === null
      ? ''
      : side === 'within'
        ? ' and in band'
        : ` and ${side === 'below' ? 'below' : 'above'} its band`;
  const moving =
    trend && trend.direction !== 'steady'
      ? ` It is ${trend.direction} since ${shortDay(trend.since.at, history.tank.zone)}, when it read ${readingWords(trend.since)}.`
      : trend
        ? ` Steady since ${shortDay(trend.since.at, history.tank.zone)}.`
        : '';
  if (parameter === 'nitrate' && nitriteSpoils(history, last)) {
    return {
      title: `${name} reads ${readingWords(last)}.`,
      detail: `Measured ${agoWords(last.at, history.tank.zone, now)} with nitrite present, which this kind of kit reads as nitrate. It does not count yet.`,
    };
  }
  return {
    title: `${name} reads ${readingWords(last)}.`,
    detail: `Measured ${agoWords(last.at, history.tank.zone, now)}${where}.${moving}`,
  };
}

function ReadingList({
  parameter,
  history,
  now,
}: {
  parameter: ParameterId;
  history: TankHistory;
  now: number;
}) {
  const router = useRouter();
  const log = useAppSelector(selectLog);
  const settings = useAppSelector(selectSettings);
  const [all, setAll] = useState(false);
  const newest = [...history.readings[parameter]].reverse();
  const items = all ? newest : newest.slice(0, SHOWN_AT_FIRST);
  return (
    <View>
      <SectionHead title="Readings" end={countOf(newest.length, 'reading')} />
      <LongList
        items={items}
        keyOf={(reading) => reading.id}
        rowHeight={64}
        render={(reading) => {
          const shown = shownReading(reading, unitFor(settings, parameter));
          const kit = log.everyKit[reading.kitId];
          const doubts = [
            reading.asRead === null ? '' : `read as ${reading.typed}`,
            suspicion(kit, log.calibrations, reading),
            reading.expired ? 'kit past its date' : '',
            reading.counts ? '' : 'cannot be, so it does not count',
            reading.entry.dilution > 1 ? `diluted ×${formatPlain(reading.entry.dilution)}` : '',
            reading.entry.note ?? '',
          ].filter(Boolean);
          return (
            <Row
              title={momentWords(reading.at, history.tank.zone, now)}
              note={[kit?.name ?? 'unknown kit', ...doubts].join(', ')}
              accessibleName={`${shown.value} ${shown.unit}, ${momentWords(reading.at, history.tank.zone, now)}. Change`}
              end={<Figure value={shown.value} unit={shown.unit} size={20} />}
              onPress={() => router.push(to.entry(reading.id))}
            />
          );
        }}
      />
      {newest.length > items.length ? (
        <View style={{ marginTop: 12 }}>
          <Button label={`Show all ${newest.length}`} onPress={() => setAll(true)} />
        </View>
      ) : null}
      <EventList history={history} parameter={parameter} now={now} />
    </View>
  );
}

/** Why the instrument of a reading was not to be trusted then; nothing where it was. */
function suspicion(
  kit: Kit | undefined,
  calibrations: Log['calibrations'],
  { kitId, at }: Reading,
): string {
  const every = kit ? calibrateEvery(kit) : null;
  const checks = checksOf(calibrations, kitId);
  // What a later check says of it is better than how long it had gone without one.
  if (every === null || checks.length === 0 || checks.some((check) => check.at > at)) return '';
  return trustOf(checks, every, at).state === 'overdue' ? 'its calibration was overdue' : '';
}

/** What was done that moves the parameter, each to be opened and corrected. */
function EventList({
  history,
  parameter,
  now,
}: {
  history: TankHistory;
  parameter: ParameterId;
  now: number;
}) {
  const router = useRouter();
  const zone = history.tank.zone;
  const events = eventsTouching(history, parameter);
  if (events.length === 0) return null;
  return (
    <View>
      <SectionHead title="What was done to it" />
      {events.slice(0, 30).map((event) => (
        <Row
          key={event.id}
          title={`${event.title}, ${momentWords(event.at, zone, now)}`}
          note={event.note}
          onPress={() => router.push(to.entry(event.id))}
        />
      ))}
    </View>
  );
}
