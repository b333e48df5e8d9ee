/**
 * The root of an increasing function between `low` and `high`, by bisection to 1e-12 of the bracket.
 * Values outside the bracket's range return the nearer end.
 */
export function rootOfIncreasing(f: (x: number) => number, low: number, high: number): number {
  let a = low;
  let b = high;
  for (let i = 0; i < 60; i += 1) {
    const middle = (a + b) / 2;
    if (f(middle) < 0) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}
