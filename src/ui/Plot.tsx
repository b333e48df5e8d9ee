import type { ComponentProps, ReactNode } from 'react';
import { View } from 'react-native';
import Svg, { Text } from 'react-native-svg';
import { color, font } from './tokens';
import { useLayoutWidth } from './useLayoutWidth';

/** A drawing as wide as its place, once that is known, with a sentence for who cannot see it. */
export function Plot({
  height,
  summary,
  children,
}: {
  /** px. */
  height: number;
  summary: string;
  children: (width: number) => ReactNode;
}) {
  const [width, onLayout] = useLayoutWidth('plot');
  return (
    <View role="img" aria-label={summary} onLayout={onLayout} style={{ height }}>
      {width > 0 ? (
        <Svg width={width} height={height}>
          {children(width)}
        </Svg>
      ) : null}
    </View>
  );
}

type Lettering = ComponentProps<typeof Text>;

/** What a thing in a drawing is called. */
export function Label(props: Lettering) {
  return <Text fontFamily={font.sans} fontSize={13} fontWeight="600" fill={color.ink} {...props} />;
}

/** A figure or a date in a drawing, in the slanted hand of soundings. */
export function Sounding(props: Lettering) {
  return (
    <Text fontFamily={font.serif} fontSize={14} fontStyle="italic" fill={color.ink} {...props} />
  );
}
