import type { Procedure } from '@/core/runs/procedure';
import { PROCEDURES, type ProcedureId } from '@/core/runs/procedures';
import { to } from '@/frame/addresses';
import type { Offer } from '@/frame/offer';

/** Every procedure that can be begun by itself, emergencies by what one sees. */
export const offers: readonly Offer[] = (Object.keys(PROCEDURES) as ProcedureId[]).flatMap(
  (id): Offer[] => {
    const { name, also, urgent }: Procedure = PROCEDURES[id];
    if (also === null) return [];
    return [
      {
        id: `run/${id}`,
        kind: urgent ? 'emergency' : 'steps',
        title: name,
        note: urgent?.sign ?? '',
        also,
        // Whoever types what is wrong has no time to read on.
        weight: urgent ? 2 : 1,
        open: to.run(id),
      },
    ];
  },
);
