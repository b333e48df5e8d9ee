import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { color } from '@/ui/tokens';

/** The room of a drawing; heads look to the left. */
const WIDTH = 48;
const HEIGHT = 32;

/** What a fish's outline is made of. */
interface FishShape {
  /** Length of the body without its tail, and its depth, in units of the drawing. */
  length: number;
  depth: number;
  /** How far back the deepest point lies, as a share of the length. */
  deepest: number;
  tail: 'fork' | 'round' | 'lyre';
  /** Height of the fin on its back, and of that under it. */
  dorsal: number;
  anal: number;
}

const n = (value: number) => value.toFixed(1);

/** The outline of a fish from its proportions. */
function fishPath({ length, depth, deepest, tail, dorsal, anal }: FishShape): string {
  const x0 = (WIDTH - length - 9) / 2;
  const y = HEIGHT / 2;
  const top = y - depth / 2;
  const low = y + depth / 2;
  const xd = x0 + length * deepest;
  const x1 = x0 + length;
  const end = x1 + 9;
  const body = `M${n(x0)} ${n(y + 1)}C${n(x0 + 2)} ${n(top + 2)} ${n(xd - length * 0.2)} ${n(top)} ${n(xd)} ${n(top)}C${n(xd + length * 0.3)} ${n(top)} ${n(x1 - 4)} ${n(y - 2)} ${n(x1)} ${n(y - 2)}`;
  const spread = Math.max(5, depth * 0.32);
  const tails = {
    fork: `L${n(end)} ${n(y - spread)}L${n(x1 + 5)} ${n(y)}L${n(end)} ${n(y + spread)}L${n(x1)} ${n(y + 2)}`,
    round: `C${n(end)} ${n(y - spread)} ${n(end)} ${n(y + spread)} ${n(x1)} ${n(y + 2)}`,
    lyre: `C${n(x1 + 3)} ${n(y - spread)} ${n(end)} ${n(y - spread - 2)} ${n(end + 2)} ${n(y - spread - 3)}L${n(x1 + 4)} ${n(y)}L${n(end + 2)} ${n(y + spread + 3)}C${n(end)} ${n(y + spread + 2)} ${n(x1 + 3)} ${n(y + spread)} ${n(x1)} ${n(y + 2)}`,
  };
  const under = `C${n(x1 - 4)} ${n(y + 2)} ${n(xd + length * 0.3)} ${n(low)} ${n(xd)} ${n(low)}C${n(xd - length * 0.2)} ${n(low)} ${n(x0 + 2)} ${n(low - 2)} ${n(x0)} ${n(y + 1)}Z`;
  const fin = (height: number, side: 1 | -1) => {
    if (height === 0) return '';
    const base = side < 0 ? top + depth * 0.12 : low - depth * 0.12;
    return `M${n(xd - length * 0.15)} ${n(base)}L${n(xd + length * 0.1)} ${n(base + side * height)}L${n(xd + length * 0.4)} ${n(base + side * height * 0.7 - side * depth * 0.05)}L${n(xd + length * 0.45)} ${n(y + side * depth * 0.2)}Z`;
  };
  return `${body}${tails[tail]}${under}${fin(dorsal, -1)}${fin(anal, 1)}`;
}

