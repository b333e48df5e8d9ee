import { useRouter } from 'expo-router';
import { to } from '@/frame/addresses';
import { StyleSheet, View } from 'react-native';
import { latestReading, countedReadings, type TankHistory } from '@/core/history/tankHistory';
import { shownReading } from '@/core/history/shown';
import { trendOf } from '@/core/history/trend';
import { sideOf, type Bands } from '@/core/parameters/bands';
import { PARAMETERS, type ParameterId } from '@/core/parameters/registry';
import { type Settings, unitFor } from '@/core/records/schema/settings';
import { agoWords } from '@/core/time/words';
import { nitriteSpoils } from '@/core/cycle/verdict/criteria/chain';
import { isStale } from '@/core/cycle/verdict/criteria/zero';
import { ToneMark } from '@/ui/Remark';
import { color, space } from '@/ui/tokens';
import { useNarrow, useWide } from '@/ui/useWide';
import { Figure, Words } from '@/ui/Words';
import { Tap } from '@/ui/press/Tap';

const styles = StyleSheet.create({
  strip: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    borderTopWidth: 1,
    borderBottomWidth: 1,
    borderColor: color.rule,
  },
  cell: {
    flexGrow: 1,
    flexBasis: 0,
    minWidth: 82,
    alignItems: 'center',
    paddingVertical: space.s,
    borderLeftWidth: 1,
    borderColor: color.rule,
    paddingHorizontal: 2,
  },
  first: { borderLeftWidth: 0 },
  half: { flexBasis: '50%' },
  below: { borderTopWidth: 1 },
  name: { textAlign: 'center' },
  note: { flexDirection: 'row', alignItems: 'center', gap: 4 },
});

const NARROW: readonly ParameterId[] = ['ammonia', 'nitrite', 'alkalinity', 'salinity'];
const NARROW_RUNNING: readonly ParameterId[] = ['nitrate', 'phosphate', 'alkalinity', 'salinity'];
const WIDE: readonly ParameterId[] = [
  'ammonia',
  'nitrite',
  'nitrate',
  'alkalinity',
  'ph',
  'salinity',
  'temperature',
];

const MOVING = { rising: '↗ rising', falling: '↘ falling', steady: 'steady' } as const;

function noteOf(
  history: TankHistory,
  parameter: ParameterId,
  bands: Bands,
  now: number,
): { text: string; tone: 'plain' | 'caution' } {
  const reading = latestReading(history, parameter);
  if (!reading) return { text: 'not yet', tone: 'plain' };
  if (isStale(reading, now)) {
    return { text: agoWords(reading.at, history.tank.zone, now), tone: 'plain' };
  }
  const band = bands[parameter];
  if (parameter === 'nitrate' && nitriteSpoils(history, reading)) {
    return { text: 'not counted', tone: 'plain' };
  }
  if (band) {
    const side = sideOf(reading.best, band);
    if (side !== 'within') return { text: side === 'below' ? 'low' : 'high', tone: 'caution' };
  }
  const trend = trendOf(countedReadings(history, parameter));
  if (trend && trend.direction !== 'steady')
    return { text: MOVING[trend.direction], tone: 'plain' };
  return {
    text: trend ? MOVING.steady : agoWords(reading.at, history.tank.zone, now),
    tone: 'plain',
  };
}

/** The last figure of what matters now, each a way to its own history. */
export function LatestStrip({
  history,
  settings,
  bands,
  now,
}: {
  history: TankHistory;
  settings: Settings;
  bands: Bands;
  now: number;
}) {
  const router = useRouter();
  const wide = useWide();
  // Four in a row would not fit, and three with one below look torn.
  const pairs = useNarrow();
  const narrow = history.standing.runningSince === null ? NARROW : NARROW_RUNNING;
  return (
    <View style={styles.strip}>
      {(wide ? WIDE : narrow).map((parameter, index) => {
        const reading = latestReading(history, parameter);
        const note = noteOf(history, parameter, bands, now);
        const shown = reading && shownReading(reading, unitFor(settings, parameter));
        const [unit, basis] = shown?.unit.split(' ') ?? [];
        const { name } = PARAMETERS[parameter];
        return (
          <Tap
            key={parameter}
            role="button"
            aria-label={`${name} ${shown ? `${shown.value} ${shown.unit}` : ''}, ${note.text}`}
            onPress={() => router.push(to.parameter(parameter))}
            style={[
              styles.cell,
              pairs && styles.half,
              pairs && index > 1 && styles.below,
              (pairs ? index % 2 : index) === 0 && styles.first,
            ]}
          >
            <Words as="small" style={styles.name}>
              {basis ? `${name} ${basis}` : name}
            </Words>
            <Figure
              centred
              value={shown?.value ?? '–'}
              unit={unit}
              size={shown && shown.value.length > 4 ? 18 : 23}
            />
            <View style={styles.note}>
              <ToneMark tone={note.tone} size={13} />
              <Words
                as="small"
                style={note.tone === 'caution' ? { color: color.magenta } : { color: color.ink }}
              >
                {note.text}
              </Words>
            </View>
          </Tap>
        );
      })}
    </View>
  );
}
