import { carry, forecastOf, foretell, infer, posteriorBytes } from '../../core/cycle/forecast';
import { cycleProblem } from '../../core/cycle/problem/problem';
import { tankHistory } from '../../core/history/derive';
import { BARE_TANK, LogBuilder, onDay } from '../../testing/logBuilder';
import { workerJobs, type WorkerLike } from './client';
import { answerRequest, runJob } from './host';
import type { Answer } from './messages';
import { JOB_TABLE } from './table';

/** A worker that is told by hand when to answer. */
class HandWorker implements WorkerLike {
  onmessage: ((event: MessageEvent) => void) | null = null;
  onerror: ((event: ErrorEvent) => void) | null = null;
  sent: { runId: number; job: string }[] = [];
  ended = false;
  postMessage(message: unknown): void {
    this.sent.push(message as { runId: number; job: string });
  }
  terminate(): void {
    this.ended = true;
  }
  say(data: unknown): void {
    this.onmessage?.({ data } as MessageEvent);
  }
}

const problem = (() => {
  const log = new LogBuilder();
  log.dose(onDay(1), 2);
  log.ammonia(onDay(2), 2);
  log.nitrite(onDay(2), 0.5);
  return cycleProblem(tankHistory(log.log(), log.tankId, onDay(3)), onDay(3));
})();
const SMALL = { seed: 1, particles: 30, otherParticles: 8, members: 20 };
const posterior = infer(problem, SMALL);
const forecast = foretell(posterior);
const input = { posterior, atHand: [] };
const done = (runId: number) => ({ kind: 'done', runId, output: forecast });

function setUp() {
  const workers: HandWorker[] = [];
  const jobs = workerJobs(() => {
    const worker = new HandWorker();
    workers.push(worker);
    return worker;
  });
  const ask = (hash: string, lane = 'a', progress?: (share: number) => void) =>
    jobs.run('foretell', input, { lane, hash, progress });
  return { workers, jobs, ask };
}

describe('jobs on workers', () => {
  it('tell of progress, answer, and keep the answer', async () => {
    const { workers, jobs, ask } = setUp();
    const shares: number[] = [];
    const run = ask('x', 'a', (share) => shares.push(share));
    workers[0]?.say({ kind: 'progress', runId: 1, share: 0.5 });
    workers[0]?.say(done(1));
    expect(await run).toEqual(forecast);
    expect(shares).toEqual([0.5]);
    expect(await ask('x')).toEqual(forecast);
    expect(workers[0]?.sent).toHaveLength(1);
    jobs.stop();
  });

  it('end an older one of their lane, and leave other lanes alone', async () => {
    const { workers, jobs, ask } = setUp();
    jest.useFakeTimers();
    try {
      const older = ask('x');
      const other = ask('y', 'b');
      const newer = ask('z');
      expect(await older).toBeNull();
      jest.advanceTimersByTime(1000);
      expect(workers.map((worker) => worker.ended)).toEqual([true, false, false]);
      workers[0]?.say(done(1));
      workers[1]?.say(done(2));
      workers[2]?.say(done(3));
      expect(await other).toEqual(forecast);
      expect(await newer).toEqual(forecast);
      jobs.stop();
    } finally {
      jest.useRealTimers();
    }
  });

  it('wait, in a row, until none has come for a second, and let no resting worker go for that', async () => {
    const { workers, jobs, ask } = setUp();
    jest.useFakeTimers();
    try {
      const first = ask('a');
      workers[0]?.say(done(1));
      await first;
      const asked = () => workers.flatMap((worker) => worker.sent.map(({ runId }) => runId));
      void ask('b');
      expect(asked()).toEqual([1, 2]);
      void ask('c');
      jest.advanceTimersByTime(900);
      void ask('d');
      jest.advanceTimersByTime(900);
      expect(asked()).toEqual([1, 2]);
      jest.advanceTimersByTime(100);
      expect(asked()).toEqual([1, 2, 4]);
      expect(workers.map((worker) => worker.ended)).toEqual([true, false]);
      jobs.stop();
    } finally {
      jest.useRealTimers();
    }
  });

  it('let a resting worker go in its time, whatever was cancelled or answered from memory meanwhile', async () => {
    jest.useFakeTimers();
    try {
      const { workers, ask, jobs } = setUp();
      const run = ask('x');
      workers[0]?.say(done(1));
      await run;
      jobs.cancel('a');
      expect(await ask('x')).toEqual(forecast);
      jest.advanceTimersByTime(61_000);
      expect(workers[0]?.ended).toBe(true);
    } finally {
      jest.useRealTimers();
    }
  });

  it('take a worker that rests in another lane, and make one only where all are at work', async () => {
    const { workers, jobs, ask } = setUp();
    const first = ask('x');
    workers[0]?.say(done(1));
    await first;
    const second = ask('y', 'b');
    expect(workers).toHaveLength(1);
    const third = ask('z');
    expect(workers).toHaveLength(2);
    workers[0]?.say(done(2));
    workers[1]?.say(done(3));
    expect(await second).toEqual(forecast);
    expect(await third).toEqual(forecast);
    // Its old lane is not ended with it.
    jobs.cancel('b');
    expect(workers.map((worker) => worker.ended)).toEqual([false, false]);
    jobs.stop();
    expect(workers.map((worker) => worker.ended)).toEqual([true, true]);
  });

  it('are cancelled by ending their worker', async () => {
    const { workers, jobs, ask } = setUp();
    const run = ask('x');
    jobs.cancel('a');
    expect(await run).toBeNull();
    expect(workers[0]?.ended).toBe(true);
  });

  it('refuse an answer that is none, and tell of a failure', async () => {
    const { workers, jobs, ask } = setUp();
    const run = ask('x');
    workers[0]?.say({ kind: 'done', runId: 1, output: 'nonsense' });
    workers[0]?.say({ kind: 'failed', runId: 1, why: 'No room' });
    await expect(run).rejects.toThrow('No room');
    jobs.stop();
  });

  it('keep two dozen answers, and let an idle worker and its memory go', async () => {
    jest.useFakeTimers();
    try {
      const { workers, jobs, ask } = setUp();
      for (let n = 1; n <= 25; n += 1) {
        const run = ask(`h${n}`);
        workers[0]?.say(done(n));
        await run;
      }
      expect(workers).toHaveLength(1);
      jest.advanceTimersByTime(61_000);
      expect(workers[0]?.ended).toBe(true);
      await ask('h25');
      expect(workers).toHaveLength(1);
      // The oldest was let go, and has to be worked out again.
      void ask('h1');
      expect(workers).toHaveLength(2);
      jobs.stop();
    } finally {
      jest.useRealTimers();
    }
  });

  it('tell of a worker that stopped, and take another for the next', async () => {
    const { workers, jobs, ask } = setUp();
    const run = ask('x');
    workers[0]?.onerror?.({} as ErrorEvent);
    await expect(run).rejects.toThrow(/stopped/);
    const next = ask('y');
    workers[1]?.say(done(2));
    expect(await next).toEqual(forecast);
    jobs.stop();
  });
});