const FISH: Readonly<Record<string, FishShape>> = {
  damsel: { length: 26, depth: 17, deepest: 0.42, tail: 'fork', dorsal: 4, anal: 3 },
  cardinal: { length: 25, depth: 14, deepest: 0.4, tail: 'fork', dorsal: 7, anal: 6 },
  basslet: { length: 29, depth: 12, deepest: 0.38, tail: 'round', dorsal: 4, anal: 3 },
  dartfish: { length: 33, depth: 6.5, deepest: 0.3, tail: 'round', dorsal: 9, anal: 3 },
  goby: { length: 33, depth: 7.5, deepest: 0.22, tail: 'round', dorsal: 5, anal: 2 },
  blenny: { length: 33, depth: 9.5, deepest: 0.16, tail: 'round', dorsal: 4, anal: 3 },
  dragonet: { length: 27, depth: 9, deepest: 0.3, tail: 'round', dorsal: 9, anal: 1 },
  wrasse: { length: 34, depth: 11, deepest: 0.4, tail: 'round', dorsal: 2.5, anal: 2.5 },
  disc: { length: 26, depth: 24, deepest: 0.45, tail: 'fork', dorsal: 3, anal: 3 },
  hawkfish: { length: 30, depth: 12, deepest: 0.34, tail: 'round', dorsal: 6, anal: 2 },
  anthias: { length: 27, depth: 13, deepest: 0.38, tail: 'lyre', dorsal: 5, anal: 3 },
  trigger: { length: 30, depth: 20, deepest: 0.5, tail: 'round', dorsal: 6, anal: 6 },
  puffer: { length: 28, depth: 19, deepest: 0.38, tail: 'round', dorsal: 0, anal: 0 },
  jawfish: { length: 33, depth: 9, deepest: 0.1, tail: 'round', dorsal: 3, anal: 2 },
};

const SPINES = Array.from({ length: 9 }, (_, i) => {
  const angle = Math.PI * (1.05 + i * 0.11);
  return `M24 16L${n(24 + 19 * Math.cos(angle))} ${n(16 + 15 * Math.sin(angle))}L${n(24 + 17 * Math.cos(angle + 0.06))} ${n(16 + 13 * Math.sin(angle + 0.06))}Z`;
}).join('');

const rays = (count: number, inner: number, outer: number, width: number) =>
  Array.from({ length: count }, (_, i) => {
    const at = (2 * Math.PI * i) / count - Math.PI / 2;
    const point = (radius: number, angle: number) =>
      `${n(24 + radius * Math.cos(angle))} ${n(16 + radius * Math.sin(angle))}`;
    return `M${point(inner, at - width)}L${point(outer, at)}L${point(inner, at + width)}Z`;
  }).join('');

const circle = (x: number, y: number, r: number) =>
  `M${n(x - r)} ${n(y)}a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0Z`;

