import { lazy, Suspense } from 'react';
import { View } from 'react-native';
import type { DayFieldProps } from './dates/DayField';

const LazyField = lazy(async () => ({ default: (await import('./dates/DayField')).DayField }));

/** Height held free while the field is fetched, px. */
const FIELD_ROOM = 98;

/** A calendar day to type or to pick, fetched with the first: reading typed dates is a large part. */
export function DayField(props: DayFieldProps) {
  return (
    <Suspense fallback={<View style={{ height: FIELD_ROOM }} aria-busy />}>
      <LazyField {...props} />
    </Suspense>
  );
}
