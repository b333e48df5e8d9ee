import { sheetAnswerSchema, type SheetAnswer, type SheetRequest } from './messages';

type Ended = Exclude<SheetAnswer, { kind: 'progress' }>;

/** Someone who reads and writes spreadsheets away from the page. */
export interface SheetWorker {
  /** @param progress told of the share done, 0 to 1 @returns null once it was stopped */
  ask(request: SheetRequest, progress?: (share: number) => void): Promise<Ended | null>;
  /** Ends what is being read, and forgets the sheet. */
  stop(): void;
}

const BROKEN: Ended = { kind: 'refused', why: 'It could not be read here. Reload and try again.' };

const UNABLE: Ended = {
  kind: 'refused',
  why: 'This browser reads nothing away from the page. Use a newer one.',
};

/** Works in a worker of its own, which begins with the first question. */
export function sheetWorker(): SheetWorker {
  if (typeof Worker === 'undefined') {
    return { ask: () => Promise.resolve(UNABLE), stop: () => undefined };
  }
  let worker: Worker | null = null;
  let settle: ((ended: Ended | null) => void) | null = null;
  /** Answers that are still to come to what nobody waits for any more: they come in the order of the questions. */
  let stale = 0;
  const end = (ended: Ended | null) => {
    settle?.(ended);
    settle = null;
  };
  const stop = () => {
    worker?.terminate();
    worker = null;
    stale = 0;
    end(null);
  };
  return {
    ask: (request, progress = () => undefined) =>
      new Promise((resolve) => {
        // What is asked now stands for what was asked before and is not read yet.
        if (settle) {
          end(null);
          stale += 1;
          if (request.ask !== 'read' || request.source.from !== 'before') stop();
        }
        settle = resolve;
        worker ??= new Worker(new URL('../sheets.worker', window.location.href));
        worker.onmessage = ({ data }: MessageEvent) => {
          const answer = sheetAnswerSchema.safeParse(data);
          const telling = answer.success && answer.data.kind === 'progress';
          if (stale > 0) stale -= telling ? 0 : 1;
          else if (!answer.success) end(BROKEN);
          else if (answer.data.kind === 'progress') progress(answer.data.share);
          else end(answer.data);
        };
        worker.onerror = () => {
          stop();
          resolve(BROKEN);
        };
        worker.postMessage(request);
      }),
    stop,
  };
}
