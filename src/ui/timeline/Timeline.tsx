import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { Frame } from '../Frame';
import { Label, Sounding } from '../Plot';
import { LinkButton } from '../Press';
import { DataTable } from '../Table';
import { color } from '../tokens';
import { useLayoutWidth } from '../useLayoutWidth';
import {
  layoutTimeline,
  openingSpan,
  trackScale,
  wholeSpan,
  type TimelineMark,
  type PlacedMark,
} from './layout';
import { useViewport } from './useViewport';
import { columnsOf } from '../pixels';

const HEIGHT = 132;
const TRACK = 66;

const styles = StyleSheet.create({
  track: { height: HEIGHT, touchAction: 'pan-y', userSelect: 'none' } as object,
});

interface TimelineProps {
  marks: readonly TimelineMark[];
  /** When something was logged, ms: small ticks on the track. */
  ticks: readonly number[];
  now: number;
  nowLabel: string;
  /** What the drawing shows, for those who can't see it. */
  summary: string;
  /** Without its table, where there is nothing to tabulate. */
  bare?: boolean;
}

/**
 * The timeline: a track from the first mark to the last, what was logged as ticks, milestones as
 * circles (filled once passed) that lie in the range of their dates, and where the tank is now.
 */
export function Timeline({ marks, ticks, now, nowLabel, summary, bare = false }: TimelineProps) {
  const [width, onLayout] = useLayoutWidth('timeline');
  const [asTable, setAsTable] = useState(false);
  const whole = useMemo(() => wholeSpan(marks, now), [marks, now]);
  const most = width < 560 ? 5 : 9;
  const opening = useMemo(
    () => openingSpan(marks, now, Math.max(1, width), most, nowLabel),
    [marks, now, width, most, nowLabel],
  );
  const [span, ref] = useViewport(whole, width, opening);
  const { marks: placed, nowSide } = useMemo(
    () => layoutTimeline(marks, now, span, Math.max(1, width), most, nowLabel),
    [marks, now, span, width, most, nowLabel],
  );
  const further = marks.filter(({ at }) => at > span.to).length;
  const place = trackScale(span, width);
  const nowX = place(now);
  const startX = place(whole.from);
  const clip = (x: number) => Math.max(0, Math.min(width, x));
  return (
    <View>
      <Frame
        width={width}
        height={HEIGHT}
        onLayout={onLayout}
        onElement={ref}
        place={{ style: styles.track, tabIndex: 0 }}
        summary={summary}
        spoken={`${summary} Arrow keys move along it, plus and minus change its scale.`}
        span={{ from: span.from, to: span.to }}
        stays={bare}
        links={
          bare ? null : (
            <LinkButton
              soft
              label={
                asTable
                  ? 'Hide the table'
                  : `All milestones${further > 0 ? `, ${further} further on` : ''}`
              }
              onPress={() => setAsTable(!asTable)}
            />
          )
        }
      >
        <Path
          d={`M0 ${HEIGHT - 12} Q ${width * 0.2} ${HEIGHT - 24} ${width * 0.45} ${HEIGHT - 12} T ${width} ${HEIGHT - 16} V ${HEIGHT} H 0 Z`}
          fill={color.shoal1}
        />
        {placed.map((mark) =>
          mark.range ? (
            <G key={`${mark.id}-range`}>
              <Rect
                x={clip(mark.range.low)}
                y={TRACK - 8}
                width={Math.max(2, clip(mark.range.high) - clip(mark.range.low))}
                height={16}
                rx={8}
                fill={color.shoal2}
              />
              <Rect
                x={clip(mark.range.innerLow)}
                y={TRACK - 8}
                width={Math.max(2, clip(mark.range.innerHigh) - clip(mark.range.innerLow))}
                height={16}
                fill={color.shoal3}
              />
            </G>
          ) : null,
        )}
        <Line
          x1={clip(startX)}
          x2={clip(nowX)}
          y1={TRACK}
          y2={TRACK}
          stroke={color.ink}
          strokeWidth={2.5}
        />
        <Line
          x1={clip(nowX)}
          x2={width}
          y1={TRACK}
          y2={TRACK}
          stroke={color.ink}
          strokeWidth={2}
          strokeDasharray="2 4"
        />
        <Path
          d={columnsOf(ticks.map(place), 0, width)
            .map((x) => `M${x} ${TRACK - 5} v10`)
            .join('')}
          stroke={color.ink}
          strokeWidth={1}
        />
        <Line
          x1={nowX}
          x2={nowX}
          y1={TRACK - 14}
          y2={TRACK + 48}
          stroke={color.ink}
          strokeWidth={2}
        />
        <Label
          x={nowSide === 'left' ? nowX - 6 : nowX + 6}
          textAnchor={nowSide === 'left' ? 'end' : 'start'}
          y={TRACK + 46}
        >
          {nowLabel}
        </Label>
        {placed.map((mark) => (
          <G key={mark.id}>
            <Circle
              cx={mark.x}
              cy={TRACK}
              r={6}
              fill={mark.passed ? color.ink : color.paper}
              stroke={color.ink}
              strokeWidth={2}
            />
            {mark.row ? <MarkWords mark={mark} row={mark.row} /> : null}
          </G>
        ))}
      </Frame>
      {asTable ? (
        <DataTable
          caption="Milestones"
          columns={['Milestone', 'Date', 'Passed']}
          rows={marks.map((mark) => [
            mark.label,
            { words: mark.date, value: mark.at },
            mark.passed ? 'yes' : 'not yet',
          ])}
        />
      ) : null}
    </View>
  );
}

/** A mark's label over its date, above or below the track. */
function MarkWords({ mark, row }: { mark: PlacedMark; row: 'above' | 'below' }) {
  const x = mark.wordsX;
  const y = row === 'above' ? TRACK - 32 : TRACK + 29;
  return (
    <>
      <Label x={x} y={y} textAnchor={mark.anchor}>
        {mark.label}
      </Label>
      <Sounding x={x} y={y + 15} textAnchor={mark.anchor} fontSize={13} fill={color.inkSoft}>
        {mark.date}
      </Sounding>
    </>
  );
}
