/** What a browser says of its connection, where it does. */
interface Connected {
  connection?: { saveData?: boolean };
}

/**
 * Fetches pieces of the app before they are asked for, once the page has nothing else to do: a first
 * visit then waits for no network. Not where the keeper's browser is to save data; and where a piece
 * cannot be had nothing is said, since its screen will say so.
 */
export function fetchBeforehand(
  pieces: readonly (() => Promise<unknown>)[],
  browser: Connected = navigator as Connected,
): void {
  if (browser.connection?.saveData) return;
  const fetchAll = () => {
    for (const piece of pieces) piece().catch(() => undefined);
  };
  if (typeof requestIdleCallback === 'function') requestIdleCallback(fetchAll);
  else setTimeout(fetchAll, 2000);
}
