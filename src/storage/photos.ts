import type { AsyncStorage } from '@react-native-async-storage/async-storage';
import type { Photo } from '../core/photos/file';
import { photoTextSchema } from '../core/photos/schema';
import { PHOTO } from './keys';

/** A photo that is kept, and the room it takes. */
export interface KeptPhoto {
  id: string;
  /** Letters of its text, about as many bytes. */
  letters: number;
}

/**
 * Photos by the hash of their bytes, beside the records: no act, no message between tabs and no file of
 * a log carries one. Keeping the same one twice keeps one.
 */
export class PhotoStore {
  constructor(private readonly database: AsyncStorage) {}

  /** A photo; null where it is not here, or is none. */
  async get(id: string): Promise<string | null> {
    const read = photoTextSchema.safeParse(await this.database.getItem(PHOTO + id));
    return read.success ? read.data : null;
  }

  /** @throws when the browser does not take it */
  async put(id: string, text: string): Promise<void> {
    await this.database.setItem(PHOTO + id, text);
  }

  async list(): Promise<KeptPhoto[]> {
    const keys = (await this.database.getAllKeys()).filter((key) => key.startsWith(PHOTO));
    const texts = await this.database.getMany(keys);
    return keys.map((key) => ({ id: key.slice(PHOTO.length), letters: texts[key]?.length ?? 0 }));
  }

  /** Photos with their texts: those of some ids, or all that are kept. What is not here is left out. */
  async all(ids?: Iterable<string>): Promise<Photo[]> {
    const wanted = ids ? [...ids] : (await this.list()).map(({ id }) => id);
    const photos: Photo[] = [];
    // One by one: all at once they may be more than a phone has room for.
    for (const id of wanted) {
      const text = await this.get(id);
      if (text) photos.push({ id, text });
    }
    return photos;
  }

  async remove(ids: readonly string[]): Promise<void> {
    await this.database.removeMany(ids.map((id) => PHOTO + id));
  }
}
