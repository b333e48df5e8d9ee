/** Moves labels at the end of their lines apart, keeping their order, within the height given. */
export function spreadLabels(
  ys: readonly number[],
  gap: number,
  low: number,
  high: number,
): number[] {
  const order = ys.map((y, index) => ({ y, index })).sort((a, b) => a.y - b.y);
  let floor = low;
  for (const label of order) {
    label.y = Math.max(label.y, floor);
    floor = label.y + gap;
  }
  let ceiling = high;
  for (const label of [...order].reverse()) {
    label.y = Math.min(label.y, ceiling);
    ceiling = label.y - gap;
  }
  const placed: number[] = [];
  for (const label of order) placed[label.index] = label.y;
  return placed;
}

/** Widest that a letter of a label at 12 px comes to, px. */
const LETTER = 7;

/**
 * Whether a label that stands around its place is not cut off at an edge.
 *
 * @param at its middle, px
 * @param left @param right the edges, px
 */
export function isWhole(label: string, at: number, left: number, right: number): boolean {
  const half = (label.length * LETTER) / 2;
  return at - half >= left && at + half <= right;
}
