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

const share = (value: number) => Math.min(1, Math.max(0, value));

/** Packs events for a run; their order within one step is the order given. Every particle packs its own. */
export function packEvents(events: readonly CycleEvent[]): PackedEvents {
  // A sort that keeps the order of equals.
  const sorted = [...events].sort((a, b) => a.step - b.step);
  const count = sorted.length;
  const packed: PackedEvents = {
    count,
    step: new Int32Array(count),
    replaced: new Float64Array(count),
    newAmmonia: new Float64Array(count),
    newAlkalinity: new Float64Array(count),
    ammonia: new Float64Array(count),
    organic: new Float64Array(count),
    organicKept: new Float64Array(count),
    alkalinityIs: new Float64Array(count),
    alkalinity: new Float64Array(count),
    capacityA: new Float64Array(count),
    capacityB: new Float64Array(count),
    asleep: new Float64Array(count),
    survival: new Float64Array(count),
  };
  for (let n = 0; n < count; n += 1) {
    const event = sorted[n] as CycleEvent;
    packed.step[n] = Math.max(0, event.step);
    packed.replaced[n] = share(event.replaced ?? 0);
    packed.newAmmonia[n] = event.newAmmonia ?? 0;
    packed.newAlkalinity[n] = event.newAlkalinity ?? NaN;
    packed.ammonia[n] = event.ammonia ?? 0;
    packed.organic[n] = event.organic ?? 0;
    packed.organicKept[n] = share(event.organicKept ?? 1);
    packed.alkalinityIs[n] = event.alkalinityIs ?? NaN;
    packed.alkalinity[n] = event.alkalinity ?? 0;
    packed.capacityA[n] = event.capacityA ?? 0;
    packed.capacityB[n] = event.capacityB ?? 0;
    packed.asleep[n] = event.asleep ? 1 : 0;
    packed.survival[n] = Math.max(0, event.survival ?? 1);
  }
  return packed;
}
