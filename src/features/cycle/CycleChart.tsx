import { useMemo } from 'react';
import { View } from 'react-native';
import type { Forecast, SeriesBand } from '@/core/cycle/forecast/types';
import { nitriteSpoils } from '@/core/cycle/verdict/criteria/chain';
import { readingWords } from '@/core/history/reading';
import type { TankHistory } from '@/core/history/tankHistory';
import { fromCanonical } from '@/core/parameters/convert';
import { momentWords } from '@/core/time/words';
import { DAY_MS } from '@/core/time/zone';
import { formatPlain } from '@/core/units/format';
import { daySpan } from '@/ui/chart/span';
import { chartMarks } from '@/core/history/events';
import type { ChartCourse, ChartSeries } from '@/ui/chart/TimeChart';
import { TimeChart } from '@/ui/Drawing';
import { color } from '@/ui/tokens';
import { Words } from '@/ui/Words';

/** Longest cycle that is drawn whole, and the most that is drawn ahead, days. */
const LONGEST = 75;
const MOST_AHEAD = 45;

/** Nitrate is drawn without its range: it decides nothing, and would hide what does. */
function courseOf(band: SeriesBand, ranged: boolean): ChartCourse {
  return {
    at: band.at,
    low: ranged ? band.p10 : band.p50,
    middle: band.p50,
    high: ranged ? band.p90 : band.p50,
  };
}

/** Days ahead worth drawing: until nitrite is clear in nearly all cases, and a little more. */
function daysAhead(forecast: Forecast | null, now: number): number {
  if (!forecast?.fed) return 2;
  const { p90, p75, p50 } = forecast.milestones.nitriteClears;
  const end = p90 ?? p75 ?? p50;
  const days = end === null ? MOST_AHEAD : (end - now) / DAY_MS + 4;
  return Math.ceil(Math.min(MOST_AHEAD, Math.max(8, days)));
}

/** Why marks are struck through, by the series that has them. */
function asideWords(ids: readonly string[]): string {
  if (ids.length === 0) return '';
  return ids.every((id) => id === 'nitrate')
    ? 'Struck marks do not count: the kit reads nitrite as nitrate.'
    : 'Struck marks do not count: the kit had expired, reads nitrite as nitrate, or showed what cannot be.';
}

/** The three series of the cycle: what was read, what is inferred between, and what lies ahead. */
export function CycleChart({
  history,
  forecast,
  now,
  wide,
}: {
  history: TankHistory;
  forecast: Forecast | null;
  now: number;
  wide: boolean;
}) {
  const zone = history.tank.zone;
  const readings = useMemo(
    () => [...history.readings.ammonia, ...history.readings.nitrite, ...history.readings.nitrate],
    [history],
  );
  const begin = history.start ?? now;
  // A tank long past its cycle shows the days of its cycle, not the months since.
  const past = now - begin > LONGEST * DAY_MS && !forecast;
  const end = past ? begin + LONGEST * DAY_MS : now;
  const span = daySpan(begin, end, zone, wide ? 5 : 3, past ? 2 : daysAhead(forecast, now));
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
    const course = (parameter: 'ammonia' | 'nitrite' | 'nitrate') =>
      forecast?.fed ? { course: courseOf(forecast.bands[parameter], parameter !== 'nitrate') } : {};
    return [
      {
        id: 'nitrate',
        label: 'nitrate',
        points: points('nitrate'),
        marker: 'square',
        filled: false,
        stroke: color.inkSoft,
        dash: '2 3',
        ...course('nitrate'),
      },
      {
        id: 'nitrite',
        label: 'nitrite',
        points: points('nitrite'),
        marker: 'triangle',
        filled: false,
        stroke: color.deep,
        dash: '6 4',
        ...course('nitrite'),
      },
      {
        id: 'ammonia',
        label: 'ammonia',
        points: points('ammonia'),
        marker: 'diamond',
        filled: true,
        stroke: color.ink,
        ...course('ammonia'),
      },
    ];
  }, [history, span.to, forecast]);
  if (readings.length === 0 && !forecast?.fed) {
    return (
      <Words as="lead">
        Its three series are drawn here from the first ammonia dose or test on.
      </Words>
    );
  }
  const events = chartMarks(history, ['ammonia', 'nitrite', 'nitrate', 'growth']).filter(
    (event) => event.x <= span.to,
  );
  const notes = [
    'All as nitrogen, so that they compare. Bars show what a step stands for.',
    forecast?.fed ? 'Lines are inferred; 8 in 10 courses lie within the shaded range.' : '',
    asideWords(series.flatMap((s) => s.points.filter((p) => p.aside).map(() => s.id))),
    events.length > 0 ? 'Arrows: doses, water changes and what was seen.' : '',
  ];
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
        legend={notes.filter(Boolean).join(' ')}
        summary="Ammonia, nitrite and nitrate since the tank was filled, and what lies ahead, all as nitrogen."
        table={{
          columns: ['When', 'What', 'Read', 'mg N/L'],
          rows: readings
            .filter((reading) => reading.at <= span.to)
            .sort((a, b) => a.at - b.at)
            .map((reading) => [
              { words: momentWords(reading.at, zone, now), value: reading.at },
              reading.parameter,
              readingWords(reading),
              formatPlain(fromCanonical(reading.best, `${reading.parameter as 'ammonia'} N`), 2),
            ]),
        }}
      />
    </View>
  );
}
