/** Whether this browser may show notifications; `missing` where it cannot at all. */
export type MayNotify = 'granted' | 'denied' | 'default' | 'missing';

export function mayNotify(): MayNotify {
  return typeof Notification === 'undefined' ? 'missing' : Notification.permission;
}

/** Asks the person; browsers only let it be asked after a tap. */
export async function askToNotify(): Promise<MayNotify> {
  if (typeof Notification === 'undefined') return 'missing';
  try {
    return await Notification.requestPermission();
  } catch {
    return mayNotify();
  }
}

/**
 * Shows a notification; one of the same tag replaces it. Through the service worker where there is
 * one: phones show no other.
 * @returns whether it was shown
 */
export async function notify(title: string, body: string, tag: string): Promise<boolean> {
  if (mayNotify() !== 'granted') return false;
  const options = { body, tag, icon: '/icons/icon-192.png' };
  try {
    const worker = await navigator.serviceWorker?.getRegistration();
    if (worker) await worker.showNotification(title, options);
    else new Notification(title, options);
    return true;
  } catch {
    return false;
  }
}
