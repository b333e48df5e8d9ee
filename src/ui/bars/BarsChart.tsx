import { scaleBand, scaleLinear } from 'd3-scale';
import { Line, Rect } from 'react-native-svg';
import { Label, Plot, Sounding } from '../Plot';
import { color } from '../tokens';

const HEIGHT = 168;
const TOP = 24;
const FOOT = 42;

/** A stretch of time: what it comes to, and what of it is a part. */
export interface TimeBar {
  /** "23 Nov"; no two alike. */
  label: string;
  /** Whole, as it is written above the bar. */
  value: number;
  /** The dark part of it. */
  part: number;
  /** Stands beneath, in the hand of soundings: "31 L". */
  below: string;
}

export interface BarsChartProps {
  bars: readonly TimeBar[];
  summary: string;
}

/** Weeks or months as bars, with a part of each dark and a figure beneath. */
export function BarsChart({ bars, summary }: BarsChartProps) {
  return (
    <Plot height={HEIGHT} summary={summary}>
      {(width) => <Bars bars={bars} width={width} />}
    </Plot>
  );
}

function Bars({ bars, width }: { bars: readonly TimeBar[]; width: number }) {
  const x = scaleBand(
    bars.map(({ label }) => label),
    [0, width],
  ).padding(0.25);
  const most = Math.max(10, ...bars.map(({ value }) => value));
  const y = scaleLinear([0, most], [HEIGHT - FOOT, TOP]);
  const base = HEIGHT - FOOT;
  return (
    <>
      {bars.map(({ label, value, part, below }) => {
        const left = x(label) ?? 0;
        const middle = left + x.bandwidth() / 2;
        return [
          <Rect
            key={`${label} all`}
            x={left}
            y={y(value)}
            width={x.bandwidth()}
            height={base - y(value)}
            fill={color.shoal1}
            stroke={color.ink}
            strokeWidth={1}
          />,
          <Rect
            key={`${label} part`}
            x={left}
            y={y(part)}
            width={x.bandwidth()}
            height={base - y(part)}
            fill={color.shoal3}
          />,
          <Label key={`${label} value`} x={middle} y={y(value) - 7} textAnchor="middle">
            {String(value)}
          </Label>,
          <Label
            key={`${label} day`}
            x={middle}
            y={base + 17}
            textAnchor="middle"
            fill={color.inkSoft}
            fontWeight="400"
          >
            {label}
          </Label>,
          <Sounding key={`${label} below`} x={middle} y={base + 36} textAnchor="middle">
            {below}
          </Sounding>,
        ];
      })}
      <Line x1={0} x2={width} y1={base} y2={base} stroke={color.ink} strokeWidth={1} />
    </>
  );
}
