import type { Plan } from '../types';

/** What a change of facts did to a plan: who moved, from when to when, and what binds it now. */
export interface PlanMove {
  wishId: string;
  name: string;
  from: number | null;
  to: number | null;
  because: string;
}

/** As much of a plan as the next one is held against: who was to come on which day, ms. */
export interface KeptPlan {
  items: { wishId: string; name: string; on: number }[];
}

/** What of a plan is kept for the next visit. */
export function keptPlan({ items }: Plan): KeptPlan {
  return { items: items.map(({ wishId, name, addOn }) => ({ wishId, name, on: addOn.p50 })) };
}

/** Compares a plan with the one before it of one tank; what did not move is left out. */
export function planMoves(before: KeptPlan, after: Plan): PlanMove[] {
  const was = new Map(before.items.map((item) => [item.wishId, item]));
  const refusedNow = new Map(after.refused.map((refusal) => [refusal.wishId, refusal]));
  const moves = after.items.flatMap((item): PlanMove[] => {
    const old = was.get(item.wishId);
    if (old?.on === item.addOn.p50) return [];
    return [
      {
        wishId: item.wishId,
        name: item.name,
        from: old?.on ?? null,
        to: item.addOn.p50,
        because: item.because,
      },
    ];
  });
  const gone = before.items.flatMap((item): PlanMove[] => {
    const refusal = refusedNow.get(item.wishId);
    return refusal
      ? [
          {
            wishId: item.wishId,
            name: item.name,
            from: item.on,
            to: null,
            because: refusal.because,
          },
        ]
      : [];
  });
  return [...moves, ...gone];
}
