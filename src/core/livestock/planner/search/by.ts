import type { Plan, PlanItem } from '../types';

/** What of a plan would be in by a day, and what only if it were rushed. */
export function planBy(
  plan: Plan,
  moment: number,
): { sure: PlanItem[]; maybe: PlanItem[]; rushed: PlanItem[] } {
  return {
    sure: plan.items.filter(({ addOn }) => addOn.p90 !== null && addOn.p90 <= moment),
    maybe: plan.items.filter(
      ({ addOn }) => addOn.p50 <= moment && (addOn.p90 === null || addOn.p90 > moment),
    ),
    rushed: plan.items.filter(({ addOn }) => addOn.p50 > moment),
  };
}
