import { scaledSchema, type Scaled } from './messages';

/** Scales a picture down in a worker of its own, which ends with it. */
export function scalePhoto(file: Blob): Promise<Scaled> {
  if (typeof Worker === 'undefined') return Promise.resolve({ kind: 'refused', why: 'unable' });
  const worker = new Worker(new URL('../photos.worker', window.location.href));
  return new Promise<Scaled>((settle) => {
    worker.onmessage = ({ data }: MessageEvent) => {
      const read = scaledSchema.safeParse(data);
      settle(read.success ? read.data : { kind: 'refused', why: 'unable' });
    };
    worker.onerror = () => settle({ kind: 'refused', why: 'unable' });
    worker.postMessage(file);
  }).finally(() => worker.terminate());
}
