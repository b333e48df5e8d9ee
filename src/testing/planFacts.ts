import type { CapacityCurve } from '../core/cycle/forecast/capacity';
import type { StockFacts } from '../core/livestock/planner/facts';
import { protocolOf } from '../core/quarantine/protocols';
import type { Plan } from '../core/livestock/planner/types';
import type { Dated } from './planChecker';

const DAY = 86_400_000;

/** The morning that test plans are made on. */
export const NOW = Date.parse('2026-03-02T00:00:00Z');

/** A running tank of 400 L with one quarantine tank, and nobody in either. */
export const FACTS: StockFacts = {
  tankId: 'tank',
  tank: 'Tank',
  zone: 'UTC',
  at: NOW,
  netLitres: 400,
  home: { litres: 400, lengthCm: 150, sandCm: 5, lid: true, temperature: 25.5 },
  heater: true,
  start: NOW - 60 * DAY,
  ready: { p10: NOW, p50: NOW, p90: NOW },
  isReady: true,
  alkalinitySteady: true,
  algae: true,
  quarantineDays: 28,
  stocking: { pace: { rule: 'doubling' }, protocol: 'observe' },
  cohorts: [],
  wishes: [],
  quarantine: [{ id: 'q', name: 'Quarantine', litres: 75, clears: null }],
  fed: null,
  own: [],
};

export type Wished = string | (Partial<StockFacts['wishes'][number]> & { species: string });

/** Facts with wishes, in order. */
export function facts(wished: Wished[], changes: Partial<StockFacts> = {}): StockFacts {
  return {
    ...FACTS,
    ...changes,
    quarantineDays: protocolOf((changes.stocking ?? FACTS.stocking).protocol).days,
    wishes: wished.map((wish, i) => ({
      id: `w${i}`,
      tankId: 'tank',
      count: 1,
      order: i,
      ...(typeof wish === 'string' ? { species: wish } : wish),
    })),
  };
}

/** The day of a plan that a moment falls on. */
export const dayOf = (ms: number) => Math.round((ms - NOW) / DAY);

export function datedOf(plan: Plan): Dated[] {
  return plan.items.map((item) => ({
    wishId: item.wishId,
    day: dayOf(item.addOn.p50),
    batch: item.batch,
    tank: item.quarantineTank,
    from: item.quarantineFrom === null ? null : dayOf(item.quarantineFrom),
  }));
}

/** A filter that carries whatever is asked of it here. */
export const WIDE: CapacityCurve = { days: [0, 540], most: [5, 5] };
