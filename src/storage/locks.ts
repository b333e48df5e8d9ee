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
 * Keeps two tabs from doing the same work by Web Locks. Where the browser has none the work is done
 * all the same: whatever runs under this lock must lose nothing when it runs twice at once.
 */
export const webExclusive: Exclusive = async (name, work) => {
  const locks = (globalThis.navigator as { locks?: LockManager } | undefined)?.locks;
  if (!locks) {
    await work();
    return true;
  }
  return locks.request(name, { ifAvailable: true }, async (lock) => {
    if (!lock) return false;
    await work();
    return true;
  });
};
