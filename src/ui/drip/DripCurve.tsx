import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { Circle, Line, Path } from 'react-native-svg';
import { Label, Plot, Sounding } from '../Plot';
import { color } from '../tokens';

const HEIGHT = 148;
const TOP = 26;
const FOOT = 22;

export interface DripCurveProps {
  points: readonly { minute: number; salinity: number }[];
  tank: number;
  /** Where it stands now; null for a plan that nobody began. */
  now: { minute: number; salinity: number } | null;
  tankLabel: string;
  bagLabel: string;
  nowLabel: string;
  /** All of it in a sentence. */
  summary: string;
}

/** Salinity in the bucket against time: what is expected, and where it stands. */
export function DripCurve(props: DripCurveProps) {
  return (
    <Plot height={HEIGHT} summary={props.summary}>
      {(width) => <Curve {...props} width={width} />}
    </Plot>
  );
}

function Curve({
  points,
  tank,
  now,
  tankLabel,
  bagLabel,
  nowLabel,
  width,
}: DripCurveProps & { width: number }) {
  const [first] = points;
  const last = points.at(-1);
  const values = [tank, ...points.map(({ salinity }) => salinity)];
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const spare = Math.max(0.3, (high - low) * 0.1);
  const x = scaleLinear([0, Math.max(1, last?.minute ?? 1)], [6, Math.max(7, width - 6)]);
  const y = scaleLinear([low - spare, high + spare], [HEIGHT - FOOT, TOP]);
  const path = line<{ minute: number; salinity: number }>(
    (point) => x(point.minute),
    (point) => y(point.salinity),
  )([...points]);
  const below = (first?.salinity ?? 0) <= tank;
  const nowAt = now ? x(now.minute) : 0;
  if (!first) return null;
  return (
    <>
      <Line x1={0} x2={width} y1={y(tank)} y2={y(tank)} stroke={color.inkSoft} strokeWidth={2} />
      <Label x={width - 2} y={below ? y(tank) - 7 : y(tank) + 17} textAnchor="end">
        {tankLabel}
      </Label>
      {path ? (
        <Path d={path} fill="none" stroke={color.deep} strokeWidth={2} strokeDasharray="6 4" />
      ) : null}
      <Circle cx={x(first.minute)} cy={y(first.salinity)} r={5} fill={color.ink} />
      {now && nowAt < 120 ? null : (
        <Sounding
          x={x(first.minute) + 10}
          y={below ? y(first.salinity) + 16 : y(first.salinity) - 8}
        >
          {bagLabel}
        </Sounding>
      )}
      {now ? (
        <>
          <Line
            x1={nowAt}
            x2={nowAt}
            y1={TOP - 12}
            y2={HEIGHT - 6}
            stroke={color.ink}
            strokeWidth={2}
          />
          <Circle
            cx={nowAt}
            cy={y(now.salinity)}
            r={5.5}
            fill={color.paper}
            stroke={color.deep}
            strokeWidth={2.5}
          />
          <Sounding
            x={nowAt > width / 2 ? nowAt - 10 : nowAt + 10}
            y={HEIGHT - 8}
            textAnchor={nowAt > width / 2 ? 'end' : 'start'}
            fill={color.deep}
          >
            {nowLabel}
          </Sounding>
        </>
      ) : null}
    </>
  );
}
