import { fitWithin, photoId, photoText } from '../core/photos/photo';
import type { Scaled } from './photos/messages';

/** The part of a worker's world that this one uses. */
interface Scope {
  onmessage: ((event: { data: unknown }) => void) | null;
  postMessage(message: Scaled): void;
}

const scope = globalThis as unknown as Scope;
/** Quality of the JPEG, 0 to 1: below this the spots of a fish begin to smear. */
const QUALITY = 0.82;

/**
 * Draws a picture anew, within the size that is kept. What the camera wrote beside it, the place where
 * it was taken among it, is not carried over.
 */
async function scaled(file: Blob): Promise<Scaled> {
  if (typeof OffscreenCanvas === 'undefined') return { kind: 'refused', why: 'unable' };
  const picture = await createImageBitmap(file).catch(() => null);
  if (!picture) return { kind: 'refused', why: 'unreadable' };
  const { width, height } = fitWithin(picture.width, picture.height);
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d');
  if (!context) return { kind: 'refused', why: 'unable' };
  // JPEG knows no clear ground.
  context.fillStyle = '#fff';
  context.fillRect(0, 0, width, height);
  context.imageSmoothingQuality = 'high';
  context.drawImage(picture, 0, 0, width, height);
  picture.close();
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
  const bytes = new Uint8Array(await blob.arrayBuffer());
  return { kind: 'scaled', id: photoId(bytes), text: photoText(bytes) };
}

scope.onmessage = ({ data }) => {
  if (!(data instanceof Blob)) return;
  scaled(data)
    .catch((): Scaled => ({ kind: 'refused', why: 'unable' }))
    .then((answer) => scope.postMessage(answer));
};
