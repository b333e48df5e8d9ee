import { countOf } from '../../units/format';

/** A sponge that is seeded in a healthy tank. */
export interface Seeding {
  /** Days it has been there. */
  days: number;
  /** What that tank's animals and feeding come to, mg N a day. */
  tankNitrogen: number;
}

/** Days after which a sponge has taken in most of what it takes. */
const SEEDED_TAU = 14;
/**
 * Share of a tank's nitrification that one sponge in its flow comes to carry. Judgement: its surface is
 * little beside rock and sand, and where the water passes it is the best there is.
 */
const SHARE = { low: 0.05, high: 0.2 };
/** Before this nobody should count on it, days. */
export const LEAST_SEEDED_DAYS = 28;

/** What a seeded sponge can be taken to carry, mg N a day: a wide range, that a test narrows. */
export function spongeCarries({ days, tankNitrogen }: Seeding): { low: number; high: number } {
  const taken = 1 - Math.exp(-Math.max(0, days) / SEEDED_TAU);
  return { low: tankNitrogen * SHARE.low * taken, high: tankNitrogen * SHARE.high * taken };
}

/** What a sponge is good for, in words. */
export function spongeWords(seeding: Seeding): string {
  const { low, high } = spongeCarries(seeding);
  const figures = `some ${low.toFixed(1)} to ${high.toFixed(1)} mg N a day`;
  return seeding.days >= LEAST_SEEDED_DAYS
    ? `It has run ${countOf(seeding.days, 'day')} there and may carry ${figures}: test ammonia daily in the first week.`
    : `It has run ${countOf(seeding.days, 'day')} there; ${LEAST_SEEDED_DAYS} are wanted before it is counted on.`;
}
