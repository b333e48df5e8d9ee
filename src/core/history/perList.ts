/** Those of a list that pass; the list itself where all do, so that what was asked of it is known. */
export function passing<T>(list: readonly T[], passes: (one: T) => boolean): readonly T[] {
  return list.every(passes) ? list : list.filter(passes);
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
