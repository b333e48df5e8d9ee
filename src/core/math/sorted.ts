/**
 * A sorted list with more items in their places, each before what compares as equal. The list given is left
 * as it is: one copy is made, which for a log of years is what an act costs most.
 */
export function inPlace<T>(
  list: readonly T[],
  items: readonly T[],
  compare: (a: T, b: T) => number,
): T[] {
  const fresh = items.length > 1 ? [...items].sort(compare) : items;
  const [first] = fresh;
  if (first === undefined) return list.slice();
  let low = 0;
  let high = list.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (compare(list[middle] as T, first) < 0) low = middle + 1;
    else high = middle;
  }
  if (low === list.length) return list.concat(fresh);
  if (fresh.length === 1) return list.toSpliced(low, 0, first);
  const next = list.slice(0, low);
  let place = low;
  for (const item of fresh) {
    while (place < list.length && compare(list[place] as T, item) < 0) {
      next.push(list[place] as T);
      place += 1;
    }
    next.push(item);
  }
  while (place < list.length) {
    next.push(list[place] as T);
    place += 1;
  }
  return next;
}