/** Outlines that are no common fish. */
const OTHERS: Readonly<Record<string, string>> = {
  lionfish: `${fishPath({ length: 27, depth: 12, deepest: 0.36, tail: 'round', dorsal: 0, anal: 5 })}${SPINES}`,
  eel: 'M5 13c5-5 9 6 16 6s10-9 16-8 5 6 7 9c-4-2-5-5-8-5s-8 8-15 8S9 15 5 17Z',
  box: 'M8 9h22q5 0 7 5l6-3v10l-6-3q-2 5-7 5H8q-4-3-4-7t4-7ZM8 9L4 4l7 5Z',
  seahorse:
    'M20 4c5-2 10 1 10 6 0 4-2 5-2 8s3 3 3 6-5 6-8 3c4 1 5-1 4-3s-6-3-6-8c0-4 2-6 1-8l-8 3-1-2 5-2Z',
  snail: 'M7 27h33c2-4-2-6-6-6 1-9-5-15-12-15S9 12 10 19c0 3-3 5-3 8ZM38 21l5-7 1 1-3 7Z',
  hermit:
    'M17 25c-4-9 2-19 12-19s15 8 12 16c-5 4-16 6-24 3ZM17 22L6 17l-2 3 11 5ZM18 25l-9 5-1-2 8-5ZM22 26l-5 5-2-1 4-5Z',
  crab: 'M12 14q12-7 24 0 3 8-6 11H18q-9-3-6-11ZM12 15L4 9l3-4 3 5 6 3ZM36 15l8-6-3-4-3 5-6 3ZM14 23l-8 6-1-2 7-6ZM34 23l8 6 1-2-7-6Z',
  shrimp:
    'M6 13q12-8 24 0 8 5 8 12l5 3-8 1-5-3q0-7-7-8L7 17ZM7 13L2 3l1-1 7 10ZM12 18l-2 7-1 0 1-7ZM17 18l-1 8-1 0 0-8ZM22 19l1 7-1 0-2-7Z',
  urchin: `${circle(24, 16, 7)}${rays(20, 6, 15, 0.12)}`,
  star: rays(5, 5, 15, 0.62) + circle(24, 16, 5.5),
  anemone:
    'M18 30c2-6 1-9 0-12h12c-1 3-2 6 0 12ZM17 19C12 17 8 12 8 5l3 0c1 6 4 9 8 12ZM20 18C17 13 16 9 17 2l3 0c0 6 1 10 3 15ZM28 18c3-5 4-9 3-16l-3 0c0 6-1 10-3 15ZM31 19c5-2 9-7 9-14l-3 0c-1 6-4 9-8 12Z',
  clam: 'M5 20q19 12 38 0-4 9-19 9T5 20ZM5 18q3-12 7-3 3-13 7-2 4-14 10 0 4-11 7 2 4-9 7 3-19 11-38 0Z',
  worm: 'M22 30l1-14h3l1 14ZM24 17C12 14 10 8 11 3c5 2 9 6 13 13C28 9 32 5 37 3c1 5-1 11-13 14ZM24 16c-3-5-2-10 0-14 2 4 3 9 0 14Z',
  pod: 'M10 14q9-7 18 0l12 1 5-3-4 5 4 4-6-2-11 1q-9 5-18-2-3-2 0-4ZM11 14L4 5l1-1 9 9Z',
  cucumber: 'M5 18q0-8 9-7 8 1 13-1 13-4 16 5 1 8-9 8-8-1-14 1-14 4-15-6Z',
  branching:
    'M22 30l-2-8-9-7-2-8 3-1 2 7 6 4-1-9 3-1 2 12 4-4-1-9 3-1 2 10-6 8-1 7ZM30 20l8-8 2 2-9 9Z',
  mat: 'M4 26h40v4H4ZM9 26v-7M8 26v-8h3v8ZM16 26V15h3v11ZM24 26v-9h3v9ZM32 26V14h3v12ZM39 26v-7h3v7ZM6 17h7v3H6ZM14 14h7v3h-7ZM22 16h7v3h-7ZM30 13h7v3h-7ZM37 18h7v3h-7Z',
  tree: `M22 30c1-7 0-10-1-13h6c-1 3-2 6-1 13Z${circle(15, 13, 5)}${circle(24, 8, 6)}${circle(33, 13, 5)}${circle(20, 16, 4)}${circle(29, 17, 4)}`,
  mushroom: 'M5 13q19-14 38 0c1 4-3 6-8 5q-6-2-7 1l1 11h-9l1-11q-1-3-8-1C8 19 4 17 5 13Z',
  encrusting: 'M3 26q2-8 9-8 3-5 9-3 6-5 12 0 6-1 8 5 5 1 4 6v4H3Z',
  plate: 'M4 11h40q-3 6-14 6l-2 2q9 0 12 3-5 4-14 3l1 5h-7l1-7q-7 1-11-2 5-4 12-3l1-1Q8 17 4 11Z',
  fan: 'M22 30l1-8C9 21 5 14 8 5l3 9 2-11 4 11 5-12 4 12 5-11 3 11 5-8c2 9-3 15-14 16l1 8Z',
  free: 'M5 22q2-12 19-12t19 12q-6 6-19 6T5 22ZM12 12L9 6l3 0 3 5ZM20 10l-1-7h3l1 7ZM28 10l2-7 3 1-2 7ZM35 13l5-5 2 2-4 5Z',
  massive: 'M4 29Q4 7 24 6t20 23ZM12 20',
};

/** The outline that stands for a body form; one for all that have none of their own. */
function outlineOf(form: string): string {
  const fish = FISH[form];
  return OTHERS[form] ?? (fish ? fishPath(fish) : circle(24, 16, 9));
}

/** The small silhouette of a body form: of a kind of body, never of a species. */
export function Silhouette({ form, size = 40 }: { form: string; size?: number }) {
  return (
    <View aria-hidden style={{ width: size }}>
      <Svg width={size} height={(size * HEIGHT) / WIDTH} viewBox={`0 0 ${WIDTH} ${HEIGHT}`}>
        <Path d={outlineOf(form)} fill={color.deep} />
      </Svg>
    </View>
  );
}
