import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';
import { Frame } from '../Frame';
import { color, font } from '../tokens';
import { useLayoutWidth } from '../useLayoutWidth';

/** A value along a line, a level in a vessel, a point of a curve. */
export type SketchShape =
  | { kind: 'line'; marks: readonly { at: number; label: string }[] }
  | { kind: 'levels'; levels: readonly { share: number; label: string }[] }
  | {
      kind: 'curve';
      points: readonly (readonly [x: number, y: number])[];
      over: string;
      goal?: number;
    };

export interface SketchProps {
  shape: SketchShape;
  /** What is drawn, in words. */
  summary: string;
  /** A figure with its unit. */
  words: (value: number) => string;
}

const HEIGHT = { line: 92, levels: 128, curve: 140 };
const SIDE = 34;
/** Nearer to an end than this a label in the middle of its mark may be cut off, px. */
const EDGE = 60;
const LETTERS = { fontSize: 13, fontFamily: font.sans, fill: color.ink } as const;
const FIGURES = {
  fontSize: 14,
  fontFamily: font.serif,
  fontStyle: 'italic',
  fill: color.ink,
} as const;

/** A small drawing beside the answer of a sum. */
export function Sketch({ shape, summary, words }: SketchProps) {
  const [width, onLayout] = useLayoutWidth('sketch');
  const wide = Math.min(width, 520);
  return (
    <Frame width={wide} height={HEIGHT[shape.kind]} onLayout={onLayout} summary={summary}>
      {wide < 120 ? null : shape.kind === 'line' ? (
        <Mixing marks={shape.marks} width={wide} words={words} />
      ) : shape.kind === 'levels' ? (
        <Levels levels={shape.levels} width={wide} />
      ) : (
        <Curve {...shape} width={wide} words={words} />
      )}
    </Frame>
  );
}

/** Two waters and what they make: marks on a line, each with its figure; labels in two rows. */
function Mixing({
  marks,
  width,
  words,
}: {
  marks: readonly { at: number; label: string }[];
  width: number;
  words: SketchProps['words'];
}) {
  const [low = 0, high = 1] = extent(marks, ({ at }) => at);
  const x = scaleLinear([low, high === low ? low + 1 : high], [SIDE, width - SIDE]);
  const sorted = [...marks].sort((a, b) => a.at - b.at);
  return (
    <G>
      <Line x1={SIDE} x2={width - SIDE} y1={46} y2={46} stroke={color.ink} strokeWidth={1.5} />
      {sorted.map(({ at, label }, index) => {
        const above = index % 2 === 0;
        // What stands at an end runs inwards from it, so that nothing is cut off.
        const [anchor, from] =
          x(at) < EDGE
            ? (['start', 0] as const)
            : x(at) > width - EDGE
              ? (['end', width] as const)
              : (['middle', x(at)] as const);
        return (
          <G key={label}>
            <Circle
              cx={x(at)}
              cy={46}
              r={5}
              fill={index === 1 ? color.paper : color.ink}
              stroke={color.ink}
              strokeWidth={1.5}
            />
            <Text x={from} y={above ? 32 : 66} textAnchor={anchor} {...FIGURES}>
              {words(at)}
            </Text>
            <Text x={from} y={above ? 16 : 83} textAnchor={anchor} {...LETTERS}>
              {label}
            </Text>
          </G>
        );
      })}
    </G>
  );
}

/** A vessel and the levels in it. */
function Levels({
  levels,
  width,
}: {
  levels: readonly { share: number; label: string }[];
  width: number;
}) {
  const top = 8;
  const bottom = HEIGHT.levels - 8;
  const vessel = Math.min(200, width * 0.5);
  const y = scaleLinear([0, 1], [bottom, top]);
  const lowest = Math.min(...levels.map(({ share }) => share));
  return (
    <G>
      <Rect x={2} y={y(lowest)} width={vessel} height={bottom - y(lowest)} fill={color.shoal2} />
      <Path
        d={`M2 ${top} V${bottom} H${vessel + 2} V${top}`}
        stroke={color.ink}
        strokeWidth={2}
        fill="none"
      />
      {levels.map(({ share, label }, index) => (
        <G key={label}>
          <Line
            x1={2}
            x2={vessel + 14}
            y1={y(share)}
            y2={y(share)}
            stroke={color.ink}
            strokeWidth={1.5}
            strokeDasharray={index === 0 ? undefined : '5 4'}
          />
          <Text x={vessel + 20} y={y(share) + (share > 0.96 ? 10 : 4)} {...LETTERS}>
            {label}
          </Text>
        </G>
      ))}
    </G>
  );
}

/** Room that a figure with its unit takes, px. */
const FIGURE_WIDTH = 56;

/** How a figure goes from step to step, and the goal as a line. */
function Curve({
  points,
  over,
  goal,
  width,
  words,
}: {
  points: readonly (readonly [x: number, y: number])[];
  over: string;
  goal?: number;
  width: number;
  words: SketchProps['words'];
}) {
  const first = points[0];
  const last = points.at(-1);
  if (!first || !last) return null;
  const [low = 0, high = 1] = extent([
    ...points.map(([, y]) => y),
    ...(goal === undefined ? [] : [goal]),
  ]);
  const x = scaleLinear([first[0], last[0] === first[0] ? first[0] + 1 : last[0]], [8, width - 76]);
  const y = scaleLinear([low, high === low ? low + 1 : high], [HEIGHT.curve - 30, 18]);
  const path = line<readonly [number, number]>(
    ([at]) => x(at),
    ([, value]) => y(value),
  )(points);
  // The first figure stands over the curve as far as it reaches, however steeply that rises.
  const beneath = points.filter(([at]) => x(at) < x(first[0]) + FIGURE_WIDTH);
  const above = Math.min(...beneath.map(([, value]) => y(value))) - 6;
  return (
    <G>
      <Line
        x1={8}
        x2={width - 76}
        y1={HEIGHT.curve - 24}
        y2={HEIGHT.curve - 24}
        stroke={color.rule}
      />
      {goal === undefined ? null : (
        <Line
          x1={8}
          x2={width - 76}
          y1={y(goal)}
          y2={y(goal)}
          stroke={color.inkSoft}
          strokeDasharray="5 4"
        />
      )}
      <Path d={path ?? ''} stroke={color.ink} strokeWidth={2} fill="none" />
      {[first, last].map(([at, value], index) => (
        <G key={index}>
          <Circle cx={x(at)} cy={y(value)} r={4} fill={color.ink} />
          <Text
            x={index === 0 ? x(at) + 8 : x(at) + 10}
            y={index === 0 ? above : y(value) + 5}
            {...FIGURES}
          >
            {words(value)}
          </Text>
        </G>
      ))}
      <Text x={x(last[0])} y={HEIGHT.curve - 8} textAnchor="end" {...LETTERS}>
        {`${last[0] === Math.round(last[0]) ? last[0] : last[0].toFixed(1)} ${over}`}
      </Text>
    </G>
  );
}
