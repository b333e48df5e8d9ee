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
  const end = (ended: Ended | null) => {
    settle?.(ended);
    settle = null;
  };
  const stop = () => {
    worker?.terminate();
    worker = null;
    end(null);
  };
  return {
    ask: (request, progress = () => undefined) =>
      new Promise((resolve) => {
        // What is asked now stands for what was asked before and is not read yet.
        if (settle) {
          end(null);
          if (request.ask !== 'read' || request.source.from !== 'before') stop();
        }
        settle = resolve;
        worker ??= new Worker(new URL('../sheets.worker', window.location.href));
        worker.onmessage = ({ data }: MessageEvent) => {
          const answer = sheetAnswerSchema.safeParse(data);
          if (!answer.success) end(BROKEN);
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
