import { formatSignificant } from '../core/units/format';

const MB = 1_048_576;

/**
 * Why a save failed, in words. A full browser rejects with an empty message and may report a quota
 * that it does not grant, so the words name the usual reason and what this address uses.
 */
export async function whyNotSaved(): Promise<string> {
  const refused =
    'The browser refused to store it, most often because the disk or the browser’s share of it is full.';
  try {
    const usage = (await globalThis.navigator?.storage?.estimate?.())?.usage;
    if (usage === undefined) return refused;
    return `${refused} This address uses ${formatSignificant(usage / MB, 2)} MB.`;
  } catch {
    return refused;
  }
}
