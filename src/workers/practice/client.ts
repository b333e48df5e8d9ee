import type { Alike } from '../../core/practice/after/alike';
import { alikeAnswerSchema } from './messages';

/** Tanks that are being lived. */
export interface Living {
  /** What they came to; null once it was stopped, or where it could not be done. */
  lived: Promise<Alike | null>;
  stop(): void;
}

/** Asks tanks like a run's what a deed did, in a worker that ends with it. @param run the run's file */
export function liveAlike(run: string, deedId: string, progress: (share: number) => void): Living {
  if (typeof Worker === 'undefined') {
    return { lived: Promise.resolve(null), stop: () => undefined };
  }
  const worker = new Worker(new URL('../practice.worker', window.location.href));
  let settle: (alike: Alike | null) => void = () => undefined;
  const end = (alike: Alike | null) => {
    worker.terminate();
    settle(alike);
  };
  const lived = new Promise<Alike | null>((resolve) => {
    settle = resolve;
  });
  worker.onmessage = ({ data }: MessageEvent) => {
    const answer = alikeAnswerSchema.safeParse(data);
    if (!answer.success || answer.data.kind === 'failed') return end(null);
    if (answer.data.kind === 'progress') progress(answer.data.share);
    else end(answer.data.alike);
  };
  worker.onerror = () => end(null);
  worker.postMessage({ run, deedId });
  return { lived, stop: () => end(null) };
}
