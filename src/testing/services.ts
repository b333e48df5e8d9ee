import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { DraftStore } from '../storage/drafts';
import { LogStore } from '../storage/logStore';
import type { Services } from '../store/services';
import type { Forecaster } from '../workers/forecastClient';
import { testId } from './logBuilder';

let databases = 0;
let ids = 100_000;

/** A forecaster that never answers. */
const SILENT: Forecaster = { run: async () => null, stop: () => undefined };

/**
 * Services for a store under test: a database of its own, ids that are valid and new, one tab.
 * @param now what the clock says, ms
 * @param options.database shares a database with other services of that name
 * @param options.full a switch that makes the database refuse what is written
 */
export function testServices(
  now: number,
  options: { database?: string; full?: { now: boolean }; forecaster?: Forecaster } = {},
): Services {
  databases += 1;
  const { database = String(databases), full, forecaster = SILENT } = options;
  return {
    now: () => now,
    newId: () => testId((ids += 1)),
    device: 'tab',
    openDatabase: (name) => {
      const storage = createAsyncStorage(`test-${database}-${name}`);
      const log = new LogStore(storage, name, async () => false);
      const append = log.append.bind(log);
      log.append = (revisions) => (full?.now ? Promise.reject(new Error('')) : append(revisions));
      return { log, drafts: new DraftStore(storage) };
    },
    openChannel: () => ({
      tell: () => undefined,
      tellWiped: () => undefined,
      close: () => undefined,
    }),
    whyNotSaved: async () => 'The browser has no room left.',
    forecaster,
  };
}
