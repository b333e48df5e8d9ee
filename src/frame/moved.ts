/** Where places lay before they took the words of the screen: addresses that somebody saved go on working. */
const NOW: Readonly<Record<string, string>> = {
  '/bench': '/calculators',
  '/rhythm': '/chores',
  '/stock/lots': '/stock/groups',
  '/log/look': '/log/daily-check',
  '/log/response': '/log/growth-measure',
};

/**
 * The address that a former one leads to.
 * @param address path and query, as it was opened
 * @returns null where nothing lay there
 */
export function movedTo(address: string): string | null {
  for (const [before, now] of Object.entries(NOW)) {
    const rest = address.slice(before.length);
    if (address.startsWith(before) && /^([/?]|$)/.test(rest)) return now + rest;
  }
  return null;
}
