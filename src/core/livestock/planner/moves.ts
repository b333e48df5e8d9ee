import type { Plan } from './types';

/** What a change of facts did to a plan: who moved, from when to when, and what binds it now. */
export interface PlanMove {
  wishId: string;
  name: string;
  from: number | null;
  to: number | null;
  because: string;
}

/** Compares two plans of one tank; what did not move is left out. */
export function planMoves(before: Plan, after: Plan): PlanMove[] {
  const was = new Map(before.items.map((item) => [item.wishId, item]));
  const refusedNow = new Map(after.refused.map((refusal) => [refusal.wishId, refusal]));
  const moves = after.items.flatMap((item): PlanMove[] => {
    const old = was.get(item.wishId);
    if (old && old.addOn.p50 === item.addOn.p50) return [];
    return [
      {
        wishId: item.wishId,
        name: item.name,
        from: old?.addOn.p50 ?? null,
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
            from: item.addOn.p50,
            to: null,
            because: refusal.because,
          },
        ]
      : [];
  });
  return [...moves, ...gone];
}
