import { Suspense } from 'react';
import type { Cohort } from '@/core/livestock/roster/roster';
import { partOf, piece } from '@/ui/piece';
import { Silhouette } from './Silhouette';

const Thumb = partOf(
  piece(() => import('@/features/photos')),
  'Thumb',
);

/** Who a group is, in a row: its photo, else the silhouette of its body form. */
export function Portrait({ cohort, form }: { cohort: Pick<Cohort, 'photo'>; form: string }) {
  const outline = <Silhouette form={form} />;
  if (cohort.photo === undefined) return outline;
  return (
    <Suspense fallback={outline}>
      <Thumb id={cohort.photo} instead={outline} />
    </Suspense>
  );
}
