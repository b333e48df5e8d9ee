/** Where the clock of a practice log stands, ms; null while another log is open, which goes by the real one. */
let standing: number | null = null;

/** Lets the open log go by a clock that stands where it is put, or by the real one again. */
export function standAt(moment: number | null): void {
  standing = moment;
}

/** The moment of a gesture by the open log's clock, ms: for handlers only, since the store's clock ticks by the minute. */
export function wallClock(): number {
  return standing ?? Date.now();
}

/** The real clock, ms, for what is measured with it: taps at drops and at breaths. */
export function stopwatch(): number {
  return Date.now();
}
