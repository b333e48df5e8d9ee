import { to } from '@/frame/addresses';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { nitriteSpoils } from '@/core/cycle/verdict/criteria/chain';
import { isStale } from '@/core/cycle/verdict/criteria/zero';
import { countedReadings, latestReading, type TankHistory } from '@/core/history/tankHistory';
import { shownReading } from '@/core/history/shown';
import { trendOf } from '@/core/history/trend';
import { sideOf, type Bands } from '@/core/parameters/bands';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '@/core/parameters/registry';
import { type Settings, unitFor } from '@/core/records/schema/settings';
import { agoWords } from '@/core/time/words';
import { goesByLine, stabilityOf } from '@/core/water/stability';
import { holdingWords } from '@/core/water/stabilityWords';
import { selectHistory } from '@/store/inView';
import { selectBands, selectNow, selectSettings } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { TankHead } from '@/frame/TankHead';
import { Button } from '@/ui/Press';
import { ToneMark } from '@/ui/Remark';
import { Row } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { color } from '@/ui/tokens';
import { useWide } from '@/ui/useWide';
import { Figure, Words } from '@/ui/Words';
import { ParameterDetail } from './ParameterDetail';
import { waterSentence } from '@/core/water/waterSentence';
import { ReadMore } from '@/frame/ReadMore';

/** The latest of every parameter; where there is room, the history of one beside it. */
export function WaterScreen({ parameter }: { parameter?: ParameterId }) {
  const history = useAppSelector(selectHistory);
  const settings = useAppSelector(selectSettings);
  const bands = useAppSelector(selectBands);
  const now = useAppSelector(selectNow);
  const wide = useWide();
  const router = useRouter();
  if (!history) return null;
  const measured = PARAMETER_IDS.filter((id) => history.readings[id].length > 0);
  const chosen = parameter ?? (wide ? measured[0] : undefined);
  if (parameter && !wide) {
    return (
      <Screen head={<TankHead place="Results" />}>
        <ParameterDetail parameter={parameter} history={history} />
      </Screen>
    );
  }
  const { title, detail } = waterSentence(history, bands, now);
  const list = (
    <View>
      {PARAMETER_IDS.map((id) => (
        <ParameterRow
          key={id}
          parameter={id}
          history={history}
          settings={settings}
          bands={bands}
          now={now}
          current={wide && id === chosen}
          onPress={() => router.push(to.parameter(id))}
        />
      ))}
    </View>
  );
  if (!wide) {
    return (
      <Screen head={<TankHead place="Results" />}>
        <Opening title={title}>{detail}</Opening>
        {list}
      </Screen>
    );
  }
  return (
    <Screen
      head={<TankHead place="Results" />}
      aside={
        <>
          <Words as="section">Latest</Words>
          {list}
        </>
      }
    >
      {chosen ? (
        <ParameterDetail parameter={chosen} history={history} />
      ) : (
        <>
          <Opening title={title}>{detail}</Opening>
          <Button label="Log the first test" onPress={() => router.push('/log/test')} />
          <ReadMore page="how-long" />
        </>
      )}
    </Screen>
  );
}

function ParameterRow({
  parameter,
  history,
  settings,
  bands,
  now,
  current,
  onPress,
}: {
  parameter: ParameterId;
  history: TankHistory;
  settings: Settings;
  bands: Bands;
  now: number;
  current: boolean;
  onPress: () => void;
}) {
  const last = latestReading(history, parameter);
  const { name } = PARAMETERS[parameter];
  if (!last)
    return <Row title={name} note="not measured yet" onPress={onPress} current={current} end="" />;
  const shown = shownReading(last, unitFor(settings, parameter));
  const trend = trendOf(countedReadings(history, parameter));
  const stability = goesByLine(parameter, history)
    ? stabilityOf(countedReadings(history, parameter), now)
    : null;
  const band = bands[parameter];
  const side = band ? sideOf(last.best, band) : 'within';
  const stale = isStale(last, now);
  const note = [
    agoWords(last.at, history.tank.zone, now),
    stale
      ? 'too old to count'
      : parameter === 'nitrate' && nitriteSpoils(history, last)
        ? 'not counted beside nitrite'
        : stability
          ? holdingWords(stability, parameter, last.best, unitFor(settings, parameter))
          : (trend?.direction ?? ''),
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <Row
      title={name}
      note={note}
      current={current}
      accessibleName={`${name} ${shown.value} ${shown.unit}, ${note}${side === 'within' ? '' : `, ${side} its band`}`}
      onPress={onPress}
      end={
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          {side !== 'within' && !stale ? (
            <View style={{ flexDirection: 'row', gap: 3, alignItems: 'center' }}>
              <ToneMark tone="caution" size={14} />
              <Words as="small" style={{ color: color.magenta }}>
                {side === 'below' ? 'low' : 'high'}
              </Words>
            </View>
          ) : null}
          <Figure value={shown.value} unit={shown.unit} size={21} />
        </View>
      }
    />
  );
}
