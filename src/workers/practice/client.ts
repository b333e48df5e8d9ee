import type { Alike } from '../../core/practice/after/alike';
import { alikeAnswerSchema } from './messages';

/** Tanks that are being lived. */
export interface Living {
  /** What they came to, or why there is nothing. */
  lived: Promise<Alike | 'stopped' | 'failed'>;
  stop(): void;
}

/** Asks tanks like a run's what a deed did, in a worker that ends with it. @param run the run's file */
export function liveAlike(run: string, deedId: string, progress: (share: number) => void): Living {
  if (typeof Worker === 'undefined') {
    return { lived: Promise.resolve('failed'), stop: () => undefined };
  }
  const worker = new Worker(new URL('../practice.worker', window.location.href));
  let settle: (alike: Awaited<Living['lived']>) => void = () => undefined;
  const end = (alike: Awaited<Living['lived']>) => {
    worker.terminate();
    settle(alike);
  };
  const lived = new Promise<Awaited<Living['lived']>>((resolve) => {
    settle = resolve;
  });
  worker.onmessage = ({ data }: MessageEvent) => {
    const answer = alikeAnswerSchema.safeParse(data);
    if (!answer.success || answer.data.kind === 'failed') return end('failed');
    if (answer.data.kind === 'progress') progress(answer.data.share);
    else end(answer.data.alike);
  };
  worker.onerror = () => end('failed');
  worker.postMessage({ run, deedId });
  return { lived, stop: () => end('stopped') };
}
