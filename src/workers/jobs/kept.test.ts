import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { infer } from '../../core/cycle/forecast';
import { cycleProblem } from '../../core/cycle/problem/problem';
import { demoLog } from '../../core/demo/demoLog';
import { tankHistory } from '../../core/history/derive';
import { stockSource } from '../../core/livestock/planner/source';
import { EMPTY_LOG, mergeRevisions } from '../../core/records/log';
import { BARE_TANK, LogBuilder, onDay, testId } from '../../testing/logBuilder';
import { answerFromText, answerToText } from './answerText';
import { workerJobs, type WorkerLike } from './client';
import { answerRequest, runJob } from './host';
import { keptAnswers } from './kept';
import { isJobName, JOB_TABLE, type JobInput, type JobName } from './table';

const problem = (() => {
  const log = new LogBuilder();
  log.dose(onDay(1), 2);
  log.ammonia(onDay(2), 2);
  return cycleProblem(tankHistory(log.log(), log.tankId, onDay(3)), onDay(3));
})();
const small = infer(problem, { seed: 1, particles: 30, otherParticles: 8, members: 20 });

/** What is asked of the plan for a tank of the demo. */
function demoSource() {
  const now = Date.parse('2026-11-24T12:00:00Z');
  let made = 0;
  const newId = () => testId((made += 1));
  const log = mergeRevisions(EMPTY_LOG, demoLog({ now, zone: 'UTC', device: 'test', newId }));
  const fulmar = log.tanks.find(({ body }) => body.name === 'Fulmar')?.id ?? '';
  const given = { ready: true, forecast: null };
  return stockSource(log, tankHistory(log, fulmar, now), now, given);
}

let databases = 0;
const newDatabase = () => createAsyncStorage(`answers-${(databases += 1)}`);

/** What is written lands before what is read after it. */
async function landed(kept: ReturnType<typeof keptAnswers>, key: string): Promise<unknown> {
  for (let n = 0; n < 200; n += 1) {
    const found = await kept.find(key);
    if (found !== null) return found;
  }
  return null;
}

/** A page with workers that answer at once, on a database that outlives it; counts what it works out. */
function page(database: ReturnType<typeof newDatabase>, build = 'one') {
  const worked: string[] = [];
  const jobs = workerJobs(
    () => {
      const worker: WorkerLike = {
        postMessage: (message) => {
          const { job } = message as { job: string };
          worked.push(job);
          const answer = job === 'infer' ? { kind: 'done', runId: 1, output: small } : null;
          if (answer) {
            const { runId } = message as { runId: number };
            worker.onmessage?.({ data: { ...answer, runId } } as MessageEvent);
          } else answerRequest(message, (data) => worker.onmessage?.({ data } as MessageEvent));
        },
        terminate: () => undefined,
        onmessage: null,
        onerror: null,
      };
      return worker;
    },
    keptAnswers(database, build),
  );
  const ask = (hash = 'h', lane = 'a') => jobs.run('infer', { problem, seed: 1 }, { lane, hash });
  return { jobs, ask, worked };
}

