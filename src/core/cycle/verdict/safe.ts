/** Neither ammonia nor nitrite may come above this, mg N/L. */
export const SAFE = 0.25;
/** A first fish's load, mg N/L a day, and how long it is looked at, days. */
export const FIRST_LOAD = { nitrogen: 0.05, days: 14 } as const;
/** How long both must stay low with nothing added, days. */
export const STAYS_DAYS = 7;
