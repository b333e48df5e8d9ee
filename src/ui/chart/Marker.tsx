import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { color } from '../tokens';

export type MarkerShape = 'diamond' | 'triangle' | 'square' | 'circle';

interface MarkerProps {
  shape: MarkerShape;
  x: number;
  y: number;
  stroke: string;
  filled: boolean;
  size?: number;
}

function Shape({ shape, x, y, stroke, filled, size = 6 }: MarkerProps) {
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

/**
 * A series' own shape, filled or hollow, so that series differ in grey as well as in colour; struck
 * through for a value that does not count.
 */
export function Marker({ struck, ...shape }: MarkerProps & { struck?: boolean }) {
  const { x, y, stroke, size = 6 } = shape;
  if (!struck) return <Shape {...shape} />;
  return (
    <G>
      <Shape {...shape} />
      <Line
        x1={x - size - 2}
        y1={y + size + 2}
        x2={x + size + 2}
        y2={y - size - 2}
        stroke={stroke}
        strokeWidth={1.6}
      />
    </G>
  );
}
