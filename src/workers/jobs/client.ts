import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { keptAnswers, type KeptAnswers } from './kept';
import { answerSchema } from './messages';
import type { Progress } from './job';
import { JOB_TABLE, type JobInput, type JobName, type JobOutput } from './table';

export interface RunOptions {
  /** Jobs of one lane are asked one after the other: a newer one ends an older one. */
  lane: string;
  /** Names the input: equal inputs have equal hashes, and an answer that is known is given at once. */
  hash: string;
  progress?: Progress;
}

/** Runs jobs away from the screen. */
export interface Jobs {
  /**
   * @returns the output, or null when a newer job of its lane took its place
   * @throws when the job failed
   */
  run<J extends JobName>(
    job: J,
    input: JobInput<J>,
    options: RunOptions,
  ): Promise<JobOutput<J> | null>;
  /** Ends what runs in a lane. */
  cancel(lane: string): void;
  /** Ends everything. */
  stop(): void;
  /** Lets go of every answer, those that outlive the page included. */
  forget(): Promise<void>;
}

/** What the client needs of a worker, so that tests can give it another. */
export interface WorkerLike {
  postMessage(message: unknown): void;
  terminate(): void;
  onmessage: ((event: MessageEvent) => void) | null;
  onerror: ((event: ErrorEvent) => void) | null;
}

/** How long is waited for an answer that may be kept: a database that is silent must not hold back a forecast, ms. */
const FIND_MS = 1500;
/** How long a job that took another's place waits for a newer one: readings logged in a row are asked of once, ms. */
const STEADY_MS = 1000;
/** Answers at hand, so that going back to a tank costs nothing. */
const AT_HAND = 24;
/** Idle time after which a lane's worker is let go, and its memory with it. */
const IDLE_MS = 60_000;

interface Running {
  runId: number;
  hear: (data: unknown) => void;
  fail: (error: Error) => void;
  drop: () => void;
  /** Whether the worker of the lane is at it; until then it rests, or there is none. */
  asked: boolean;
}

interface Lane {
  worker: WorkerLike | null;
  running: Running | null;
  idle: ReturnType<typeof setTimeout> | undefined;
}

/**
 * Jobs on workers, one to a lane at work, made when none rests. A worker at work is ended for a newer job,
 * since it cannot hear a word till it is done.
 */
export function workerJobs(makeWorker: () => WorkerLike, shelf: KeptAnswers | null = null): Jobs {
  const lanes = new Map<string, Lane>();
  const known = new Map<string, unknown>();
  let runs = 0;
  /** How often all was forgotten: what was asked before that is given to who asked, and not kept. */
  let forgotten = 0;

  const laneOf = (name: string): Lane => {
    const lane = lanes.get(name) ?? { worker: null, running: null, idle: undefined };
    lanes.set(name, lane);
    return lane;
  };
  const letGo = (lane: Lane) => {
    clearTimeout(lane.idle);
    lane.worker?.terminate();
    lane.worker = null;
  };
  /** @returns whether there was anything to end */
  const drop = (lane: Lane): boolean => {
    const { running } = lane;
    if (!running) return false;
    lane.running = null;
    running.drop();
    if (running.asked) letGo(lane);
    return true;
  };
  const rest = (lane: Lane) => {
    lane.running = null;
    clearTimeout(lane.idle);
    lane.idle = setTimeout(() => letGo(lane), IDLE_MS);
  };
  const keep = (key: string, output: unknown) => {
    known.delete(key);
    known.set(key, output);
    const oldest = known.keys().next();
    if (known.size > AT_HAND && !oldest.done) known.delete(oldest.value);
  };
  // Making one fetches and reads all that jobs are made of, so a worker that rests changes lanes.
  const restingWorker = (): WorkerLike | null => {
    const resting = [...lanes.values()].find(({ worker, running }) => worker && !running);
    if (!resting) return null;
    const { worker } = resting;
    clearTimeout(resting.idle);
    resting.worker = null;
    return worker;
  };
  const workerOf = (lane: Lane): WorkerLike => {
    if (lane.worker) return lane.worker;
    const worker = restingWorker() ?? makeWorker();
    worker.onmessage = (event) => lane.running?.hear(event.data);
    worker.onerror = () => {
      const { running } = lane;
      lane.running = null;
      letGo(lane);
      running?.fail(new Error('The worker stopped.'));
    };
    lane.worker = worker;
    return worker;
  };

  return {
    run<J extends JobName>(name: J, input: JobInput<J>, { lane: at, hash, progress }: RunOptions) {
      const lane = laneOf(at);
      const inARow = drop(lane);
      const { output, kept: outlives } = JOB_TABLE[name];
      const key = `${name}/${hash}`;
      const atHand = output.safeParse(known.get(key));
      if (known.has(key) && atHand.success) return Promise.resolve(atHand.data);
      runs += 1;
      const runId = runs;
      const askedIn = forgotten;
      return new Promise<JobOutput<J> | null>((settle, fail) => {
        const hear = (data: unknown) => {
          const parsed = answerSchema.safeParse(data);
          if (!parsed.success || parsed.data.runId !== runId) return;
          const answer = parsed.data;
          if (answer.kind === 'progress') return progress?.(answer.share);
          if (answer.kind === 'failed') {
            rest(lane);
            return fail(new Error(answer.why));
          }
          const read = output.safeParse(answer.output);
          if (!read.success) return;
          if (askedIn === forgotten) {
            keep(key, read.data);
            if (outlives) shelf?.keep(key, read.data);
          }
          rest(lane);
          settle(read.data);
        };
        let steady: ReturnType<typeof setTimeout> | undefined;
        const dropped = () => {
          clearTimeout(steady);
          settle(null);
        };
        const running: Running = { runId, hear, fail, drop: dropped, asked: false };
        lane.running = running;
        const askNow = () => {
          running.asked = true;
          clearTimeout(lane.idle);
          workerOf(lane).postMessage({ runId, job: name, input });
        };
        const ask = () => {
          if (inARow) steady = setTimeout(askNow, STEADY_MS);
          else askNow();
        };
        if (!outlives || !shelf) return ask();
        let heard = false;
        const hearShelf = (found: unknown) => {
          clearTimeout(silence);
          if (heard || lane.running !== running) return;
          heard = true;
          const read = output.safeParse(found);
          if (found === null || !read.success) return ask();
          if (askedIn === forgotten) keep(key, read.data);
          rest(lane);
          settle(read.data);
        };
        const silence = setTimeout(() => hearShelf(null), FIND_MS);
        void shelf.find(key).then(hearShelf);
      });
    },
    cancel(name) {
      const lane = lanes.get(name);
      if (lane) drop(lane);
    },
    stop() {
      for (const lane of lanes.values()) {
        drop(lane);
        letGo(lane);
      }
      lanes.clear();
    },
    async forget() {
      forgotten += 1;
      known.clear();
      await shelf?.forget();
    },
  };
}

/** The workers of a browser, each of one file of its own, and answers kept for the build that gave them. */
export function browserJobs(): Jobs {
  const build = document.querySelector<HTMLMetaElement>('meta[name="build"]')?.content;
  const shelf = build ? keptAnswers(createAsyncStorage('zoarium-answers'), build) : null;
  return workerJobs(
    () => new Worker(new URL('../jobs.worker', window.location.href)) as WorkerLike,
    shelf,
  );
}
