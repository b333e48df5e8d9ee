/** Those of a list that pass; the list itself where all do, so that what was asked of it is known. */
export function passing<T>(list: readonly T[], passes: (one: T) => boolean): readonly T[] {
  return list.every(passes) ? list : list.filter(passes);
}

/**
 * The places of those in a list of which something is so, in order. The list of a tank after an act shares
 * nearly all with the one before, and an item is never changed: only what is new is looked at (decision 20).
 */
export function placesOf<T extends object>(
  isSo: (one: T) => boolean,
): (list: readonly T[]) => readonly number[] {
  const known = new WeakMap<T, { list: readonly T[]; places: readonly number[] }>();
  return (list) => {
    const [first] = list;
    if (!first) return [];
    const before = known.get(first);
    if (before?.list === list) return before.places;
    const { start, end } = before ? endsOf(before.list, list) : { start: 0, end: 0 };
    const places = before ? before.places.slice(0, countBelow(before.places, start)) : [];
    for (let place = start; place < list.length - end; place += 1) {
      if (isSo(list[place] as T)) places.push(place);
    }
    if (before && end > 0) {
      const moved = list.length - before.list.length;
      for (const place of before.places) {
        if (place >= before.list.length - end) places.push(place + moved);
      }
    }
    known.set(first, { list, places });
    return places;
  };
}

/** What the last two lists shared: several questions are asked of the same two in turn. */
let compared: { before: unknown; after: unknown; ends: ReturnType<typeof sharedEnds> } | undefined;

function endsOf(before: readonly unknown[], after: readonly unknown[]) {
  if (compared?.before !== before || compared.after !== after) {
    compared = { before, after, ends: sharedEnds(before, after) };
  }
  return compared.ends;
}

/** How many items two lists share at their start, and of the rest at their end. */
export function sharedEnds<T>(
  before: readonly T[],
  after: readonly T[],
): { start: number; end: number } {
  const shorter = Math.min(before.length, after.length);
  let start = 0;
  while (start < shorter && before[start] === after[start]) start += 1;
  let end = 0;
  while (
    end < shorter - start &&
    before[before.length - 1 - end] === after[after.length - 1 - end]
  ) {
    end += 1;
  }
  return { start, end };
}

function countBelow(places: readonly number[], limit: number): number {
  let count = places.length;
  while (count > 0 && (places[count - 1] ?? 0) >= limit) count -= 1;
  return count;
}

/** Those of a list of which something is so. */
export function only<T extends object>(isSo: (one: T) => boolean) {
  const places = placesOf(isSo);
  return perList((list: readonly T[]): readonly T[] => places(list).map((at) => list[at] as T));
}

/** A list without those of which something is so; the list itself where there are none. */
export function allBut<T extends object>(isSo: (one: T) => boolean) {
  const places = placesOf(isSo);
  return perList((list: readonly T[]): readonly T[] => {
    const out = new Set(places(list));
    return out.size === 0 ? list : list.filter((_, at) => !out.has(at));
  });
}

/**
 * Asks a question of a list once: the same list is not looked through again. Lists of a history are never
 * changed once it was made and are taken over by the next one, so an entry of one kind leaves the answers
 * for all others as they are.
 */
export function perList<T, R>(ask: (list: readonly T[]) => R): (list: readonly T[]) => R {
  const known = new WeakMap<readonly T[], { answer: R }>();
  return (list) => {
    let found = known.get(list);
    if (!found) known.set(list, (found = { answer: ask(list) }));
    return found.answer;
  };
}

/** The same of two lists: asked again only where one of them is another. */
export function perTwoLists<T, U, R>(
  ask: (list: readonly T[], other: readonly U[]) => R,
): (list: readonly T[], other: readonly U[]) => R {
  const beside = perList((list: readonly T[]) =>
    perList((other: readonly U[]) => ask(list, other)),
  );
  return (list, other) => beside(list)(other);
}
