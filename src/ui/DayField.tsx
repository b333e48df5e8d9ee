import { lazy, Suspense } from 'react';
import { View } from 'react-native';
import type { DayFieldProps } from './dates/DayField';
import type { TypedDayProps } from './dates/TypedDay';
import { touch } from './tokens';

const LazyField = lazy(async () => ({ default: (await import('./dates/chunk')).DayField }));
const LazyTyped = lazy(async () => ({ default: (await import('./dates/chunk')).TypedDay }));

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

/** A day to type, with nothing around it. */
export function TypedDay(props: TypedDayProps) {
  return (
    <Suspense fallback={<View style={{ height: touch }} aria-busy />}>
      <LazyTyped {...props} />
    </Suspense>
  );
}
