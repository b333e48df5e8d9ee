import {
  createContext,
  useCallback,
  useContext,
  useRef,
  type ComponentProps,
  type ReactNode,
} from 'react';
import { View } from 'react-native';
import Svg from 'react-native-svg';
import type { Drawn } from '@/core/pictures/picture';
import { LinkButton } from './Press';
import { space } from './tokens';

/** Takes a drawing out of the app as a picture; null where nothing can. */
export const PictureTaker = createContext<((drawn: Drawn) => void) | null>(null);

/** Takes a drawing along. @param of what it is at the tap; null where it is not drawn yet */
export function SavePicture({ of }: { of: () => Drawn | null }) {
  const take = useContext(PictureTaker);
  if (!take) return null;
  const takeIt = () => {
    const drawn = of();
    if (drawn) take(drawn);
  };
  return <LinkButton soft label="Save the picture" onPress={takeIt} />;
}

export interface FrameProps extends Pick<Drawn, 'summary' | 'unit' | 'span' | 'legend'> {
  /** px; nothing is drawn before the width is known. */
  width: number;
  height: number;
  onLayout: ComponentProps<typeof View>['onLayout'];
  /** What is said of it aloud, where that is more than it shows. */
  spoken?: string;
  /** More of its place: how it is touched, and whether keys reach it. */
  place?: ComponentProps<typeof View> & { tabIndex?: 0 };
  /** Told of the element that it is drawn in. */
  onElement?: (view: View | null) => void;
  /** What else can be done with it, beside taking it along. */
  links?: ReactNode;
  /** Shows nothing of the keeper's, and is left where it is. */
  stays?: boolean;
  children: ReactNode;
}

/**
 * Every drawing stands in one of these: with a sentence for who cannot see it, and the way to take it along as a
 * picture. No other part of the app makes an `<svg>` that says something.
 */
export function Frame(props: FrameProps) {
  const {
    width,
    height,
    summary,
    unit,
    span,
    legend,
    onLayout,
    place,
    onElement,
    links,
    children,
  } = props;
  const takes = useContext(PictureTaker) !== null && !props.stays && width > 0;
  const shown = useRef<View | null>(null);
  // The same from drawing to drawing: a new one would be told of the same element anew each time.
  const keep = useCallback(
    (view: View | null) => {
      shown.current = view;
      onElement?.(view);
    },
    [onElement],
  );
  const drawn = (): Drawn | null => {
    const svg = (shown.current as unknown as HTMLElement | null)?.querySelector('svg')?.outerHTML;
    return svg ? { svg, width, height, summary, unit, span, legend } : null;
  };
  return (
    <View>
      <View
        {...place}
        ref={keep}
        onLayout={onLayout}
        style={[{ height }, place?.style]}
        role="img"
        aria-label={props.spoken ?? summary}
      >
        {width > 0 ? (
          <Svg width={width} height={height}>
            {children}
          </Svg>
        ) : null}
      </View>
      {links || takes ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space.l }}>
          {links}
          {takes ? <SavePicture of={drawn} /> : null}
        </View>
      ) : null}
    </View>
  );
}
