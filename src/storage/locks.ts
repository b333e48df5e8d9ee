/** Runs work while no other tab does; skips it and answers false when another holds the lock. */
export type Exclusive = (name: string, work: () => Promise<void>) => Promise<boolean>;

/** Web Locks, which browsers offer over HTTPS and on this machine only. */
interface LockManager {
  request<T>(name: string, work: () => Promise<T>): Promise<T>;
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
  const locks = webLocks();
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

/** Runs work once no other tab does what is under the same lock; at once where the browser has no locks. */
export function webInTurn<T>(name: string, work: () => Promise<T>): Promise<T> {
  return webLocks()?.request(name, work) ?? work();
}

function webLocks(): LockManager | undefined {
  return (globalThis.navigator as { locks?: LockManager } | undefined)?.locks;
}
