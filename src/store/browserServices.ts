import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { v7 } from 'uuid';
import { openTabChannel } from '../storage/channel';
import { browserShelf, likelyName, OwnDevice } from '../storage/device';
import { DraftStore } from '../storage/drafts';
import { strictFlush } from '../storage/flush';
import { LogStore } from '../storage/logStore';
import { askToPersist, whyNotSaved } from '../storage/room';
import { lazyJobs } from '../workers/jobs/lazy';
import type { LogName, Services } from './services';

const DATABASE: Record<LogName, string> = { own: 'zoarium', demo: 'zoarium-demo' };

/** The services of a browser tab. */
export function browserServices(): Services {
  const jobs = lazyJobs();
  return {
    now: () => Date.now(),
    newId: () => v7(),
    device: new OwnDevice(browserShelf(), () => v7().slice(-12), likelyName()),
    openDatabase: (name) => {
      const database = createAsyncStorage(DATABASE[name]);
      const flush = strictFlush(DATABASE[name]);
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
