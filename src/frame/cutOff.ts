const TRIED_EVERY_MS = 3000;

/** Calls back once, as soon as the server answers again. @returns what stops the looking */
export function whenBack(then: () => void): () => void {
  let over = false;
  const look = async () => {
    const there = await fetch('/manifest.webmanifest', { cache: 'no-store' }).then(
      ({ ok }) => ok,
      () => false,
    );
    if (!there || over) return;
    stop();
    then();
  };
  const now = () => void look();
  const ticker = setInterval(now, TRIED_EVERY_MS);
  addEventListener('online', now);
  const stop = () => {
    over = true;
    clearInterval(ticker);
    removeEventListener('online', now);
  };
  return stop;
}

const REOPENED = 'zoarium-reopened';
const MOST_TIMES = 3;

/**
 * Opens the page anew: a few times in one visit and no more, since a part that is missing at the server
 * itself would otherwise have the page open for ever.
 */
export function reopen(): void {
  const times = Number(sessionStorage.getItem(REOPENED) ?? 0);
  if (times >= MOST_TIMES) return;
  sessionStorage.setItem(REOPENED, String(times + 1));
  location.reload();
}

/**
 * Says that the network is gone where a part of the app could not be fetched, in words that lie in the
 * page itself: the part that failed may be the one that would say so. The page opens anew by itself
 * once the network is back; a part that failed once is not asked for again without that.
 */
export function watchForCutOff(): void {
  let said = false;
  addEventListener(
    'error',
    ({ target }) => {
      if (said || !(target instanceof HTMLScriptElement)) return;
      said = true;
      document.getElementById('cut-off')?.removeAttribute('hidden');
      whenBack(reopen);
    },
    { capture: true },
  );
}
