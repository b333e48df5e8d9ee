/** A closed range; `high` may be Infinity when a card's top step was reached. */
export interface Interval {
  low: number;
  high: number;
}

export function interval(low: number, high: number = low): Interval {
  return { low, high };
}

export function scaleInterval(range: Interval, factor: number): Interval {
  return { low: range.low * factor, high: range.high * factor };
}
