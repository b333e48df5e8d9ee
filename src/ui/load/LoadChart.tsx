import { scaleBand, scaleLinear } from 'd3-scale';
import { Line, Rect } from 'react-native-svg';
import { Label, Plot, Sounding } from '../Plot';
import { color } from '../tokens';

const HEIGHT = 168;
const TOP = 24;
const FOOT = 42;

/** A week of a load: what all tanks ask, and what of it one tank does. */
export interface LoadBar {
  /** "23 Nov". */
  label: string;
  /** Whole minutes. */
  minutes: number;
  own: number;
  /** "31 L". */
  litres: string;
}

export interface LoadChartProps {
  bars: readonly LoadBar[];
  summary: string;
}

/** The minutes of the coming weeks as bars, with the part of one tank in them and the litres beneath. */
export function LoadChart({ bars, summary }: LoadChartProps) {
  return (
    <Plot height={HEIGHT} summary={summary}>
      {(width) => <Bars bars={bars} width={width} />}
    </Plot>
  );
}

function Bars({ bars, width }: { bars: readonly LoadBar[]; width: number }) {
  const x = scaleBand(
    bars.map(({ label }) => label),
    [0, width],
  ).padding(0.25);
  const most = Math.max(30, ...bars.map(({ minutes }) => minutes));
  const y = scaleLinear([0, most], [HEIGHT - FOOT, TOP]);
  const base = HEIGHT - FOOT;
  return (
    <>
      {bars.map(({ label, minutes, own, litres }) => {
        const left = x(label) ?? 0;
        const middle = left + x.bandwidth() / 2;
        return [
          <Rect
            key={`${label} all`}
            x={left}
            y={y(minutes)}
            width={x.bandwidth()}
            height={base - y(minutes)}
            fill={color.shoal1}
            stroke={color.ink}
            strokeWidth={1}
          />,
          <Rect
            key={`${label} own`}
            x={left}
            y={y(own)}
            width={x.bandwidth()}
            height={base - y(own)}
            fill={color.shoal3}
          />,
          <Label key={`${label} minutes`} x={middle} y={y(minutes) - 7} textAnchor="middle">
            {String(minutes)}
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
          <Sounding key={`${label} litres`} x={middle} y={base + 36} textAnchor="middle">
            {litres}
          </Sounding>,
        ];
      })}
      <Line x1={0} x2={width} y1={base} y2={base} stroke={color.ink} strokeWidth={1} />
    </>
  );
}
