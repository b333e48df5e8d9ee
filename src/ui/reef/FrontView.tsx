import { scaleLinear } from 'd3-scale';
import { Circle, G, Line, Rect } from 'react-native-svg';
import { Label, Plot, Sounding } from '../Plot';
import { color } from '../tokens';

/** A height of the rock, from the sand up. */
export interface FrontBand {
  /** cm over the floor that it begins and ends at. */
  from: number;
  to: number;
  label: string;
  light: 'low' | 'medium' | 'high';
}

export interface FrontPiece {
  id: string;
  name: string;
  /** cm from the left, and over the floor. */
  x: number;
  y: number;
  /** How far it reaches, cm. */
  stingRange: number;
  trouble: boolean;
  chosen: boolean;
}

export interface FrontViewProps {
  lengthCm: number;
  bands: readonly FrontBand[];
  /** What the flow of each third is called, from left to right. */
  flows: readonly string[];
  pieces: readonly FrontPiece[];
  /** All of it in a sentence. */
  summary: string;
}

const SHADES = { low: color.shoal2, medium: color.shoal1, high: color.raised } as const;
const HEIGHT = 190;
const FOOT = 24;
/** Half of a mark, px. */
const MARK = 13;

/** A tank from the front: how high each coral stands, in which light and which flow. */
export function FrontView(props: FrontViewProps) {
  return (
    <Plot height={HEIGHT} summary={props.summary}>
      {(width) => <Front {...props} width={width} />}
    </Plot>
  );
}

function Front({ lengthCm, bands, flows, pieces, width }: FrontViewProps & { width: number }) {
  const top = Math.max(1, ...bands.map(({ to }) => to));
  const x = scaleLinear([0, lengthCm], [0, width]).clamp(true);
  const y = scaleLinear([0, top], [HEIGHT - FOOT, 0]);
  const third = width / flows.length;
  return (
    <>
      {bands.map(({ from, to, label, light }) => (
        <G key={label}>
          <Rect x={0} y={y(to)} width={width} height={y(from) - y(to)} fill={SHADES[light]} />
          <Sounding
            x={width - 6}
            y={y(from) - 6}
            textAnchor="end"
            fontSize={12.5}
            fill={color.inkSoft}
          >
            {`${label.toLowerCase()}, ${light} light`}
          </Sounding>
        </G>
      ))}
      {flows.map((flow, place) => (
        <G key={place}>
          {place > 0 ? (
            <Line
              x1={place * third}
              x2={place * third}
              y1={0}
              y2={HEIGHT - FOOT}
              stroke={color.edge}
              strokeDasharray="3 4"
            />
          ) : null}
          <Label x={(place + 0.5) * third} y={HEIGHT - 7} textAnchor="middle" fontSize={12.5}>
            {flow}
          </Label>
        </G>
      ))}
      <Rect
        x={0.5}
        y={0.5}
        width={width - 1}
        height={HEIGHT - FOOT}
        fill="none"
        stroke={color.edge}
      />
      {pieces.map(({ id, name, x: left, y: up, stingRange, trouble, chosen }) => {
        // A mark stands within the glass, however near the pane.
        const at = Math.min(width - MARK - 1, Math.max(MARK + 1, x(left)));
        const over = y(up) - MARK;
        return (
          <G key={id}>
            {stingRange > 0 ? (
              <Circle
                cx={at}
                cy={over}
                r={Math.max(MARK + 2, x(stingRange))}
                fill="none"
                stroke={trouble ? color.magenta : color.inkSoft}
                strokeDasharray={trouble ? undefined : '4 4'}
                strokeWidth={1.5}
              />
            ) : null}
            <Circle
              cx={at}
              cy={over}
              r={MARK}
              fill={chosen ? color.ink : color.raised}
              stroke={trouble ? color.magenta : color.ink}
              strokeWidth={2}
            />
            <Label
              x={at}
              y={over + 4}
              textAnchor="middle"
              fontSize={11.5}
              fill={chosen ? color.paper : color.ink}
            >
              {[...name].slice(0, 2).join('')}
            </Label>
          </G>
        );
      })}
    </>
  );
}
