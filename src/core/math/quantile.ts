/** Quantile of values already sorted upwards, straight between neighbours; infinite ones stay so. */
export function quantileOfSorted(sorted: ArrayLike<number>, q: number): number {
  if (sorted.length === 0) return NaN;
  const place = Math.min(sorted.length - 1, Math.max(0, q * (sorted.length - 1)));
  const low = sorted[Math.floor(place)] as number;
  const high = sorted[Math.ceil(place)] as number;
  const share = place - Math.floor(place);
  return share === 0 || low === high ? low : low + (high - low) * share;
}

/** Values sorted upwards, as a new array. */
export function sortedCopy(values: ArrayLike<number>): Float64Array {
  return Float64Array.from(values).sort();
}

/** The value below which a share `q` of the weight lies; `order` sorts the values upwards. */
export function weightedQuantile(
  values: ArrayLike<number>,
  weights: ArrayLike<number>,
  order: ArrayLike<number>,
  q: number,
): number {
  let total = 0;
  for (let i = 0; i < weights.length; i += 1) total += weights[i] as number;
  let sum = 0;
  for (let i = 0; i < order.length; i += 1) {
    const at = order[i] as number;
    sum += weights[at] as number;
    if (sum >= q * total) return values[at] as number;
  }
  return values[order[order.length - 1] as number] as number;
}