describe('what a worker does', () => {
  const answers = (data: unknown): Answer[] => {
    const said: Answer[] = [];
    answerRequest(data, (message) => said.push(message));
    return said;
  };

  it('answers what it is asked, through the schemas of the job', () => {
    const said = answers({ runId: 7, job: 'foretell', input });
    expect(said.at(-1)).toEqual({
      kind: 'done',
      runId: 7,
      output: foretell(posterior, { atHand: [] }),
    });
  });

  test.each([
    [{ runId: 1, job: 'dream', input: {} }, /no job/],
    [{ runId: 1, job: 'carry', input: { posterior, load: [], days: 0 } }, /days/],
    [{ runId: 1, job: 'infer', input: { problem: { tankId: 'x' }, seed: 1 } }, /problem/],
  ])('says why it cannot: %#', (request, why) => {
    expect(answers(request)).toEqual([
      { kind: 'failed', runId: 1, why: expect.stringMatching(why) },
    ]);
  });

  it('is silent at what is no request', () => {
    expect(answers('hello')).toEqual([]);
  });

  it('plays every source with one way of seeding', () => {
    const outcomes = runJob('methods', {
      tank: BARE_TANK,
      netLitres: 100,
      water: { temperature: 26, ph: 8.1, salinity: 35, alkalinity: 8 },
      seeding: 'liveRock',
    });
    expect(outcomes.map((outcome) => outcome.method.seeding)).toEqual(
      outcomes.map(() => 'liveRock'),
    );
    expect(Object.keys(JOB_TABLE)).toContain('methods');
  });
});

describe('a posterior', () => {
  it('foretells what inferring and foretelling in one does, to the digit', () => {
    expect(foretell(structuredClone(posterior))).toEqual(forecastOf(problem, SMALL));
  });

  it('is small enough to be kept and sent along', () => {
    const full = infer(problem, { seed: 1 });
    expect(posteriorBytes(full)).toBeLessThan(1_000_000);
  });

  it('carries more the less it is asked to, and nothing without a load', () => {
    const peak = (nitrogen: number) =>
      carry(posterior, [{ fromDay: 0, nitrogen }], 21).peakAmmonia.p90;
    expect(peak(0.4)).toBeGreaterThan(peak(0.05));
    const still = carry(posterior, [], 21);
    expect(still.points).toHaveLength(43);
    expect(still.points.at(-1)?.ammonia.p50).toBeLessThanOrEqual(still.points[0]?.ammonia.p50 ?? 0);
    const later = carry(posterior, [{ fromDay: 10, nitrogen: 1 }], 21);
    expect(later.points[18]).toEqual(still.points[18]);
    expect(later.peakFree.p90).toBeGreaterThanOrEqual(later.peakFree.p50);
  });
});
