import { freeAmmoniaFraction } from '../../seawater/ammonia';
import { density } from '../../seawater/density';

/** Free ammonia that is not to be passed, mg NH3-N/L. */
export const FREE_MOST = 0.02;

/** A tank without filter bacteria that animals live in. */
export interface Uncycled {
  /** Ammonia nitrogen that food or bodies come to, mg a day. */
  nitrogen: number;
  /** Net water, L. */
  litres: number;
  /** Of the water after the change: the higher of the tank's and the new water's. */
  ph: number;
  /** °C */
  temperature: number;
  /** ppt */
  salinity: number;
}

export interface HoldPlan {
  /** Litres at each change. */
  litres: number;
  everyDays: number;
  /** Settled peak just before a change, mg NH3-N/L. */
  peakFreeAmmoniaN: number;
  /** The same as total ammonia, mg N/L: what a kit shows. */
  peakTotal: number;
  /** Total ammonia at which free ammonia reaches its limit, mg N/L. */
  mostTotal: number;
  litresAWeek: number;
  /** Salt for that, g a week, before what sticks in the bag. */
  saltAWeek: number;
  /** Whether it can be held with changes that animals bear. */
  holds: boolean;
}

/** Days between changes that are asked of anybody, longest first. */
const EVERY = [3, 2, 1] as const;
/** The largest change that is repeated for weeks, share of the water. */
const USUAL_SHARE = 1 / 3;
/** And the largest that is borne daily at all, well matched. */
const MOST_SHARE = 0.6;
/** What a jug is off by: planned on top. */
const JUG = 1.03;

/**
 * The settled peak of total ammonia of a tank without filter bacteria, mg N/L: what gathers between changes,
 * over the share that each takes out. P·d/V gathers in d days; with a share f out each time the peak
 * settles at (P·d/V)/f.
 */
export function settledPeak(nitrogen: number, litres: number, everyDays: number, share: number) {
  return (nitrogen * everyDays) / litres / share;
}

/**
 * Changes that hold the free ammonia of an uncycled tank under its limit: the longest interval with a
 * change of a third at most, else daily with what it takes. Where even that is more than animals bear
 * it does not hold: less food, fewer animals, more water, or a seeded filter.
 */
export function holdAmmonia({ nitrogen, litres, ph, temperature, salinity }: Uncycled): HoldPlan {
  const fraction = freeAmmoniaFraction(ph, temperature, salinity);
  const mostTotal = FREE_MOST / fraction;
  const shareFor = (days: number) => settledPeak(nitrogen, litres, days, 1) / mostTotal;
  const everyDays = EVERY.find((days) => shareFor(days) <= USUAL_SHARE) ?? 1;
  const share = shareFor(everyDays);
  const holds = share <= MOST_SHARE;
  const change = Math.min(litres, Math.ceil(share * litres * JUG));
  const peakTotal = change > 0 ? settledPeak(nitrogen, litres, everyDays, change / litres) : 0;
  const litresAWeek = (change * 7) / everyDays;
  return {
    litres: change,
    everyDays,
    peakFreeAmmoniaN: peakTotal * fraction,
    peakTotal,
    mostTotal,
    litresAWeek,
    saltAWeek: (litresAWeek * salinity * density(salinity, temperature)) / 1000,
    holds,
  };
}

/** The most food that such a tank bears with a daily change as large as is borne, mg N a day. */
export function mostNitrogen({ litres, ph, temperature, salinity }: Omit<Uncycled, 'nitrogen'>) {
  const mostTotal = FREE_MOST / freeAmmoniaFraction(ph, temperature, salinity);
  return mostTotal * litres * MOST_SHARE;
}

/** The highest step of a card that still lies under a level; null where even the first does not. */
export function highestStepUnder(steps: readonly number[], level: number): number | null {
  return steps.reduce<number | null>(
    (best, step) => (step <= level && (best === null || step > best) ? step : best),
    null,
  );
}
