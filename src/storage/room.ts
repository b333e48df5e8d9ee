import { formatSignificant } from '../core/units/format';

const MB = 1_048_576;

/** Why a save failed: in words, and whether trying again in this page can ever help. */
export interface SaveTrouble {
  why: string;
  /** The page has lost its connection to the database, and only a reload makes a new one. */
  lostConnection: boolean;
}

/** The storage package keeps one connection for the life of a page, and these are how a dead one answers. */
const DEAD = /clos(ed|ing)|InvalidState|connection|not found/i;

/**
 * What an error of a save means. A full browser rejects with an empty message and may report a quota
 * that it does not grant, so the words name the usual reason and what this address uses.
 */
export async function whyNotSaved(error: unknown): Promise<SaveTrouble> {
  const message = error instanceof Error ? error.message : String(error ?? '');
  if (DEAD.test(message)) {
    return {
      lostConnection: true,
      why: 'The browser closed the storage of this page, most often because the site’s data was cleared. This page cannot open it again.',
    };
  }
  const refused =
    'The browser refused to store it, most often because the disk or the browser’s share of it is full.';
  try {
    const usage = (await globalThis.navigator?.storage?.estimate?.())?.usage;
    if (usage === undefined) return { lostConnection: false, why: refused };
    return {
      lostConnection: false,
      why: `${refused} This address uses ${formatSignificant(usage / MB, 2)} MB.`,
    };
  } catch {
    return { lostConnection: false, why: refused };
  }
}

/**
 * Asks the browser not to clear this address on its own.
 * @returns whether it granted that; null where it cannot be asked
 */
export async function askToPersist(): Promise<boolean | null> {
  try {
    return (await globalThis.navigator?.storage?.persist?.()) ?? null;
  } catch {
    return null;
  }
}
