import type { ComponentProps, ReactNode } from 'react';
import { Text } from 'react-native-svg';
import { Frame, type FrameProps } from './Frame';
import { color, font } from './tokens';
import { useLayoutWidth } from './useLayoutWidth';

/** A drawing as wide as its place, once that is known. */
export function Plot({
  children,
  ...frame
}: Omit<FrameProps, 'width' | 'onLayout' | 'children'> & {
  children: (width: number) => ReactNode;
}) {
  const [width, onLayout] = useLayoutWidth('plot');
  return (
    <Frame {...frame} width={width} onLayout={onLayout}>
      {width > 0 ? children(width) : null}
    </Frame>
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
