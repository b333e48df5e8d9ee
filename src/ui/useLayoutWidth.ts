import { useCallback, useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';

/** The width a view was given, and the handler that learns it; 0 until it is laid out. */
export function useLayoutWidth(): [number, (event: LayoutChangeEvent) => void] {
  const [width, setWidth] = useState(0);
  const onLayout = useCallback((event: LayoutChangeEvent) => {
    setWidth(Math.floor(event.nativeEvent.layout.width));
  }, []);
  return [width, onLayout];
}
