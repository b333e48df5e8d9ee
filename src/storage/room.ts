import { formatSignificant } from '../core/units/format';

const MB = 1_048_576;

/**
 * Why a save failed, in words. A full browser rejects with an empty message, so every rejection is
 * treated alike and worded by how much room the browser says is left.
 */
export async function whyNotSaved(): Promise<string> {
  try {
    const estimate = await globalThis.navigator?.storage?.estimate?.();
    const { usage, quota } = estimate ?? {};
    if (usage !== undefined && quota !== undefined && quota - usage < 2 * MB) {
      return `The browser has no room left: ${formatSignificant(usage / MB, 3)} of ${formatSignificant(quota / MB, 3)} MB are used.`;
    }
  } catch {
    // Without an estimate there is nothing to add.
  }
  return 'The browser did not store it.';
}
