import type { LogName } from '@/store/services';

const KEY = 'zoarium-log';

/** The log this tab has open; a new tab opens one's own. */
export function rememberedLog(): LogName {
  try {
    const name = sessionStorage.getItem(KEY);
    return name === 'demo' || name === 'practice' ? name : 'own';
  } catch {
    return 'own';
  }
}

export function rememberLog(name: LogName): void {
  try {
    sessionStorage.setItem(KEY, name);
  } catch {
    // Without it a reload leaves the demo, which loses nothing.
  }
}
