import { useEffect } from 'react';

/** Keeps the screen awake while a screen is open, where the browser allows it; nothing where it does not. */
export function useWakeLock(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let open = true;
    const take = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock
        ?.request('screen')
        .then((taken) => {
          if (open) lock = taken;
          else void taken.release();
        })
        .catch(() => undefined);
    };
    take();
    // A page that was hidden has lost it.
    document.addEventListener('visibilitychange', take);
    return () => {
      open = false;
      document.removeEventListener('visibilitychange', take);
      void lock?.release().catch(() => undefined);
    };
  }, []);
}
