import type { AsyncStorage } from '@react-native-async-storage/async-storage';
import * as z from 'zod';
import { idSchema, instantSchema } from '../core/records/common';
import { BROUGHT, BROUGHT_KEYS } from './keys';
import { jsonOf } from '../core/records/file/json';

/** What a file brought in: how it is named in the list of changes, and undone months later. */
const broughtSchema = z.object({
  id: idSchema,
  at: instantSchema,
  kind: z.enum(['log', 'carry', 'sheet']),
  /** The file, or the device that it came from. */
  name: z.string().max(300),
  /** What it amounted to: "3 tests". */
  words: z.array(z.string().max(200)).max(60),
});
export type Brought = z.infer<typeof broughtSchema>;

const keysSchema = z.array(z.string());

/** What files brought into a log, beside its records: no act and no file carries it further. */
export class BroughtStore {
  constructor(private readonly database: AsyncStorage) {}

  /** @param keys identities of the revisions that came in; what takes them back */
  async put(brought: Brought, keys: readonly string[]): Promise<void> {
    await this.database.setMany({
      [BROUGHT + brought.id]: JSON.stringify(brought),
      [BROUGHT_KEYS + brought.id]: JSON.stringify(keys),
    });
  }

  /** The newest first. What cannot be read is left out. */
  async list(): Promise<Brought[]> {
    const keys = (await this.database.getAllKeys()).filter((key) => key.startsWith(BROUGHT));
    const texts = await this.database.getMany(keys);
    return keys
      .flatMap((key) => broughtSchema.safeParse(jsonOf(texts[key] ?? '')).data ?? [])
      .sort((a, b) => (a.at < b.at ? 1 : -1));
  }

  async keys(id: string): Promise<string[]> {
    const text = await this.database.getItem(BROUGHT_KEYS + id);
    return keysSchema.safeParse(jsonOf(text ?? '')).data ?? [];
  }
}
