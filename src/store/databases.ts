import type { TabChannel, TabListener } from '../storage/channel';
import type { LogName, OpenDatabase, Services } from './services';

interface Opened extends OpenDatabase {
  name: LogName;
  channel: TabChannel;
}

/** The database that is open now, and the channel to the other tabs that have it open. */
export class Databases {
  private current: Opened | null = null;
  private writing: Promise<unknown> = Promise.resolve();

  constructor(private readonly services: Services) {}

  open(name: LogName, on: TabListener): Opened {
    this.current?.channel.close();
    const database = this.services.openDatabase(name);
    const opened = { ...database, name, channel: this.services.openChannel(name, on) };
    this.current = opened;
    return opened;
  }

  /** Whether a database is still the one that is open: another may have been opened since. */
  isOpen(opened: Opened): boolean {
    return this.current === opened;
  }

  get opened(): Opened {
    if (!this.current) throw new Error('No database is open.');
    return this.current;
  }

  /** Runs writes one after the other, in the order they were asked for. */
  inTurn<T>(work: () => Promise<T>): Promise<T> {
    const next = this.writing.then(work, work);
    this.writing = next.catch(() => undefined);
    return next;
  }

  /**
   * Drafts are written in turn with the log, so that a late one does not come back after its act. One
   * that can't be stored is lost on a reload and nothing else; the log warns of a full disk.
   */
  saveDraft(name: string, value: unknown): Promise<void> {
    const at = this.current;
    return this.inTurn(async () => {
      await at?.drafts.save(name, value).catch(() => undefined);
    });
  }
}
