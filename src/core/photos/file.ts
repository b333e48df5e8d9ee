import * as z from 'zod';
import { photoIdSchema } from '../records/common';
import { PHOTOS_FORMAT } from './format';
import { photoBytes, photoId } from './photo';
import { photoTextSchema } from './schema';
import { jsonOf } from '../records/file/json';

const VERSION = 1;

export interface Photo {
  id: string;
  text: string;
}

const fileSchema = z.object({
  format: z.literal(PHOTOS_FORMAT),
  version: z.int().min(1),
  exportedAt: z.iso.datetime({ offset: true }),
  photos: z.record(z.string(), z.unknown()),
});

/** The file of some photos. @param exportedAt instant */
export function writePhotosFile(photos: readonly Photo[], exportedAt: string): string {
  return JSON.stringify({
    format: PHOTOS_FORMAT,
    version: VERSION,
    exportedAt,
    photos: Object.fromEntries(photos.map(({ id, text }) => [id, text])),
  });
}

export type PhotosReading =
  | { ok: true; photos: Photo[]; damaged: number }
  | { ok: false; why: string };

/** Reads a file of photos. A photo whose bytes are not those of its name is left out and counted. */
export function readPhotosFile(text: string): PhotosReading {
  const raw = jsonOf(text);
  if (raw === undefined)
    return {
      ok: false,
      why: 'This file of photos is cut off or damaged. Export the photos once more.',
    };
  const read = fileSchema.safeParse(raw);
  if (!read.success) return { ok: false, why: 'This is no file of photos that Zoarium wrote.' };
  if (read.data.version > VERSION) {
    return { ok: false, why: 'A newer Zoarium wrote these photos. Update this one first.' };
  }
  const photos = soundPhotos(read.data.photos);
  const damaged = Object.keys(read.data.photos).length - photos.length;
  return { ok: true, photos, damaged };
}

/** The photos whose bytes are those of their names; the others are left out. */
export function soundPhotos(photos: Readonly<Record<string, unknown>>): Photo[] {
  return Object.entries(photos).flatMap(([id, value]): Photo[] => {
    const kept = photoTextSchema.safeParse(value);
    if (!kept.success || !photoIdSchema.safeParse(id).success) return [];
    return isOf(id, kept.data) ? [{ id, text: kept.data }] : [];
  });
}

/** Whether a text is the photo of that id. */
export function isOf(id: string, text: string): boolean {
  try {
    return photoId(photoBytes(text)) === id;
  } catch {
    return false;
  }
}
