import type { AsyncStorage } from '@react-native-async-storage/async-storage';
import type { DraftStore } from '../storage/drafts';
import type { OwnDevice } from '../storage/device';
import type { LogStore } from '../storage/logStore';
import type { SaveTrouble } from '../storage/room';
import type { Jobs } from '../workers/jobs/client';
import type { TabChannel, TabListener } from '../storage/channel';

/** Which log is open: the keeper's own, or the demo or a practice tank in a database of its own. */
export type LogName = 'own' | 'demo' | 'practice';

/** What each log is to its keeper: a new one without its row does not compile. */
export const LOGS: Readonly<
  Record<
    LogName,
    {
      database: string;
      /** Stands in the names of its files, after "zoarium-". */
      inFiles: string;
      /** Whether copies of it are kept, within the browser and in a folder. */
      copied: boolean;
      /** Whether it leaves as a log: to files, to other devices, to a calendar. */
      leaves: boolean;
      /** Whether it reminds and rings. */
      rings: boolean;
    }
  >
> = {
  own: { database: 'zoarium', inFiles: '', copied: true, leaves: true, rings: true },
  // A demo is made anew whenever one likes.
  demo: {
    database: 'zoarium-demo',
    inFiles: 'demo-',
    copied: false,
    leaves: true,
    rings: true,
  },
  // A made-up tank is kept as its run: as a log it could be taken for a real one.
  practice: {
    database: 'zoarium-practice',
    inFiles: 'practice-',
    copied: false,
    leaves: false,
    rings: false,
  },
};

export interface OpenDatabase {
  log: LogStore;
  drafts: DraftStore;
  /** Where both lie; what is seldom needed, photos, makes its own store on it. */
  storage: AsyncStorage;
}

/** What the store needs from outside, so that tests can give it something else. */
export interface Services {
  now(): number;
  newId(): string;
  /** Which device this is: whose writes are its own. */
  device: OwnDevice;
  openDatabase(name: LogName): OpenDatabase;
  openChannel(name: LogName, on: TabListener): TabChannel;
  whyNotSaved(error: unknown): Promise<SaveTrouble>;
  /** Asks that the browser keep this address; null where it can't be asked. */
  askToPersist(): Promise<boolean | null>;
  jobs: Jobs;
  /** Whether forecasts are asked for of themselves; tests ask for their own. */
  followsForecasts: boolean;
}
