/**
 * How often a law is drawn: so many times in `npm test`, and as many times that as the study of laws asks
 * for (`npm run study -- laws 10`). What is cut short there are draws, never what is asserted.
 */
export function draws(times: number): number {
  return Math.round(times * Number(process.env.DRAWS ?? 1));
}
