import { PAIR_N } from '../../../cycle/problem/additions';

/** Net water for each small pair that may come in a month whatever was there before it, L. */
const PAIR_LITRES = 200;

/**
 * Most that the fish of a tank may make a month after a base, mg N a day, where food at most doubles.
 * Twice of very little is very little: a month later a small pair is always borne, in a large tank one for
 * each 200 L, so that a small base does not keep a group or one larger fish out for years. What the filter
 * is known to carry holds beside it.
 * @param base what the fish made a month before, mg N a day; above zero
 * @param netLitres of the tank
 */
export function doubledFrom(base: number, netLitres: number): number {
  return Math.max(2 * base, base + PAIR_N * Math.max(1, netLitres / PAIR_LITRES));
}
