import { useCallback } from 'react';
import { inMeasures } from '@/core/units/measures';
import { useAppSelector } from '@/store/hooks';
import { selectSettings } from '@/store/selectors';

/** Turns the litres and centimetres of a sentence into the keeper's own units. */
export function useMeasures(): (text: string) => string {
  const { volumeUnit, lengthUnit } = useAppSelector(selectSettings);
  return useCallback(
    (text) => inMeasures(text, { volumeUnit, lengthUnit }),
    [volumeUnit, lengthUnit],
  );
}
