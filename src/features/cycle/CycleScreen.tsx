import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { cycleSentence } from '@/core/cycle/sentence';
import { nitriteSpoils } from '@/core/cycle/verdict/chain';
import { schoolWords } from '@/core/cycle/verdict/schools';
import { readingWords } from '@/core/history/reading';
import type { TankHistory } from '@/core/history/tankHistory';
import { fromCanonical } from '@/core/parameters/convert';
import { momentWords, spanWords } from '@/core/time/words';
import { DAY_MS, daysBetween } from '@/core/time/zone';
import { formatPlain } from '@/core/units/format';
import { selectHistory, selectNow, selectVerdict } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { daySpan } from '@/shared/chartSpan';
import { TankHead } from '@/shared/TankHead';
import { TimeChart, type ChartSeries } from '@/ui/chart/TimeChart';
import { LinkButton } from '@/ui/Press';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { color } from '@/ui/tokens';
import { useWide } from '@/ui/useWide';
import { Words } from '@/ui/Words';
import { CriterionList } from './CriterionList';
import { SchoolSheet } from './SchoolSheet';

/** Where the cycle stands: the three series and the verdict, criterion by criterion. */
export function CycleScreen() {
  const history = useAppSelector(selectHistory);
  const verdict = useAppSelector(selectVerdict);
  const now = useAppSelector(selectNow);
  const wide = useWide();
  const [choosing, setChoosing] = useState(false);
  if (!history || !verdict) return null;
  const sentence = cycleSentence(history, verdict);
  const running = history.tank.runningSince;
  const criteria = (
    <>
      <SectionHead
        title="Ready when"
        end={
          <LinkButton
            soft
            label={schoolWords(history.tank.school)}
            accessibleName={`School: ${schoolWords(history.tank.school)}. Change`}
            onPress={() => setChoosing(true)}
          />
        }
      />
      <CriterionList verdict={verdict} />
    </>
  );
  return (
    <Screen head={<TankHead place="Cycle" />} aside={wide ? criteria : undefined}>
      <Opening title={sentence.title}>{sentence.detail}</Opening>
      {running ? (
        <Words as="soft">
          {`You recorded that it has been running for ${spanWords(daysBetween(Date.parse(running), now, history.tank.zone))}. What follows is judged on tests alone.`}
        </Words>
      ) : null}
      <CycleChart history={history} now={now} wide={wide} />
      {wide ? null : criteria}
      <SchoolSheet open={choosing} onClose={() => setChoosing(false)} />
    </Screen>
  );
}

function CycleChart({ history, now, wide }: { history: TankHistory; now: number; wide: boolean }) {
  const zone = history.tank.zone;
  const readings = useMemo(
    () => [...history.readings.ammonia, ...history.readings.nitrite, ...history.readings.nitrate],
    [history],
  );
  const begin = history.start ?? now;
  // A tank long past its cycle shows the days of its cycle, not the months since.
  const end = Math.min(now, begin + 75 * DAY_MS);
  const span = daySpan(begin, end, zone, wide ? 5 : 3, wide ? 4 : 2);
  const series = useMemo<ChartSeries[]>(() => {
    const points = (parameter: 'ammonia' | 'nitrite' | 'nitrate') =>
      history.readings[parameter]
        .filter((reading) => reading.at <= span.to)
        .map((reading) => ({
          x: reading.at,
          y: reading.best,
          low: reading.range.low,
          high: Math.min(reading.range.high, reading.best * 1.5),
          aside:
            !reading.counts ||
            reading.expired ||
            (parameter === 'nitrate' && nitriteSpoils(history, reading)),
        }));
    return [
      {
        id: 'nitrate',
        label: 'nitrate',
        points: points('nitrate'),
        marker: 'square',
        filled: false,
        stroke: color.inkSoft,
        dash: '2 3',
      },
      {
        id: 'nitrite',
        label: 'nitrite',
        points: points('nitrite'),
        marker: 'triangle',
        filled: false,
        stroke: color.deep,
        dash: '6 4',
      },
      {
        id: 'ammonia',
        label: 'ammonia',
        points: points('ammonia'),
        marker: 'diamond',
        filled: true,
        stroke: color.ink,
      },
    ];
  }, [history, span.to]);
  if (readings.length === 0) {
    return <Words as="lead">Its three series are drawn here from the first ammonia test on.</Words>;
  }
  const events = [
    ...history.doses.map((d) => ({ x: d.at, label: 'Dose' })),
    ...history.waterChanges.map((c) => ({ x: c.at, label: 'Water change' })),
  ].filter((event) => event.x <= span.to);
  const counted = series.flatMap((s) => s.points).filter((p) => p.aside).length;
  return (
    <View style={{ gap: 4 }}>
      <TimeChart
        series={series}
        from={span.from}
        to={span.to}
        now={now}
        unit="mg N/L"
        zeroBased
        events={events}
        xTicks={span.ticks}
        formatY={(value) => formatPlain(value, 2)}
        height={wide ? 320 : 250}
        summary="Ammonia, nitrite and nitrate since the tank was filled, all as nitrogen."
        table={{
          columns: ['When', 'What', 'Read', 'mg N/L'],
          rows: readings
            .filter((reading) => reading.at <= span.to)
            .sort((a, b) => a.at - b.at)
            .map((reading) => [
              momentWords(reading.at, zone, now),
              reading.parameter,
              readingWords(reading),
              formatPlain(fromCanonical(reading.best, `${reading.parameter as 'ammonia'} N`), 2),
            ]),
        }}
      />
      <Words as="soft">
        {`All as nitrogen, so that they compare. Bars show what a step stands for.${counted > 0 ? ' Grey marks do not count: the kit reads nitrite as nitrate.' : ''}${events.length > 0 ? ' Arrows: doses and water changes.' : ''}`}
      </Words>
    </View>
  );
}
