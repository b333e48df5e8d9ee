import { forecastOf, type CycleProblem } from '../core/cycle/forecast';
import { cycleProblem } from '../core/cycle/problem/problem';
import { tankHistory } from '../core/history/tankHistory';
import { LogBuilder, onDay } from '../testing/logBuilder';
import { workerForecaster, type WorkerLike } from './forecastClient';

/** A worker that is told by hand when to answer. */
class HandWorker implements WorkerLike {
  onmessage: ((event: MessageEvent) => void) | null = null;
  onerror: ((event: ErrorEvent) => void) | null = null;
  sent: { runId: number; inputHash: string }[] = [];
  ended = false;
  postMessage(message: unknown): void {
    this.sent.push(message as { runId: number; inputHash: string });
  }
  terminate(): void {
    this.ended = true;
  }
  say(data: unknown): void {
    this.onmessage?.({ data } as MessageEvent);
  }
}

const problem: CycleProblem = (() => {
  const log = new LogBuilder();
  log.dose(onDay(1), 2);
  return cycleProblem(tankHistory(log.log(), log.tankId, onDay(3)), onDay(3));
})();
const forecast = forecastOf(problem, { seed: 1, particles: 30, otherParticles: 8, members: 20 });
const job = (inputHash: string) => ({ problem, inputHash, seed: 1, usableKits: [] });

function setUp() {
  const workers: HandWorker[] = [];
  const client = workerForecaster(() => {
    const worker = new HandWorker();
    workers.push(worker);
    return worker;
  });
  return { workers, client };
}

describe('the forecaster', () => {
  it('tells of progress, answers, and keeps the answer', async () => {
    const { workers, client } = setUp();
    const shares: number[] = [];
    const run = client.run({ ...job('a'), progress: (share) => shares.push(share) });
    workers[0]?.say({ kind: 'progress', runId: 1, inputHash: 'a', share: 0.5 });
    workers[0]?.say({ kind: 'done', runId: 1, inputHash: 'a', forecast });
    expect(await run).toEqual(forecast);
    expect(shares).toEqual([0.5]);
    expect(await client.run(job('a'))).toEqual(forecast);
    expect(workers[0]?.sent).toHaveLength(1);
    client.stop();
  });

  it('ends an older run for a newer one', async () => {
    const { workers, client } = setUp();
    const older = client.run(job('a'));
    const newer = client.run(job('b'));
    expect(await older).toBeNull();
    expect(workers[0]?.ended).toBe(true);
    workers[0]?.say({ kind: 'done', runId: 1, inputHash: 'a', forecast });
    workers[1]?.say({ kind: 'done', runId: 2, inputHash: 'b', forecast });
    expect(await newer).toEqual(forecast);
    client.stop();
  });

  it('refuses an answer that is none, and tells of a failure', async () => {
    const { workers, client } = setUp();
    const run = client.run(job('a'));
    workers[0]?.say({ kind: 'done', runId: 1, inputHash: 'a', forecast: 'nonsense' });
    workers[0]?.say({ kind: 'failed', runId: 1, inputHash: 'a', why: 'No room' });
    await expect(run).rejects.toThrow('No room');
    client.stop();
  });

  it('keeps a dozen answers, and lets an idle worker and its memory go', async () => {
    jest.useFakeTimers();
    try {
      const { workers, client } = setUp();
      for (let n = 1; n <= 13; n += 1) {
        const run = client.run(job(`h${n}`));
        workers[0]?.say({ kind: 'done', runId: n, inputHash: `h${n}`, forecast });
        await run;
      }
      expect(workers).toHaveLength(1);
      expect(workers[0]?.ended).toBe(false);
      jest.advanceTimersByTime(61_000);
      expect(workers[0]?.ended).toBe(true);
      await client.run(job('h13'));
      expect(workers).toHaveLength(1);
      // The oldest was let go, and has to be worked out again.
      void client.run(job('h1'));
      expect(workers).toHaveLength(2);
      client.stop();
    } finally {
      jest.useRealTimers();
    }
  });

  it('tells of a worker that stopped, and takes another for the next', async () => {
    const { workers, client } = setUp();
    const run = client.run(job('a'));
    workers[0]?.onerror?.({} as ErrorEvent);
    await expect(run).rejects.toThrow(/stopped/);
    const next = client.run(job('b'));
    workers[1]?.say({ kind: 'done', runId: 2, inputHash: 'b', forecast });
    expect(await next).toEqual(forecast);
    client.stop();
  });
});
