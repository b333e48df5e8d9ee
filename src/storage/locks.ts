/** Runs work while no other tab does; skips it and answers false when another holds the lock. */
export type Exclusive = (name: string, work: () => Promise<void>) => Promise<boolean>;

/** Web Locks, which browsers offer over HTTPS and on this machine only. */
interface LockManager {
  request(
    name: string,
    options: { ifAvailable: true },
    work: (lock: object | null) => Promise<boolean>,
  ): Promise<boolean>;
}

/**
 * Exclusion across tabs by Web Locks. Where the browser has none the work is skipped: two tabs that
 * rewrite one chunk at once could lose a revision, and a journal that stays long loses nothing.
 */
export const webExclusive: Exclusive = async (name, work) => {
  const locks = (globalThis.navigator as { locks?: LockManager } | undefined)?.locks;
  if (!locks) return false;
  return locks.request(name, { ifAvailable: true }, async (lock) => {
    if (!lock) return false;
    await work();
    return true;
  });
};
