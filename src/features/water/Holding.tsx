import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { countedReadings, latestReading, type TankHistory } from '@/core/history/tankHistory';
import type { Band } from '@/core/parameters/bands';
import { fromCanonical, withUnit } from '@/core/parameters/convert';
import { PARAMETERS, type ParameterId } from '@/core/parameters/registry';
import { shortDay } from '@/core/time/words';
import { DAY_MS } from '@/core/time/zone';
import { capitalise, countOf, formatPlain } from '@/core/units/format';
import { unitDecimals, type Unit } from '@/core/units/units';
import { aroundThen, largestMove } from '@/core/water/aroundThen';
import { consumptionOf } from '@/core/water/consumption';
import { evaporationPerDay } from '@/core/water/learned';
import { goesByLine, stabilityOf } from '@/core/water/stability';
import { holdingWords, swingWords, consumptionWords } from '@/core/water/stabilityWords';
import { to } from '@/frame/addresses';
import { LinkButton } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';

const FULL = 35;
/** A salinity from this many days about a mineral's reading speaks for it. */
const NEAR_DAYS = 4;
const MINERALS: readonly ParameterId[] = ['calcium', 'magnesium', 'alkalinity'];

interface HoldingProps {
  parameter: ParameterId;
  history: TankHistory;
  unit: Unit;
  band: Band | undefined;
  now: number;
}

/** How a parameter holds: its drift and its swing, what the tank uses of it, and what it is at 35 ppt. */
export function Holding({ parameter, history, unit, band, now }: HoldingProps) {
  const router = useRouter();
  const readings = countedReadings(history, parameter);
  const last = readings.at(-1);
  // The cycle's own chart follows what rises and falls in turn.
  if (!last || !goesByLine(parameter, history)) return null;
  const stability = stabilityOf(readings, now);
  const use =
    parameter === 'alkalinity' || parameter === 'calcium'
      ? consumptionOf(history, parameter)
      : null;
  const lines = [
    stability
      ? `${capitalise(holdingWords(stability, parameter, last.best, unit))}.`
      : 'Too few to tell how it holds: five readings over a week would.',
    ...(stability ? [swingWords(stability, last.best, unit, band)] : []),
    ...(use ? [consumptionWords(use, last.best, unit)] : []),
    ...extras(parameter, history, unit),
  ];
  return (
    <View style={{ gap: 6 }}>
      <SectionHead title="How it holds" />
      {lines.map((line) => (
        <Words key={line} as="body">
          {line}
        </Words>
      ))}
      {parameter === 'alkalinity' && use && use.perDay > 0 ? (
        <LinkButton
          soft
          label="Two-part doses for that"
          onPress={() => router.push(to.sum('two-part'))}
        />
      ) : null}
      {parameter === 'salinity' ? (
        <LinkButton
          soft
          label="What evaporation does to it"
          onPress={() => router.push(to.sum('evaporation'))}
        />
      ) : null}
    </View>
  );
}

/** What belongs to one parameter alone: evaporation, a mineral at full salinity. */
function extras(parameter: ParameterId, history: TankHistory, unit: Unit): string[] {
  const last = latestReading(history, parameter);
  if (!last) return [];
  if (parameter === 'salinity') {
    const lost = evaporationPerDay(history);
    if (!lost) return [];
    const rise = (last.best * lost.value) / (history.netLitres - lost.value);
    return [
      `About ${formatPlain(lost.value, 1)} L evaporate in a day, by ${countOf(lost.count, 'top-off')}: without topping off it rises ${formatPlain(rise, 2)} ppt a day.`,
    ];
  }
  if (!MINERALS.includes(parameter)) return [];
  const salinity = countedReadings(history, 'salinity').findLast(
    ({ at }) => Math.abs(at - last.at) <= NEAR_DAYS * DAY_MS,
  );
  if (!salinity || Math.abs(salinity.best - FULL) < 0.5 || salinity.best < 5) return [];
  const full = (last.best * FULL) / salinity.best;
  return [
    `At 35 ppt it would be ${withUnit(formatPlain(fromCanonical(full, unit), unitDecimals(unit)), unit)}: the water had ${formatPlain(salinity.best, 1)} ppt then.`,
  ];
}

/** What was done or seen about when a parameter moved most. */
export function AroundThen({
  parameter,
  history,
  now,
}: {
  parameter: ParameterId;
  history: TankHistory;
  now: number;
}) {
  const router = useRouter();
  const { zone } = history.tank;
  const move = goesByLine(parameter, history) ? largestMove(history, parameter, now) : null;
  if (!move) return null;
  const suspects = aroundThen(history, parameter, move.at);
  const { inSentence } = PARAMETERS[parameter];
  return (
    <View>
      <SectionHead title={`What changed around ${shortDay(move.at, zone)}?`} />
      <Words as="soft">
        {`There ${inSentence} moved most in six weeks. ${suspects.length === 0 ? 'Nothing that would move it is logged near that day.' : 'Listed by nearness and by how plainly it moves it; none of it is proof.'}`}
      </Words>
      {suspects.map((suspect) => (
        <Row
          key={suspect.id}
          title={`${suspect.title}, ${whenWords(suspect.daysBefore)}`}
          note={[suspect.note.replace(/\.$/, ''), suspect.because].filter(Boolean).join('; ')}
          onPress={() => router.push(to.entry(suspect.id))}
        />
      ))}
    </View>
  );
}

function whenWords(daysBefore: number): string {
  const days = Math.round(daysBefore);
  if (days === 0) return 'the same day';
  return days > 0 ? `${countOf(days, 'day')} before` : 'the day after';
}
