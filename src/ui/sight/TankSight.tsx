import { Circle, Defs, Ellipse, G, LinearGradient, Path, Rect, Stop } from 'react-native-svg';
import type { Sight } from '@/core/practice/look';
import { Frame } from '../Frame';
import { color } from '../tokens';
import { useLayoutWidth } from '../useLayoutWidth';

const HEIGHT = 190;
const MARGIN = 10;
const WATER = { clear: 0.16, hazy: 0.42, milky: 0.78 } as const;
/** What grows, as it looks: rust, green, deep green. */
const GROWTH_COLOUR: Record<string, string> = {
  diatoms: '#8a5a2b',
  film: '#6f8f3a',
  hair: '#3d6b35',
};
/** Most animals that are drawn; the sentence counts them all. */
const DRAWN = 14;

/** Places that look scattered and are the same each time. */
const place = (n: number, salt: number) => {
  const x = Math.sin(12.9898 * (n + 1) + 78.233 * salt) * 43758.5453;
  return x - Math.floor(x);
};

/** A tank from the front, as a person before it sees it. */
export function TankSight({ sight, summary }: { sight: Sight; summary: string }) {
  const [width, onLayout] = useLayoutWidth('sight');
  const wide = Math.min(width, 480);
  const inner = wide - 2 * MARGIN;
  const top = 26 + (HEIGHT - 40) * Math.max(0, 1 - Math.min(1, sight.share)) * 1.5;
  const floor = HEIGHT - 18;
  const animals = sight.animals
    .flatMap((each) => Array.from({ length: each.count }, () => each))
    .slice(0, DRAWN);
  return (
    <Frame width={wide} height={HEIGHT} onLayout={onLayout} summary={summary}>
      {wide < 120 ? null : (
        <G>
          <Defs>
            <LinearGradient id="sight-water" x1="0" y1="0" x2="0" y2="1">
              <Stop offset="0" stopColor={color.shoal1} />
              <Stop offset="1" stopColor={color.shoal3} />
            </LinearGradient>
          </Defs>
          <Rect x={MARGIN} y={top} width={inner} height={floor - top} fill="url(#sight-water)" />
          <Rocks inner={inner} floor={floor} />
          <Path
            d={`M${MARGIN} ${floor - 14} Q ${MARGIN + inner / 3} ${floor - 22} ${MARGIN + inner / 2} ${floor - 14} T ${MARGIN + inner} ${floor - 16} V ${floor} H ${MARGIN} Z`}
            fill="#d9c9a3"
          />
          <Growths sight={sight} inner={inner} floor={floor} />
          {animals.map((each, n) => {
            const low = each.bearing === 'lying low';
            const x = MARGIN + 24 + place(n, 1) * (inner - 48);
            const y = low ? floor - 12 : top + 24 + place(n, 2) * (floor - top - 80);
            return (
              <Animal key={n} group={each.group} x={x} y={y} low={low} flip={place(n, 3) > 0.5} />
            );
          })}
          {sight.dead.map(({ what }, n) => (
            <Animal
              key={what}
              group="fish"
              x={MARGIN + 40 + place(n, 4) * (inner - 80)}
              y={floor - 6}
              low
              dead
              flip={false}
            />
          ))}
          <Rect
            x={MARGIN}
            y={top}
            width={inner}
            height={floor - top}
            fill="#f4f1e6"
            opacity={WATER[sight.water] - WATER.clear}
          />
          <Path d={`M${MARGIN} ${top} H ${MARGIN + inner}`} stroke={color.deep} strokeWidth={1.5} />
          {sight.level === 'full' ? null : (
            <Path
              d={`M${MARGIN} 26 h 14`}
              stroke={color.ink}
              strokeWidth={1.5}
              strokeDasharray="3 3"
            />
          )}
          <Rect
            x={MARGIN}
            y={8}
            width={inner}
            height={floor - 8}
            fill="none"
            stroke={color.ink}
            strokeWidth={2}
          />
        </G>
      )}
    </Frame>
  );
}

function Rocks({ inner, floor }: { inner: number; floor: number }) {
  const at = (share: number) => MARGIN + inner * share;
  return (
    <G fill="#8f8577">
      <Path
        d={`M${at(0.14)} ${floor - 10} L ${at(0.2)} ${floor - 62} L ${at(0.3)} ${floor - 78} L ${at(0.4)} ${floor - 40} L ${at(0.46)} ${floor - 10} Z`}
      />
      <Path
        d={`M${at(0.55)} ${floor - 10} L ${at(0.62)} ${floor - 46} L ${at(0.74)} ${floor - 58} L ${at(0.86)} ${floor - 10} Z`}
      />
    </G>
  );
}

/** Dust and threads on rock, sand and glass, more of them the more is covered. */
function Growths({ sight, inner, floor }: { sight: Sight; inner: number; floor: number }) {
  return (
    <G>
      {sight.growths.flatMap(({ growth, cover }) =>
        Array.from({ length: Math.ceil(cover * 70) }, (_, n) => {
          const x = MARGIN + 6 + place(n, growth.length) * (inner - 12);
          const onSand = place(n, growth.length + 7) < 0.6;
          const y = onSand ? floor - 4 - place(n, 5) * 14 : floor - 20 - place(n, 6) * 52;
          const fill = GROWTH_COLOUR[growth] ?? color.kelp;
          return growth === 'hair' ? (
            <Path
              key={`${growth}${n}`}
              d={`M${x} ${y} q 3 -5 1 -10`}
              stroke={fill}
              strokeWidth={1.4}
              fill="none"
            />
          ) : (
            <Circle
              key={`${growth}${n}`}
              cx={x}
              cy={y}
              r={1.6 + 2 * place(n, 8)}
              fill={fill}
              opacity={0.75}
            />
          );
        }),
      )}
    </G>
  );
}

function Animal({
  group,
  x,
  y,
  low,
  dead = false,
  flip,
}: {
  group: 'fish' | 'invertebrate' | 'coral';
  x: number;
  y: number;
  low: boolean;
  dead?: boolean;
  flip: boolean;
}) {
  if (group !== 'fish') {
    return <Ellipse cx={x} cy={y} rx={5} ry={4} fill={color.ink} opacity={0.7} />;
  }
  const turn = low ? (dead ? 172 : 38) : 0;
  return (
    <G transform={`translate(${x} ${y}) scale(${flip ? -1 : 1} 1) rotate(${turn})`}>
      <Path
        d="M-11 0 C -6 -6 4 -6 9 0 C 4 6 -6 6 -11 0 Z M 8 0 L 15 -5 L 15 5 Z"
        fill={dead ? '#b9b3a6' : color.ink}
        opacity={dead ? 0.9 : 0.85}
      />
      <Circle cx={-6} cy={-1} r={1.2} fill={color.paper} />
    </G>
  );
}
