import type { DraftStore } from '../storage/drafts';
import type { LogStore } from '../storage/logStore';
import type { Forecaster } from '../workers/forecastClient';
import type { TabChannel } from '../storage/channel';

/** Which log is open: the keeper's own, or the demo in a database of its own. */
export type LogName = 'own' | 'demo';

export interface OpenDatabase {
  log: LogStore;
  drafts: DraftStore;
}

/** What the store needs from outside, so that tests can give it something else. */
export interface Services {
  now(): number;
  newId(): string;
  /** A name for this browser tab's writes. */
  device: string;
  openDatabase(name: LogName): OpenDatabase;
  openChannel(
    name: LogName,
    on: Parameters<typeof import('../storage/channel').openTabChannel>[1],
  ): TabChannel;
  whyNotSaved(): Promise<string>;
  forecaster: Forecaster;
}
