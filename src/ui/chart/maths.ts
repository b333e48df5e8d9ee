/** A straight map from one range to another. */
export function scaleBetween(
  [d0, d1]: readonly [number, number],
  [r0, r1]: readonly [number, number],
): (value: number) => number {
  const slope = d1 === d0 ? 0 : (r1 - r0) / (d1 - d0);
  return (value) => r0 + (value - d0) * slope;
}

/** Straight lines through points, as an SVG path to a tenth of a pixel. */
export function linePath(points: readonly (readonly [number, number])[]): string {
  const at = (value: number) => String(Math.round(value * 10) / 10);
  return points.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${at(x)} ${at(y)}`).join('');
}

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

/** Round ticks of an axis that starts at zero or not, at most `most` of them. */
export function ticksFor(low: number, high: number, most = 5): number[] {
  const raw = (high - low) / most;
  const power = 10 ** Math.floor(Math.log10(raw));
  const step = [1, 2, 2.5, 5, 10].map((m) => m * power).find((s) => s >= raw) ?? raw;
  const ticks: number[] = [];
  for (let t = Math.ceil(low / step - 1e-9) * step; t <= high + step * 1e-6; t += step) {
    ticks.push(Number(t.toPrecision(12)));
  }
  return ticks;
}
