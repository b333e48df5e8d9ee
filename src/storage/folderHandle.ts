export type Permission = 'granted' | 'prompt' | 'denied';

interface FileHandle {
  getFile(): Promise<{ arrayBuffer(): Promise<ArrayBuffer> }>;
  createWritable(): Promise<{
    write(data: Uint8Array<ArrayBuffer>): Promise<void>;
    close(): Promise<void>;
    abort(): Promise<void>;
  }>;
}

/** A folder that the keeper chose: what of a directory handle (File System Access) is used. */
export interface Folder {
  name: string;
  getFileHandle(name: string, options?: { create: boolean }): Promise<FileHandle>;
  getDirectoryHandle(name: string, options?: { create: boolean }): Promise<Folder>;
  removeEntry(name: string): Promise<void>;
  /** Left out where permission is not asked for, as in a folder of the browser's own. */
  queryPermission?(options: { mode: 'readwrite' }): Promise<Permission>;
}

/** Whether something is a folder as the browser hands it over. */
export const isFolder = (value: unknown): value is Folder =>
  typeof value === 'object' && value !== null && 'getFileHandle' in value && 'name' in value;
