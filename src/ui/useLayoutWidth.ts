import { useCallback, useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';

/** Widths by what was laid out in a window of which width: the next of its kind begins with it. */
const known = new Map<string, number>();

const placeOf = (kind: string) =>
  `${kind}/${typeof window === 'undefined' ? 0 : window.innerWidth}`;

/**
 * The width a view was given, and the handler that learns it; 0 until it is laid out.
 * @param kind what is laid out: one that stood in this window before gives the width to begin with, so
 * that what is drawn to it is drawn once
 */
export function useLayoutWidth(kind: string): [number, (event: LayoutChangeEvent) => void] {
  const [width, setWidth] = useState(() => known.get(placeOf(kind)) ?? 0);
  const onLayout = useCallback(
    (event: LayoutChangeEvent) => {
      const given = Math.floor(event.nativeEvent.layout.width);
      known.set(placeOf(kind), given);
      setWidth(given);
    },
    [kind],
  );
  return [width, onLayout];
}
