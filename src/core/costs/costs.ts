import type { TankHistory } from '../history/tankHistory';
import { COSTS, type CostKind } from '../records/kinds/cost';
import { shiftedMonth } from '../time/month';
import { dayOf } from '../time/zone';

/** Money that went for a tank. */
export interface Paid {
  tankId: string;
  at: number;
  of: CostKind;
  what: string;
  amount: number;
}

/** Whether a cost keeps a tank running; the rest is bought once. */
export function isRunning(of: CostKind): boolean {
  return COSTS[of].running;
}

/** Everything that was paid for tanks, in order of time: costs as they were logged, and animals with a price. */
export function paidFor(histories: readonly TankHistory[]): Paid[] {
  return histories
    .flatMap(({ tankId, entries }) => [
      ...entries.cost.map(({ at, entry }) => ({
        tankId,
        at,
        of: entry.of,
        what: entry.what ?? '',
        amount: entry.amount,
      })),
      ...entries.animals.flatMap(({ at, entry }) =>
        entry.price === undefined
          ? []
          : [{ tankId, at, of: 'animals' as const, what: entry.what, amount: entry.price }],
      ),
    ])
    .sort((a, b) => a.at - b.at);
}

/** Money of a month. */
export interface MonthCost {
  /** YYYY-MM */
  month: string;
  bought: number;
  running: number;
}

/** The months up to now, the oldest first, with what each cost. */
export function monthsOf(
  paid: readonly Paid[],
  zone: string,
  now: number,
  count: number,
): MonthCost[] {
  const current = dayOf(now, zone).slice(0, 7);
  const list = Array.from({ length: count }, (_, i): MonthCost => ({
    month: shiftedMonth(current, i + 1 - count),
    bought: 0,
    running: 0,
  }));
  for (const { at, of, amount } of paid) {
    const own = list.find((one) => one.month === dayOf(at, zone).slice(0, 7));
    if (own) own[isRunning(of) ? 'running' : 'bought'] += amount;
  }
  return list;
}

/** What went for each kind, the most first. */
export function byKind(paid: readonly Paid[]): { of: CostKind; amount: number }[] {
  const sums = new Map<CostKind, number>();
  for (const { of, amount } of paid) sums.set(of, (sums.get(of) ?? 0) + amount);
  return [...sums].map(([of, amount]) => ({ of, amount })).sort((a, b) => b.amount - a.amount);
}
