import { useSyncExternalStore } from 'react';

/**
 * Whether this device opens the app with no network. `none`: the browser has no service worker here,
 * as over plain HTTP on another address.
 */
export type OfflineState = 'none' | 'preparing' | 'ready' | 'failed';

interface Offline {
  state: OfflineState;
  /** A newer build is kept ready and waits to be used. */
  newer: boolean;
}

let current: Offline = { state: 'none', newer: false };
let waiting: ServiceWorker | null = null;
let reloadOnce: () => void = () => undefined;
const listeners = new Set<() => void>();

function became(next: Partial<Offline>): void {
  current = { ...current, ...next };
  for (const listener of listeners) listener();
}

/** Follows a worker until it is installed: the first makes the device ready, a later one waits. */
function follow(worker: ServiceWorker | null, first: boolean): void {
  if (!worker) return;
  const look = () => {
    if (worker.state === 'installed' && !first) {
      waiting = worker;
      became({ newer: true });
    }
    if (worker.state === 'activated') became({ state: 'ready' });
    if (worker.state === 'redundant' && current.state === 'preparing') became({ state: 'failed' });
  };
  worker.addEventListener('statechange', look);
  look();
}

/**
 * Begins to keep the app on this device. A newer build is fetched whole beside the one in use, and
 * used once the keeper says so; every tab then reloads, each with its drafts as they were stored.
 */
export async function keepOffline(
  container: ServiceWorkerContainer | undefined,
  reload: () => void,
): Promise<void> {
  if (!container) return;
  became({ state: 'preparing' });
  const controlled = container.controller !== null;
  let reloading = false;
  reloadOnce = () => {
    if (reloading) return;
    reloading = true;
    reload();
  };
  // The first worker takes no page over; a later one means files of another build.
  container.addEventListener('controllerchange', () => {
    if (controlled) reloadOnce();
  });
  try {
    const registration = await container.register('/sw.js');
    if (registration.active) became({ state: 'ready' });
    if (registration.waiting) {
      waiting = registration.waiting;
      became({ newer: true });
    }
    follow(registration.installing, registration.active === null);
    registration.addEventListener('updatefound', () =>
      follow(registration.installing, registration.active === null),
    );
  } catch {
    became({ state: current.state === 'ready' ? 'ready' : 'failed' });
  }
}

/** Uses the newer build that waits. */
export function applyNewer(): void {
  const newer = waiting;
  // A page of the first visit has no worker of its own whose change it would be told of.
  newer?.addEventListener('statechange', () => {
    if (newer.state === 'activated') reloadOnce();
  });
  newer?.postMessage({ type: 'SKIP_WAITING' });
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** How this device stands to being without a network. */
export function useOffline(): Offline {
  return useSyncExternalStore(subscribe, () => current);
}

/** The same in a sentence. */
export const OFFLINE_WORDS: Record<OfflineState, string> = {
  ready: 'This device is ready for the tank room or the shop: every place opens without a network.',
  preparing: 'Being made ready for use without a network …',
  failed: 'Not ready for use without a network yet: what is missing is fetched at the next visit.',
  none: 'This browser does not keep the app here. Over HTTPS, or on this machine itself, it does.',
};
