import { useWindowDimensions } from 'react-native';
import { narrowTo, wideFrom } from './tokens';

/** Whether there is room for a rail and columns. */
export function useWide(): boolean {
  return useWindowDimensions().width >= wideFrom;
}

/** Whether it is the narrowest of phones, where what can be spared goes. */
export function useNarrow(): boolean {
  return useWindowDimensions().width <= narrowTo;
}
