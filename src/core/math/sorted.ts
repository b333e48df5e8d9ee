/**
 * A sorted list with one more item in its place, before what compares as equal. The list given is left as
 * it is: one copy is made, which for a log of years is what an act costs most.
 */
export function inPlace<T>(list: readonly T[], item: T, compare: (a: T, b: T) => number): T[] {
  let low = 0;
  let high = list.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (compare(list[middle] as T, item) < 0) low = middle + 1;
    else high = middle;
  }
  return low === list.length ? list.concat([item]) : list.toSpliced(low, 0, item);
}
