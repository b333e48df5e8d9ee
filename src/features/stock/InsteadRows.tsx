import type { NextBest } from '@/core/nextBest';
import { useMeasures } from '@/frame/useMeasures';
import { Words } from '@/ui/Words';

/** What is done instead of what was refused, each with what it costs. */
export function InsteadRows({ rows }: { rows: readonly NextBest[] }) {
  const measured = useMeasures();
  return rows.map(({ what, price }) => (
    <Words key={what} as="body">
      {measured(`${what} Its price: ${price.charAt(0).toLowerCase()}${price.slice(1)}`)}
    </Words>
  ));
}
