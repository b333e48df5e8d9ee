import { useWindowDimensions } from 'react-native';
import { wideFrom } from './tokens';

/** Whether there is room for a rail and columns. */
export function useWide(): boolean {
  return useWindowDimensions().width >= wideFrom;
}
