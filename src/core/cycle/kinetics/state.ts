/** Where a run begins. */
export interface CycleState {
  /** mg N/L. */
  ammonia: number;
  nitrite: number;
  nitrate: number;
  organic: number;
  /** dKH. */
  alkalinity: number;
  /** mg N/L/day. */
  capacityA: number;
  capacityB: number;
  /** Share of the nitrite oxidisers that are awake, 0 to 1. */
  awake: number;
}
