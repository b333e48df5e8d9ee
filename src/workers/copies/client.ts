import { copyAnswerSchema, type CopyAnswer, type CopyRequest } from './messages';

/** Asks the worker of copies one thing; it ends with its answer. */
export function askCopies(request: CopyRequest): Promise<CopyAnswer> {
  const unable: CopyAnswer = {
    kind: 'failed',
    why: 'This browser keeps no copies within itself. Export the log instead.',
  };
  if (typeof Worker === 'undefined') return Promise.resolve(unable);
  const worker = new Worker(new URL('../copies.worker', window.location.href));
  return new Promise<CopyAnswer>((settle) => {
    worker.onmessage = ({ data }: MessageEvent) => {
      const answer = copyAnswerSchema.safeParse(data);
      settle(answer.success ? answer.data : unable);
    };
    worker.onerror = () => settle(unable);
    worker.postMessage(request);
  }).finally(() => worker.terminate());
}
