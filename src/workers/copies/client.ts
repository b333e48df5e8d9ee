import { copyAnswerSchema, type CopyAnswer, type CopyRequest } from './messages';

const UNABLE: CopyAnswer = {
  kind: 'failed',
  why: 'This browser keeps no copies within itself. Export the log instead.',
};
/** How long a worker that answered rests before it is let go, ms: who looks for copies may make one next. */
const IDLE_MS = 5000;

let resting: Worker | null = null;
let idle: ReturnType<typeof setTimeout> | undefined;

function takeResting(): Worker | null {
  clearTimeout(idle);
  const worker = resting;
  resting = null;
  return worker;
}

/** Asks a worker of copies one thing: the one that rests, or one of its own. */
export function askCopies(request: CopyRequest): Promise<CopyAnswer> {
  if (typeof Worker === 'undefined') return Promise.resolve(UNABLE);
  const worker = takeResting() ?? new Worker(new URL('../copies.worker', window.location.href));
  return new Promise<CopyAnswer>((settle) => {
    worker.onmessage = ({ data }: MessageEvent) => {
      takeResting()?.terminate();
      resting = worker;
      idle = setTimeout(() => takeResting()?.terminate(), IDLE_MS);
      const answer = copyAnswerSchema.safeParse(data);
      settle(answer.success ? answer.data : UNABLE);
    };
    worker.onerror = () => {
      worker.terminate();
      settle(UNABLE);
    };
    worker.postMessage(request);
  });
}
