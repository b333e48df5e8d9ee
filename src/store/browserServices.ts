import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { v7 } from 'uuid';
import { openTabChannel } from '../storage/channel';
import { browserShelf, likelyName, OwnDevice } from '../storage/device';
import { DraftStore } from '../storage/drafts';
import { strictFlush } from '../storage/flush';
import { LogStore } from '../storage/logStore';
import { askToPersist, whyNotSaved } from '../storage/room';
import { lazyJobs } from '../workers/jobs/lazy';
import { LOGS, type Services } from './services';
import { stopwatch, wallClock } from './wallClock';

/**
 * An id that begins with the moment of the open log's clock. Where that one stands still, ids made at one
 * moment follow each other by the real one.
 */
function newId(): string {
  const msecs = wallClock();
  const real = stopwatch();
  return Math.abs(real - msecs) < 2 ? v7() : v7({ msecs, seq: real % 0x80000000 });
}

/** The services of a browser tab. */
export function browserServices(): Services {
  const jobs = lazyJobs();
  return {
    now: wallClock,
    newId,
    device: new OwnDevice(browserShelf(), () => v7().slice(-12), likelyName()),
    openDatabase: (name) => {
      const database = createAsyncStorage(LOGS[name].database);
      const flush = strictFlush(LOGS[name].database);
      return {
        log: new LogStore(database, name, { newId: () => v7(), flush }),
        drafts: new DraftStore(database),
        storage: database,
      };
    },
    openChannel: openTabChannel,
    whyNotSaved: (error) => {
      // What can be worked out again gives way to what cannot.
      void jobs.forget().catch(() => undefined);
      return whyNotSaved(error);
    },
    askToPersist,
    jobs,
    followsForecasts: true,
  };
}
