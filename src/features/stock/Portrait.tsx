import { Suspense } from 'react';
import type { Lot } from '@/core/livestock/roster/roster';
import { partOf, piece } from '@/ui/piece';
import { Silhouette } from './Silhouette';

const Thumb = partOf(
  piece(() => import('@/features/photos')),
  'Thumb',
);

/** Who a lot is, in a row: its photo, else the silhouette of its body form. */
export function Portrait({ lot, form }: { lot: Pick<Lot, 'photo'>; form: string }) {
  const outline = <Silhouette form={form} />;
  if (lot.photo === undefined) return outline;
  return (
    <Suspense fallback={outline}>
      <Thumb id={lot.photo} instead={outline} />
    </Suspense>
  );
}
