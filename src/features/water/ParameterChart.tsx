import { useMemo } from 'react';
import { View } from 'react-native';
import { bandWords } from '@/core/cycle/verdict/criteria/conditions';
import { nitriteSpoils } from '@/core/cycle/verdict/criteria/chain';
import { chartMarks } from '@/core/history/events';
import { readingWords, type Reading } from '@/core/history/reading';
import type { TankHistory } from '@/core/history/tankHistory';
import { fromCanonical } from '@/core/parameters/convert';
import { PARAMETERS, type ParameterId } from '@/core/parameters/registry';
import { unitFor } from '@/core/records/schema/settings';
import { momentWords } from '@/core/time/words';
import { countOf, formatPlain } from '@/core/units/format';
import { unitDecimals, unitSymbol } from '@/core/units/units';
import { selectBands, selectNow, selectSettings } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { datedSpan } from '@/ui/chart/span';
import type { ChartPoint } from '@/ui/chart/TimeChart';
import { TimeChart } from '@/ui/Drawing';
import { color } from '@/ui/tokens';
import { Words } from '@/ui/Words';

const MARKERS: Partial<Record<ParameterId, 'diamond' | 'triangle' | 'square'>> = {
  ammonia: 'diamond',
  nitrite: 'triangle',
  nitrate: 'square',
};

function rangeText(reading: Reading, unit: Parameters<typeof fromCanonical>[1]): string {
  const decimals = Math.max(unitDecimals(unit), 2);
  const text = (v: number) => formatPlain(fromCanonical(v, unit), decimals);
  if (!Number.isFinite(reading.range.high)) return `${text(reading.range.low)} or more`;
  return `${text(reading.range.low)} to ${text(reading.range.high)} ${unitSymbol(unit)}`.trim();
}

/** A parameter over time, with its band and what happened to the water. @param from its first moment, ms */
export function ParameterChart({
  parameter,
  history,
  from,
  titled = false,
}: {
  parameter: ParameterId;
  history: TankHistory;
  from: number;
  /** Whether its name stands over it, where several follow one another. */
  titled?: boolean;
}) {
  const bands = useAppSelector(selectBands);
  const settings = useAppSelector(selectSettings);
  const now = useAppSelector(selectNow);
  const readings = history.readings[parameter];
  const unit = unitFor(settings, parameter);
  const spec = PARAMETERS[parameter];
  const band = bands[parameter];
  const zone = history.tank.zone;
  const chart = useMemo(() => {
    const shown = (canonical: number) => fromCanonical(canonical, unit);
    const visible = readings.filter((reading) => reading.at >= from);
    const points: ChartPoint[] = visible.map((reading) => ({
      x: reading.at,
      y: shown(reading.best),
      low: shown(reading.range.low),
      high: shown(Math.min(reading.range.high, reading.best * 2 + 1e-9)),
      aside:
        !reading.counts ||
        reading.expired ||
        (parameter === 'nitrate' && nitriteSpoils(history, reading)),
    }));
    return { visible, points };
  }, [readings, from, unit, history, parameter]);
  const dated = datedSpan(from, now, zone);
  const events = chartMarks(history, [parameter]).filter((event) => event.x >= dated.from);
  return (
    <View>
      {titled ? <Words as="strong">{spec.name}</Words> : null}
      <TimeChart
        series={[
          {
            id: parameter,
            label: spec.inSentence,
            points: chart.points,
            marker: MARKERS[parameter] ?? 'circle',
            filled: parameter !== 'nitrite' && parameter !== 'nitrate',
            stroke: parameter === 'nitrite' ? color.deep : color.ink,
            dash: parameter === 'nitrite' ? '6 4' : parameter === 'nitrate' ? '2 3' : undefined,
          },
        ]}
        from={dated.from}
        to={dated.to}
        now={now}
        unit={unitSymbol(unit)}
        zeroBased={spec.zeroBased}
        band={band && { low: fromCanonical(band.low, unit), high: fromCanonical(band.high, unit) }}
        events={events}
        xTicks={dated.ticks}
        formatY={(value) => formatPlain(value, unitDecimals(unit))}
        summary={`${spec.name} over time, ${countOf(chart.points.length, 'reading')}${band ? `, with the band ${bandWords(band, unit)}` : ''}.`}
        legend={[
          band ? `Shaded: your band, ${bandWords(band, unit)}.` : '',
          events.length > 0 ? 'Marks on the base line: doses and water changes.' : '',
          parameter === 'nitrate' || readings.some((r) => r.expired || !r.counts)
            ? 'Hollow grey marks do not count.'
            : '',
        ]
          .filter(Boolean)
          .join(' ')}
        table={{
          columns: ['When', 'Read', 'Range it stands for'],
          rows: chart.visible.map((reading) => [
            { words: momentWords(reading.at, zone, now), value: reading.at },
            { words: readingWords(reading), value: reading.best },
            rangeText(reading, unit),
          ]),
        }}
      />
    </View>
  );
}
