/**
 * The order number that puts an item at a place among others: between its neighbours, so that one
 * record changes and no other.
 * @param others the order numbers of the rest, in their order
 */
export function orderAt(others: readonly number[], place: number): number {
  const before = others[place - 1];
  const after = others[place];
  if (before === undefined && after === undefined) return 0;
  if (before === undefined) return (after as number) - 1;
  if (after === undefined) return before + 1;
  return (before + after) / 2;
}
