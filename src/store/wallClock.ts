/** The moment of a gesture, ms: for handlers only, since the store's clock ticks by the minute. */
export function wallClock(): number {
  return Date.now();
}
