import type { AsyncStorage } from '@react-native-async-storage/async-storage';
import { draftNow } from './formerDrafts';
import { DRAFT } from './keys';
import { jsonOf } from '../core/records/file/json';

/** What an emptied draft is kept as: a removal may resolve before it is durable, and an old draft would come back. */
export const EMPTIED = '';

/** The key of a draft, for emptying it in the transaction that stores what it became. */
export function draftKey(name: string): string {
  return DRAFT + name;
}

/**
 * Things half done: typed but not saved, the tank last looked at. Written on every change, because
 * nothing can be written when a page goes away.
 */
export class DraftStore {
  constructor(private readonly database: AsyncStorage) {}

  async load(): Promise<Record<string, unknown>> {
    const keys = (await this.database.getAllKeys()).filter((key) => key.startsWith(DRAFT));
    const texts = await this.database.getMany(keys);
    const drafts: Record<string, unknown> = {};
    for (const key of keys) {
      const value = parse(texts[key] ?? EMPTIED);
      const name = draftNow(key.slice(DRAFT.length));
      // One that was typed since, or emptied, under its name of today stands.
      if (draftKey(name) !== key && keys.includes(draftKey(name))) continue;
      if (value !== undefined) drafts[name] = value;
    }
    return drafts;
  }

  async save(name: string, value: unknown): Promise<void> {
    await this.database.setItem(
      draftKey(name),
      value === null || value === undefined ? EMPTIED : JSON.stringify(value),
    );
  }
}

/** A draft that can't be read is worth less than the screen it would break. */
function parse(text: string): unknown {
  return text === EMPTIED ? undefined : jsonOf(text);
}
