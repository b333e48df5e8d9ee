import type { CycleProblem, Forecast } from '../core/cycle/forecast';
import { answerSchema } from './messages';

export interface ForecastJob {
  problem: CycleProblem;
  /** Names the problem, the seed and the kits: equal jobs have equal hashes. */
  inputHash: string;
  seed: number;
  usableKits: string[];
  progress?: (share: number) => void;
}

/** Works out forecasts, one at a time: a newer job ends an older one. */
export interface Forecaster {
  /** @returns the forecast, or null when a newer job took its place */
  run(job: ForecastJob): Promise<Forecast | null>;
  stop(): void;
}

/** What the client needs of a worker, so that tests can give it another. */
export interface WorkerLike {
  postMessage(message: unknown): void;
  terminate(): void;
  onmessage: ((event: MessageEvent) => void) | null;
  onerror: ((event: ErrorEvent) => void) | null;
}

/** Forecasts kept, so that going back to a tank costs nothing. */
const KEPT = 12;
/** Idle time after which the worker is let go, and its memory with it. */
const IDLE_MS = 60_000;

interface Current {
  job: ForecastJob;
  runId: number;
  settle: (forecast: Forecast | null) => void;
  fail: (error: Error) => void;
}

/** A forecaster on a worker, made when first needed. */
export function workerForecaster(makeWorker: () => WorkerLike): Forecaster {
  const cache = new Map<string, Forecast>();
  let worker: WorkerLike | null = null;
  let current: Current | null = null;
  let idle: ReturnType<typeof setTimeout> | undefined;
  let runs = 0;

  const letGo = () => {
    worker?.terminate();
    worker = null;
  };
  const drop = () => {
    current?.settle(null);
    current = null;
    letGo();
  };
  const rest = () => {
    current = null;
    clearTimeout(idle);
    idle = setTimeout(letGo, IDLE_MS);
  };
  const keep = (hash: string, forecast: Forecast) => {
    cache.set(hash, forecast);
    const oldest = cache.keys().next();
    if (cache.size > KEPT && !oldest.done) cache.delete(oldest.value);
  };
  const hear = (data: unknown) => {
    const parsed = answerSchema.safeParse(data);
    if (!parsed.success || !current) return;
    const answer = parsed.data;
    if (answer.runId !== current.runId || answer.inputHash !== current.job.inputHash) return;
    switch (answer.kind) {
      case 'progress':
        current.job.progress?.(answer.share);
        return;
      case 'done':
        keep(answer.inputHash, answer.forecast);
        current.settle(answer.forecast);
        rest();
        return;
      case 'failed':
        current.fail(new Error(answer.why));
        rest();
    }
  };

  return {
    run(job) {
      // A busy worker can't hear that it is no longer wanted.
      if (current) drop();
      const known = cache.get(job.inputHash);
      if (known) return Promise.resolve(known);
      clearTimeout(idle);
      worker ??= makeWorker();
      runs += 1;
      const runId = runs;
      return new Promise((settle, fail) => {
        current = { job, runId, settle, fail };
        if (!worker) return;
        worker.onmessage = (event) => hear(event.data);
        worker.onerror = () => {
          fail(new Error('The forecast’s worker stopped.'));
          current = null;
          letGo();
        };
        worker.postMessage({
          runId,
          inputHash: job.inputHash,
          problem: job.problem,
          seed: job.seed,
          usableKits: job.usableKits,
        });
      });
    },
    stop() {
      clearTimeout(idle);
      drop();
    },
  };
}

/** The worker of a browser, as a file of its own. */
export function browserForecaster(): Forecaster {
  return workerForecaster(
    () => new Worker(new URL('./forecast.worker', window.location.href)) as WorkerLike,
  );
}
