import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Rect, Text } from 'react-native-svg';
import type { PlanLoad } from '@/core/livestock/planner/types';
import { formatPlain } from '@/core/units/format';
import { color, font } from '../tokens';

const HEIGHT = 112;
const TOP = 36;
const DEEP = 30;
/** A letter of a label, px: enough to know whether two of them meet. */
const LETTER = 6.6;

export interface DemandBarProps {
  load: PlanLoad;
  /** The next addition of the plan. */
  next: { name: string; nitrogen: number } | null;
}

/** What is fed and what could be carried, as one drawing: the load, the next addition, and both limits. */
export function DemandBar({ load, next }: DemandBarProps) {
  const [width, setWidth] = useState(0);
  const { now, ceiling, carries } = load;
  const after = now + (next?.nitrogen ?? 0);
  const far = Math.max(carries?.usual ?? 0, ceiling ?? 0, after, 1);
  // A filter far beyond what is fed would press the rest into a corner.
  const end = Math.min(far, Math.max(after, ceiling ?? 0, 1) * 3.2) * 1.08;
  const x = scaleLinear([0, end], [0, width]).clamp(true);
  const mg = (value: number) => formatPlain(value, value < 10 ? 1 : 0);
  const right = carries ? `can clear ${mg(carries.low)}–${mg(carries.usual)}` : '';
  const leftLabel = `made now ${mg(now)} mg N a day`;
  const stacked = (leftLabel.length + right.length) * LETTER > width - 12;
  const ceilingText = ceiling === null ? '' : `this month’s ceiling, ${mg(ceiling)}`;
  const nextText = next ? `+ ${next.name.toLowerCase()} ${mg(next.nitrogen)}` : '';
  const ceilingAt = x(ceiling ?? 0);
  const ceilingRight = ceilingAt + ceilingText.length * LETTER < width;
  const label = [
    leftLabel,
    right && `${right} mg N a day`,
    ceilingText && `${ceilingText} mg N a day`,
    nextText,
  ]
    .filter(Boolean)
    .join('; ');
  return (
    <View
      role="img"
      aria-label={label}
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      style={{ height: HEIGHT }}
    >
      {width > 0 ? (
        <Svg width={width} height={HEIGHT}>
          <Text
            x={0}
            y={stacked ? 12 : 26}
            fontFamily={font.sans}
            fontSize={13}
            fontWeight="600"
            fill={color.ink}
          >
            {leftLabel}
          </Text>
          {carries ? (
            <Text
              x={width}
              y={28}
              textAnchor="end"
              fontFamily={font.sans}
              fontSize={13}
              fontWeight="600"
              fill={color.deep}
            >
              {right}
            </Text>
          ) : null}
          <Rect x={0} y={TOP} width={width} height={DEEP} fill={color.shoal1} />
          {carries ? (
            <>
              <Rect
                x={0}
                y={TOP}
                width={x(carries.usual)}
                height={DEEP}
                fill={color.shoal2}
                opacity={0.55}
              />
              <Rect x={0} y={TOP} width={x(carries.low)} height={DEEP} fill={color.shoal2} />
              {carries.low < end ? (
                <Line
                  x1={x(carries.low)}
                  x2={x(carries.low)}
                  y1={TOP - 4}
                  y2={TOP + DEEP + 4}
                  stroke={color.deep}
                  strokeWidth={2}
                />
              ) : null}
            </>
          ) : null}
          <Rect
            x={0}
            y={TOP + 8}
            width={Math.max(x(now), now > 0 ? 2 : 0)}
            height={DEEP - 16}
            fill={color.ink}
          />
          {next && next.nitrogen > 0 ? (
            <Rect
              x={x(now)}
              y={TOP + 8}
              width={Math.max(3, x(after) - x(now))}
              height={DEEP - 16}
              fill="none"
              stroke={color.ink}
              strokeWidth={1.5}
              strokeDasharray="3 2.5"
            />
          ) : null}
          {ceiling === null ? null : (
            <>
              <Line
                x1={ceilingAt}
                x2={ceilingAt}
                y1={TOP - 4}
                y2={TOP + DEEP + 22}
                stroke={color.ink}
                strokeWidth={2}
              />
              <Text
                x={ceilingRight ? Math.max(0, ceilingAt - 2) : width}
                y={TOP + DEEP + 38}
                textAnchor={ceilingRight ? 'start' : 'end'}
                fontFamily={font.sans}
                fontSize={13}
                fontWeight="600"
                fill={color.ink}
              >
                {ceilingText}
              </Text>
            </>
          )}
          {nextText ? (
            <Text
              x={ceiling === null ? x(now) : Math.min(x(now), ceilingAt - 6)}
              textAnchor={
                ceiling !== null && x(now) + nextText.length * LETTER > ceilingAt ? 'end' : 'start'
              }
              y={TOP + DEEP + 17}
              fontFamily={font.serif}
              fontStyle="italic"
              fontSize={13}
              fill={color.inkSoft}
            >
              {nextText}
            </Text>
          ) : null}
        </Svg>
      ) : null}
    </View>
  );
}
