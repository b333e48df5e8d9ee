import { max, min } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { useState } from 'react';
import { View } from 'react-native';
import { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { DataTable } from '../Table';
import type { Cell } from '../table/DataTable';
import { Frame } from '../Frame';
import { LinkButton } from '../Press';
import { Words } from '../Words';
import { color, font } from '../tokens';
import { useLayoutWidth } from '../useLayoutWidth';
import { spreadLabels } from './labels';
import { Marker, type MarkerShape } from './Marker';
import { columnsOf, tellable } from '../pixels';

export interface ChartPoint {
  x: number;
  y: number;
  /** Where the true value may lie; drawn as a bar through the mark. */
  low?: number;
  high?: number;
  /** A value that does not count: drawn hollow, struck through, and left out of the line. */
  aside?: boolean;
}

export interface ChartSeries {
  id: string;
  label: string;
  points: readonly ChartPoint[];
  marker: MarkerShape;
  filled: boolean;
  stroke: string;
  /** Line pattern, as SVG writes it; undefined for solid. */
  dash?: string;
  /** What is inferred between and beyond the points; its middle is then the line. */
  course?: ChartCourse;
}

/** A line with the range it may lie in, at rising moments. */
export interface ChartCourse {
  at: readonly number[];
  low: readonly number[];
  middle: readonly number[];
  high: readonly number[];
}

type CourseLine = 'low' | 'middle' | 'high';
type Point = readonly [x: number, y: number];

/** A line of a course within the chart, as points. */
function coursePoints(course: ChartCourse, which: CourseLine, from: number, to: number): Point[] {
  return course.at.flatMap((at, i): Point[] =>
    at >= from && at <= to ? [[at, course[which][i] ?? 0]] : [],
  );
}

/** What of a course lies ahead of a moment, the moment itself read between its neighbours. */
function aheadOf(course: ChartCourse, which: 'low' | 'high', from: number, to: number): Point[] {
  const [first, last] = [course.at[0], course.at.at(-1)];
  if (first === undefined || last === undefined || from >= last) return [];
  const start = Math.max(from, first);
  const value = scaleLinear(course.at, course[which]);
  return [[start, value(start)], ...coursePoints(course, which, start + 1, to)];
}

export interface ChartEvent {
  x: number;
  label: string;
}

interface TimeChartProps {
  series: readonly ChartSeries[];
  from: number;
  to: number;
  now: number;
  /** Unit of the vertical axis, as printed. */
  unit: string;
  zeroBased: boolean;
  /** A range to shade: what the keeper wants. */
  band?: { low: number; high: number };
  events?: readonly ChartEvent[];
  xTicks: readonly { at: number; label: string }[];
  formatY: (value: number) => string;
  height?: number;
  /** How it is to be read: what is shaded, which marks do not count; empty where nothing needs a word. */
  legend: string;
  /** What the drawing shows, for those who can't see it. */
  summary: string;
  table: { columns: readonly string[]; rows: readonly (readonly Cell[])[] };
}

const PAD = { left: 34, top: 30, bottom: 24 };

function extent(props: TimeChartProps): [number, number] {
  const ys = props.series.flatMap((s) =>
    s.points
      .filter((p) => !p.aside)
      .flatMap((p) => [p.y, p.low ?? p.y, Math.min(p.high ?? p.y, p.y * 1.6 + 1e-9)]),
  );
  // The range ahead belongs to the picture: cut off flat it would look surer than it is.
  const courses = props.series.flatMap((s) =>
    s.course
      ? [
          ...coursePoints(s.course, 'middle', props.from, props.to),
          ...coursePoints(s.course, 'high', props.now, props.to),
        ].map(([, y]) => y)
      : [],
  );
  const wanted = props.band ? [props.band.low, props.band.high] : [];
  const all = [...ys, ...courses, ...(props.zeroBased ? [0] : []), ...wanted];
  const [low = 0, high = 1] = [min(all), max(all)];
  const room = (high - low || Math.abs(high) || 1) * 0.08;
  return [props.zeroBased ? 0 : low - room, high + room];
}

/** Series over time, each with its own line, mark and label at its end; and the same as a table. */
export function TimeChart(props: TimeChartProps) {
  const { series, from, to, now, unit, band, events = [], xTicks, formatY, height = 232 } = props;
  const [width, onLayout] = useLayoutWidth('chart');
  const [asTable, setAsTable] = useState(false);
  const labelRoom = Math.max(0, ...series.map((s) => s.label.length * 7.8 + 26));
  const right = Math.max(PAD.left + 40, width - (series.length > 1 ? labelRoom : 12));
  const bottom = height - PAD.bottom;
  const [low, high] = extent(props);
  const x = scaleLinear([from, to], [PAD.left, right]);
  const y = scaleLinear([low, high], [bottom, PAD.top]);
  const path = line<Point>(
    ([at]) => x(at),
    ([, value]) => y(value),
  ).digits(1);
  const visible = series
    .filter((s) => s.points.length > 0 || s.course)
    .map((s) => ({ ...s, points: tellable(s.points, right - PAD.left, (p) => x(p.x)) }));
  const lineOf = (s: ChartSeries) =>
    path(
      s.course
        ? coursePoints(s.course, 'middle', from, to)
        : s.points.filter((p) => !p.aside).map((p): Point => [p.x, p.y]),
    ) ?? '';
  const rangeOf = (course: ChartCourse) => {
    const top = aheadOf(course, 'high', now, to);
    const foot = aheadOf(course, 'low', now, to);
    const outline = area<Point>()
      .x(([at]) => x(at))
      .y0((_, i) => y(Math.min(high, foot[i]?.[1] ?? low)))
      .y1(([, value]) => y(Math.min(high, value)))
      .digits(1);
    return top.length > 1 ? outline(top) : null;
  };
  const ends = visible.map((s) => {
    const end = s.course && coursePoints(s.course, 'middle', from, to).at(-1);
    if (end) return y(end[1]);
    const last = s.points.filter((p) => !p.aside).at(-1);
    return last ? y(last.y) : bottom;
  });
  // The word at the line of now stands where the unit would, on the first days of a tank.
  const nowX = x(now);
  const unitX = nowX >= PAD.left - 1 && nowX < PAD.left + 50 ? nowX + 40 : PAD.left;
  const labelYs = spreadLabels(ends, 17, PAD.top + 6, bottom - 2);
  return (
    <View>
      <Frame
        width={width}
        height={height}
        onLayout={onLayout}
        summary={props.summary}
        unit={unit}
        legend={props.legend}
        span={{ from, to: Math.min(now, to) }}
        links={
          <LinkButton
            soft
            label={asTable ? 'Hide the table' : 'As a table'}
            onPress={() => setAsTable(!asTable)}
          />
        }
      >
        {to > now && now > from ? (
          <Rect
            x={x(now)}
            y={2}
            width={right - x(now)}
            height={bottom - 2}
            fill={color.shoal1}
            opacity={0.6}
          />
        ) : null}
        {band ? (
          <Rect
            x={PAD.left}
            y={y(Math.min(band.high, high))}
            width={right - PAD.left}
            height={Math.max(1, y(Math.max(band.low, low)) - y(Math.min(band.high, high)))}
            fill={color.shoal1}
          />
        ) : null}
        {y.ticks(5).map((tick) => (
          <G key={tick}>
            <Line
              x1={PAD.left}
              x2={right}
              y1={y(tick)}
              y2={y(tick)}
              stroke={color.rule}
              strokeWidth={1}
            />
            <SvgText
              x={PAD.left - 6}
              y={y(tick) + 4}
              textAnchor="end"
              fontFamily={font.serif}
              fontStyle="italic"
              fontSize={12}
              fill={color.inkSoft}
            >
              {formatY(tick)}
            </SvgText>
          </G>
        ))}
        <SvgText x={unitX} y={11} fontFamily={font.sans} fontSize={12} fill={color.inkSoft}>
          {unit}
        </SvgText>
        {xTicks.map((tick, index) => (
          <SvgText
            key={tick.at}
            x={x(tick.at)}
            y={height - 6}
            textAnchor={index === 0 ? 'start' : x(tick.at) > right - 24 ? 'end' : 'middle'}
            fontFamily={font.sans}
            fontSize={12}
            fill={color.inkSoft}
          >
            {tick.label}
          </SvgText>
        ))}
        {columnsOf(
          events.map((event) => x(event.x)),
          -Infinity,
          Infinity,
        ).map((place) => (
          <G key={place}>
            <Line
              x1={place}
              x2={place}
              y1={bottom - 9}
              y2={bottom}
              stroke={color.ink}
              strokeWidth={1.5}
            />
            <Path d={`M${place - 4} ${bottom - 9} h8 l-4 -6 Z`} fill={color.ink} />
          </G>
        ))}
        {now >= from && now <= to ? (
          <G>
            <Line x1={x(now)} x2={x(now)} y1={2} y2={bottom} stroke={color.ink} strokeWidth={1.5} />
            <SvgText
              x={x(now) > right - 30 ? x(now) - 5 : x(now) + 5}
              y={11}
              textAnchor={x(now) > right - 30 ? 'end' : 'start'}
              fontFamily={font.sans}
              fontWeight="600"
              fontSize={12.5}
              fill={color.ink}
            >
              now
            </SvgText>
          </G>
        ) : null}
        {visible.map((s) => {
          const range = s.course && rangeOf(s.course);
          return range ? (
            <Path key={`${s.id}-range`} d={range} fill={s.stroke} opacity={0.16} />
          ) : null;
        })}
        {visible.map((s) => (
          <G key={s.id}>
            <Path
              d={lineOf(s)}
              fill="none"
              stroke={s.stroke}
              strokeWidth={2}
              strokeDasharray={s.dash}
            />
            {s.points.map((p, index) =>
              p.low !== undefined && p.high !== undefined && !p.aside ? (
                <Line
                  key={index}
                  x1={x(p.x)}
                  x2={x(p.x)}
                  y1={y(Math.max(p.low, low))}
                  y2={y(Math.min(p.high, high))}
                  stroke={s.stroke}
                  strokeWidth={1}
                  opacity={0.55}
                />
              ) : null,
            )}
          </G>
        ))}
        {visible.map((s) =>
          s.points.map((p, index) => (
            <Marker
              key={`${s.id}-${index}`}
              shape={s.marker}
              x={x(p.x)}
              y={Math.max(PAD.top, Math.min(bottom, y(p.y)))}
              stroke={p.aside ? color.inkSoft : s.stroke}
              filled={s.filled && !p.aside}
              struck={p.aside}
            />
          )),
        )}
        {series.length > 1
          ? visible.map((s, index) => (
              <G key={`${s.id}-label`}>
                <Marker
                  shape={s.marker}
                  x={right + 12}
                  y={labelYs[index] ?? 0}
                  stroke={s.stroke}
                  filled={s.filled}
                  size={4.5}
                />
                <SvgText
                  x={right + 21}
                  y={(labelYs[index] ?? 0) + 4}
                  fontFamily={font.sans}
                  fontSize={12.5}
                  fontWeight={s.filled ? '600' : '400'}
                  fill={s.stroke}
                >
                  {s.label}
                </SvgText>
              </G>
            ))
          : null}
      </Frame>
      {props.legend === '' ? null : <Words as="soft">{props.legend}</Words>}
      {asTable ? <DataTable caption={props.summary} {...props.table} /> : null}
    </View>
  );
}