describe('answers that outlive a page', () => {
  it('are given by the next page without any work', async () => {
    const database = newDatabase();
    const before = page(database);
    const answer = await before.ask();
    expect(answer).toEqual(small);
    await landed(keptAnswers(database, 'one'), 'infer/h');
    expect(await landed(keptAnswers(database, 'one'), 'infer/h')).toEqual(small);
    const after = page(database);
    expect(await after.ask()).toEqual(answer);
    expect([before.worked, after.worked]).toEqual([['infer'], []]);
    before.jobs.stop();
    after.jobs.stop();
  });

  it('are not taken by another build, by another question, nor where they are damaged', async () => {
    const database = newDatabase();
    const first = page(database);
    await first.ask();
    await landed(keptAnswers(database, 'one'), 'infer/h');
    const other = page(database, 'two');
    await other.ask();
    expect(other.worked).toEqual(['infer']);
    const again = page(database);
    await again.ask('elsewhere');
    expect(again.worked).toEqual(['infer']);
    const whole = (await database.getItem('one/infer/h')) ?? '';
    const last = whole.lastIndexOf('0.');
    // One digit further in is damage as well, though its shape is right.
    const digit = `${whole.slice(0, last)}1.${whole.slice(last + 2)}`;
    expect(digit).not.toBe(whole);
    const names = ['cut', 'shape', 'none', 'digit'];
    for (const [n, text] of ['{"problem":', '{"problem":{}}', 'null', digit].entries()) {
      const damaged = names[n] ?? '';
      await database.setItem(`one/infer/${damaged}`, text);
      const reader = page(database);
      expect(await reader.ask(damaged)).toEqual(small);
      expect(reader.worked).toEqual(['infer']);
      reader.jobs.stop();
    }
    for (const { jobs } of [first, other, again]) jobs.stop();
  });

  it('are asked for in their lane: a newer question ends an older one that is being looked up', async () => {
    const { jobs, ask, worked } = page(newDatabase());
    const older = ask('x');
    const newer = ask('y');
    expect(await older).toBeNull();
    expect(await newer).toEqual(small);
    expect(worked).toEqual(['infer']);
    jobs.stop();
  });

  it('are not kept where all was forgotten while they were worked out', async () => {
    const database = newDatabase();
    const sent: number[] = [];
    const worker: WorkerLike = {
      postMessage: (message) => void sent.push((message as { runId: number }).runId),
      terminate: () => undefined,
      onmessage: null,
      onerror: null,
    };
    const kept = keptAnswers(database, 'one');
    const jobs = workerJobs(() => worker, kept);
    const asked = jobs.run('infer', { problem, seed: 1 }, { lane: 'a', hash: 'h' });
    while (sent.length === 0) await kept.find('nothing');
    await jobs.forget();
    worker.onmessage?.({ data: { kind: 'done', runId: sent[0], output: small } } as MessageEvent);
    // Whoever asked has it; the erased log's answer stays nowhere.
    expect(await asked).toEqual(small);
    for (let n = 0; n < 50; n += 1) expect(await kept.find('infer/h')).toBeNull();
    void jobs.run('infer', { problem, seed: 1 }, { lane: 'a', hash: 'h' });
    while (sent.length === 1) await kept.find('nothing');
    jobs.stop();
  });

  it('hold nothing back where the browser is silent about them', async () => {
    jest.useFakeTimers();
    try {
      const database = newDatabase();
      database.getItem = () => new Promise(() => undefined);
      const { jobs, ask, worked } = page(database);
      const asked = ask();
      await jest.advanceTimersByTimeAsync(2000);
      expect(await asked).toEqual(small);
      expect(worked).toEqual(['infer']);
      jobs.stop();
    } finally {
      jest.useRealTimers();
    }
  });

  it('are the newest dozen of this build', async () => {
    const database = newDatabase();
    await database.setItem('older/infer/h', '1');
    const kept = keptAnswers(database, 'one');
    for (let n = 1; n <= 15; n += 1) kept.keep(`k${n}`, { n });
    expect(await landed(kept, 'k15')).toEqual({ n: 15 });
    expect((await database.getAllKeys()).filter((key) => key !== 'order').sort()).toEqual(
      Array.from({ length: 12 }, (_, n) => `one/k${n + 4}`).sort(),
    );
    await kept.forget();
    expect(await database.getAllKeys()).toEqual([]);
  });

  it('are left out where the browser has no room, cannot be read, or where one is too long', async () => {
    const database = newDatabase();
    const kept = keptAnswers(database, 'one');
    kept.keep('long', 'x'.repeat(2_100_000));
    kept.keep('short', 'x');
    expect(await landed(kept, 'short')).toBe('x');
    expect(await kept.find('long')).toBeNull();
    database.setMany = () => Promise.reject(new Error(''));
    kept.keep('late', 1);
    await expect(kept.forget()).resolves.toBeUndefined();
    database.getItem = () => Promise.reject(new Error('closed'));
    const { jobs, ask } = page(database);
    expect(await ask()).toEqual(small);
    jobs.stop();
  });

  it('are the same to the digit for every job whose answers are kept', () => {
    const inputs: { [J in JobName]?: JobInput<J> } = {
      infer: { problem, seed: 1 },
      foretell: { posterior: small, atHand: [] },
      plan: { source: demoSource(), posterior: small },
      methods: {
        tank: BARE_TANK,
        netLitres: 100,
        water: { temperature: 26, ph: 8.1, salinity: 35, alkalinity: 8 },
        seeding: 'liveRock',
      },
    };
    for (const name of Object.keys(JOB_TABLE)) {
      if (!isJobName(name) || !JOB_TABLE[name].kept) continue;
      const input = inputs[name];
      if (!input) throw new Error(`Nothing to ask of ${name}.`);
      const answer = name === 'infer' ? small : runJob(name, input as never);
      const back = answerFromText(answerToText(answer));
      expect(back).toEqual(answer);
      expect(JOB_TABLE[name].output.safeParse(back).success).toBe(true);
    }
  });
});
