import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { infer } from '../core/cycle/forecast';
import { OwnDevice, type Shelf } from '../storage/device';
import { DraftStore } from '../storage/drafts';
import { LogStore } from '../storage/logStore';
import type { Services } from '../store/services';
import { RUNS } from '../workers/jobs/runs';
import type { JobInput, JobName, JobOutput } from '../workers/jobs/table';
import type { Jobs } from '../workers/jobs/client';
import { testId } from './logBuilder';

let databases = 0;
let ids = 100_000;

/** Jobs that are never done. */
const SILENT: Jobs = {
  run: async () => null,
  cancel: () => undefined,
  stop: () => undefined,
  forget: async () => undefined,
};

/** Few enough that a screen under test answers soon: how screens are transformed makes the sampler slow. */
const FEW = { particles: 60, otherParticles: 16, members: 60 };

/** Jobs done at once, in the process of the test; filter bacteria are inferred roughly. */
export const HERE: Jobs = {
  ...SILENT,
  run: async <J extends JobName>(job: J, input: JobInput<J>) => {
    if (job !== 'infer') return RUNS[job](input, () => undefined);
    const { problem, seed } = input as JobInput<'infer'>;
    return infer(problem, { ...FEW, seed }) as JobOutput<J>;
  },
};

/**
 * Services for a store under test: a database of its own, ids that are valid and new, one tab.
 * @param now what the clock says, ms
 * @param options.database shares a database with other services of that name
 * @param options.full a switch that makes the database refuse what is written
 */
export function testServices(
  now: number,
  options: { database?: string; full?: { now: boolean }; jobs?: Jobs; shelf?: Shelf } = {},
): Services {
  databases += 1;
  const { database = String(databases), full, jobs = SILENT, shelf = null } = options;
  return {
    now: () => now,
    newId: () => testId((ids += 1)),
    device: new OwnDevice(shelf, () => 'tab', 'Desk'),
    openDatabase: (name) => {
      const storage = createAsyncStorage(`test-${database}-${name}`);
      const log = new LogStore(storage, name, {
        newId: () => testId((ids += 1)),
        exclusive: async () => false,
      });
      const append = log.append.bind(log);
      log.append = (revisions, beside) =>
        full?.now ? Promise.reject(new Error('')) : append(revisions, beside);
      const setItem = storage.setItem.bind(storage);
      storage.setItem = (key, value) =>
        full?.now ? Promise.reject(new Error('')) : setItem(key, value);
      return { log, drafts: new DraftStore(storage), storage };
    },
    openChannel: () => ({
      tell: () => undefined,
      tellWiped: () => undefined,
      tellMoved: () => undefined,
      close: () => undefined,
    }),
    whyNotSaved: async () => ({ why: 'The browser has no room left.', lostConnection: false }),
    askToPersist: async () => null,
    jobs,
    followsForecasts: false,
  };
}
