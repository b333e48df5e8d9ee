/** The name of the format of a file of photos, by which an import tells it from a log. */
export const PHOTOS_FORMAT = 'zoarium-photos';

/** Whether a text says of itself that it is a file of photos. */
export function isPhotosFile(text: string): boolean {
  return text.slice(0, 200).includes(PHOTOS_FORMAT);
}
