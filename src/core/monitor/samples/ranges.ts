/** Whole numbers as ranges with both ends in them, rising and apart. */
export type Ranges = readonly (readonly [from: number, to: number])[];

/** With one more range in them. */
export function withRange(ranges: Ranges, from: number, to: number): Ranges {
  const apart: (readonly [number, number])[] = [];
  let [low, high] = [from, to];
  for (const range of ranges) {
    if (range[1] < low - 1 || range[0] > high + 1) apart.push(range);
    else [low, high] = [Math.min(low, range[0]), Math.max(high, range[1])];
  }
  return [...apart, [low, high] as const].sort((a, b) => a[0] - b[0]);
}

export function holds(ranges: Ranges, number: number): boolean {
  return ranges.some(([from, to]) => number >= from && number <= to);
}

/** What they lack of a range, the oldest first. */
export function missing(ranges: Ranges, from: number, to: number): Ranges {
  const lacks: (readonly [number, number])[] = [];
  let next = from;
  for (const [low, high] of ranges) {
    if (high < next) continue;
    if (low > to) break;
    if (low > next) lacks.push([next, low - 1]);
    next = high + 1;
  }
  if (next <= to) lacks.push([next, to]);
  return lacks;
}
