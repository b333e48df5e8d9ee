import type { OpenedFile } from '../../core/carry/openFile';
import type { Revision } from '../../core/records/schema/revision';
import { logAnswerSchema } from './messages';

/** A file that is being opened. */
export interface Opening {
  /** What it turned out to be; null once it was stopped. */
  opened: Promise<OpenedFile | null>;
  stop(): void;
}

const BROKEN: OpenedFile = {
  kind: 'refused',
  why: 'This browser could not read it: it may be too large for it. Nothing was changed.',
};
const UNABLE: OpenedFile = {
  kind: 'refused',
  why: 'This browser reads nothing away from the page. Use a newer one.',
};

/**
 * Opens a file of records in a worker of its own, which ends with it.
 * @param progress told of the share that was read, 0 to 1
 */
export function openInWorker(
  bytes: Uint8Array<ArrayBuffer>,
  progress: (share: number) => void,
): Opening {
  if (typeof Worker === 'undefined') {
    return { opened: Promise.resolve(UNABLE), stop: () => undefined };
  }
  const worker = new Worker(new URL('../logs.worker', window.location.href));
  const records: Revision[] = [];
  let settle: (opened: OpenedFile | null) => void = () => undefined;
  const end = (opened: OpenedFile | null) => {
    worker.terminate();
    settle(opened);
  };
  const opened = new Promise<OpenedFile | null>((resolve) => {
    settle = resolve;
  });
  worker.onmessage = ({ data }: MessageEvent) => {
    const answer = logAnswerSchema.safeParse(data);
    if (!answer.success) return end(BROKEN);
    const told = answer.data;
    if (told.kind === 'progress') progress(told.share);
    else if (told.kind === 'some') records.push(...told.records);
    else end(told.kind === 'records' ? { ...told, records } : told);
  };
  worker.onerror = () => end(BROKEN);
  // The bytes go over and are not copied: the page has no use for them any more.
  worker.postMessage({ bytes }, [bytes.buffer]);
  return { opened, stop: () => end(null) };
}
