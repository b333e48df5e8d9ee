import type { Kit } from '../schema/kit';
import type { Medicine } from '../schema/medicine';

/** What an entry may do to the bacteria that a cycle is about. */
export type FilterBacteriaEffect =
  /** Other filter bacteria begin here, where there was one before: the tank is filled. */
  | { is: 'begun' }
  /** It is gone: the tank was taken down. */
  | { is: 'ended' }
  /** It may be harmed so far that nothing shown before counts. */
  | { is: 'harmed' }
  /** It may work more slowly: what it was shown to clear needs to be seen once more. */
  | { is: 'slowed' }
  /** A share of it left with rock, sand or media, 0 to 1. */
  | { is: 'taken'; share: number }
  /** Some came in, in a bottle, on rock or in a sponge. */
  | { is: 'brought' };

/**
 * What an entry may do to the cycle of its tank. Every kind says so in its own row, as a function of what
 * the entry says; verdict, forecast, stalls and advice to dose ask that, and keep no list of their own.
 */
export interface CycleEffect {
  /** Nitrogen for the filter bacteria: there at once, made over days as something rots or is eaten, or taken out. */
  nitrogen?: 'now' | 'later' | 'out';
  /** Water went out and other water came in. */
  dilutes?: true;
  /** It holds ammonia, which tests may then miss. */
  binds?: true;
  filterBacteria?: FilterBacteriaEffect;
  /** Animals came in, or left. */
  animals?: 'in' | 'out';
}

/** Of what leaves a cycle alone. */
export const NO_EFFECT: CycleEffect = {};

/** What an entry's effect may need to know beyond the entry. */
export interface EffectContext {
  /** Net water of its tank, litres. */
  netLitres: number;
  kitOf: (id: string) => Kit | undefined;
  medicineOf: (id: string) => Medicine | undefined;
}

const HARMED: CycleEffect = { filterBacteria: { is: 'harmed' } };
const SLOWED: CycleEffect = { filterBacteria: { is: 'slowed' } };
export { HARMED, SLOWED };
