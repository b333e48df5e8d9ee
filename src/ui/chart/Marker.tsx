import { Circle, Path, Rect } from 'react-native-svg';
import { color } from '../tokens';

export type MarkerShape = 'diamond' | 'triangle' | 'square' | 'circle';

/** A series' own shape, filled or hollow, so that series differ in grey as well as in colour. */
export function Marker({
  shape,
  x,
  y,
  stroke,
  filled,
  size = 6,
}: {
  shape: MarkerShape;
  x: number;
  y: number;
  stroke: string;
  filled: boolean;
  size?: number;
}) {
  const paint = { stroke, strokeWidth: 1.6, fill: filled ? stroke : color.paper };
  switch (shape) {
    case 'diamond':
      return (
        <Path
          d={`M${x} ${y - size} l${size} ${size} l${-size} ${size} l${-size} ${-size} Z`}
          {...paint}
        />
      );
    case 'triangle':
      return <Path d={`M${x} ${y - size} l${size} ${size * 1.8} h${-2 * size} Z`} {...paint} />;
    case 'square':
      return (
        <Rect
          x={x - size + 1}
          y={y - size + 1}
          width={2 * size - 2}
          height={2 * size - 2}
          {...paint}
        />
      );
    case 'circle':
      return <Circle cx={x} cy={y} r={size - 1.5} {...paint} />;
  }
}
