/**
 * Something done to the water at the start of a step. Dilution comes first, then what is added;
 * capacities sit on surfaces and are not diluted.
 */
export interface CycleEvent {
  /** Step it lands on. */
  step: number;
  /** Share of the water replaced, 0 to 1. */
  replaced?: number;
  /** What the new water brings, mg N/L and dKH; without an alkalinity it is taken as the tank's own. */
  newAmmonia?: number;
  newAlkalinity?: number;
  /** Additions, mg N/L; negative ones take out no more than there is. */
  ammonia?: number;
  organic?: number;
  /** Share of the organic nitrogen that stays when a prawn comes out or detritus is siphoned. */
  organicKept?: number;
  /** What alkalinity is known to be at this moment, dKH: a reading corrects the course. */
  alkalinityIs?: number;
  /** Addition of alkalinity, dKH. */
  alkalinity?: number;
  /** Additions to the capacities, mg N/L/day. */
  capacityA?: number;
  capacityB?: number;
  /** Whether the nitrite oxidisers that are added have yet to wake. */
  asleep?: boolean;
  /** Factor on both capacities: what an antibiotic or bleach leaves, what moved media bring. */
  survival?: number;
}

/** Events as flat arrays, for the inner loop: sorted by step, one row each. */
export interface PackedEvents {
  count: number;
  step: Int32Array;
  replaced: Float64Array;
  newAmmonia: Float64Array;
  /** NaN where the new water's alkalinity is not known. */
  newAlkalinity: Float64Array;
  ammonia: Float64Array;
  organic: Float64Array;
  organicKept: Float64Array;
  /** NaN where it was not measured. */
  alkalinityIs: Float64Array;
  alkalinity: Float64Array;
  capacityA: Float64Array;
  capacityB: Float64Array;
  asleep: Float64Array;
  survival: Float64Array;
}

/** Packs events for a run; their order within one step is the order given. */
export function packEvents(events: readonly CycleEvent[]): PackedEvents {
  const sorted = events
    .map((event, index) => ({ event, index }))
    .sort((a, b) => a.event.step - b.event.step || a.index - b.index)
    .map(({ event }) => event);
  const column = (value: (event: CycleEvent) => number) => Float64Array.from(sorted, value);
  return {
    count: sorted.length,
    step: Int32Array.from(sorted, (event) => Math.max(0, event.step)),
    replaced: column((event) => Math.min(1, Math.max(0, event.replaced ?? 0))),
    newAmmonia: column((event) => event.newAmmonia ?? 0),
    newAlkalinity: column((event) => event.newAlkalinity ?? NaN),
    ammonia: column((event) => event.ammonia ?? 0),
    organic: column((event) => event.organic ?? 0),
    organicKept: column((event) => Math.min(1, Math.max(0, event.organicKept ?? 1))),
    alkalinityIs: column((event) => event.alkalinityIs ?? NaN),
    alkalinity: column((event) => event.alkalinity ?? 0),
    capacityA: column((event) => event.capacityA ?? 0),
    capacityB: column((event) => event.capacityB ?? 0),
    asleep: column((event) => (event.asleep ? 1 : 0)),
    survival: column((event) => Math.max(0, event.survival ?? 1)),
  };
}
