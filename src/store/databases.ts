import type { TabChannel } from '../storage/channel';
import type { LogName, OpenDatabase, Services } from './services';

/** The database that is open now, and the channel to the other tabs that have it open. */
export class Databases {
  private current: { name: LogName; database: OpenDatabase; channel: TabChannel } | null = null;

  constructor(private readonly services: Services) {}

  open(name: LogName, on: Parameters<Services['openChannel']>[1]): OpenDatabase {
    this.current?.channel.close();
    const database = this.services.openDatabase(name);
    this.current = { name, database, channel: this.services.openChannel(name, on) };
    return database;
  }

  get database(): OpenDatabase {
    if (!this.current) throw new Error('No database is open.');
    return this.current.database;
  }

  get channel(): TabChannel {
    if (!this.current) throw new Error('No database is open.');
    return this.current.channel;
  }

  /** A draft that can't be stored is lost on a reload and nothing else; the log warns of a full disk. */
  async saveDraft(name: string, value: unknown): Promise<void> {
    await this.current?.database.drafts.save(name, value).catch(() => undefined);
  }
}
