/** Where places lay before they took the words of the screen: addresses that somebody saved go on working. */
const MOVED: readonly (readonly [before: RegExp, now: string])[] = [
  [/^\/bench(?=[/?]|$)/, '/calculators'],
  [/^\/rhythm(?=[/?]|$)/, '/chores'],
  [/^\/stock\/lots(?=\/)/, '/stock/groups'],
  [/^\/log\/look(?=[/?]|$)/, '/log/daily-check'],
  [/^\/log\/response(?=[/?]|$)/, '/log/growth-measure'],
];

/**
 * The address that a former one leads to.
 * @param address path and query, as it was opened
 * @returns null where nothing lay there
 */
export function movedTo(address: string): string | null {
  for (const [before, now] of MOVED) {
    if (before.test(address)) return address.replace(before, now);
  }
  return null;
}
