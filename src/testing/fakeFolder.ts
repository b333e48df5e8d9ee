import type { Folder, Permission } from '../storage/folderHandle';

/** A folder in memory, as a browser hands one over; its files can be looked at and changed behind its back. */
export class FakeFolder implements Folder {
  readonly files = new Map<string, Uint8Array<ArrayBuffer>>();
  readonly folders = new Map<string, FakeFolder>();
  permission: Permission = 'granted';
  /** Writing fails once so many bytes are in it. */
  room = Infinity;

  constructor(readonly name = 'Reef') {}

  queryPermission = async () => this.permission;

  async getDirectoryHandle(name: string, options?: { create: boolean }): Promise<FakeFolder> {
    const there = this.folders.get(name);
    if (there) return there;
    if (!options?.create) throw new Error('NotFoundError');
    const made = new FakeFolder(name);
    made.room = this.room;
    this.folders.set(name, made);
    return made;
  }

  async getFileHandle(name: string, options?: { create: boolean }) {
    if (!this.files.has(name)) {
      if (!options?.create) throw new Error('NotFoundError');
      this.files.set(name, new Uint8Array());
    }
    return {
      getFile: async () => ({
        arrayBuffer: async () => (this.files.get(name) ?? new Uint8Array()).slice().buffer,
      }),
      createWritable: async () => {
        let written: Uint8Array<ArrayBuffer> | null = null;
        return {
          write: async (data: Uint8Array<ArrayBuffer>) => {
            if (data.length > this.room) throw new Error('QuotaExceededError');
            written = data;
          },
          // What was written stands only once it is closed.
          close: async () => {
            if (written) this.files.set(name, written);
          },
          abort: async () => undefined,
        };
      },
    };
  }

  async removeEntry(name: string): Promise<void> {
    if (!this.files.delete(name)) throw new Error('NotFoundError');
  }

  text(name: string): string {
    return Buffer.from(this.files.get(name) ?? new Uint8Array()).toString('utf8');
  }

  put(name: string, text: string): void {
    this.files.set(name, Uint8Array.from(Buffer.from(text, 'utf8')));
  }

  names(): string[] {
    return [...this.files.keys()].sort();
  }
}
