/** One place for each column of pixels that something stands in, in order; more would lie on each other. */
export function columnsOf(places: readonly number[], from: number, to: number): number[] {
  const columns = new Set<number>();
  for (const place of places) if (place >= from && place <= to) columns.add(Math.round(place));
  return [...columns].sort((a, b) => a - b);
}

interface Point {
  x: number;
  y: number;
  low?: number;
  high?: number;
  /** Drawn, and on no line. */
  aside?: boolean;
}

/**
 * What can be told apart of many points: of those in one column of pixels the first, the last, the lowest
 * and the highest; all of them where there is room, and whatever lies aside.
 * @param points in order of x
 * @param pixels columns that they are drawn over
 * @param place the column of a point
 */
export function tellable<P extends Point>(
  points: readonly P[],
  pixels: number,
  place: (point: P) => number,
): readonly P[] {
  if (points.length <= pixels) return points;
  const kept: P[] = [];
  let column: P[] = [];
  let at = NaN;
  const close = () => {
    if (column.length <= 4) kept.push(...column);
    else {
      const by = (better: (a: P, b: P) => boolean) =>
        column.reduce((best, one) => (better(one, best) ? one : best));
      const lowest = by((a, b) => (a.low ?? a.y) < (b.low ?? b.y));
      const highest = by((a, b) => (a.high ?? a.y) > (b.high ?? b.y));
      const ends = new Set([column[0], column.at(-1), lowest, highest]);
      kept.push(...column.filter((one) => ends.has(one)));
    }
    column = [];
  };
  for (const point of points) {
    if (point.aside) {
      kept.push(point);
      continue;
    }
    const here = Math.round(place(point));
    if (here !== at) close();
    at = here;
    column.push(point);
  }
  close();
  return kept;
}
