import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import {
  freeName,
  MANIFEST,
  readManifest,
  stillOurs,
  thinned,
  writeManifest,
  type OwnFile,
} from '../core/copies/folder';
import type { Folder, Permission } from './folderHandle';

/** Something to be written into a folder. */
export interface FolderContent {
  name: string;
  bytes: Uint8Array<ArrayBuffer>;
  dated: boolean;
}

const hashOf = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

/** Whether a folder may be written to; one that asks for nothing may. */
export async function permissionOf(folder: Folder): Promise<Permission> {
  return (await folder.queryPermission?.({ mode: 'readwrite' })) ?? 'granted';
}

/** The folder that a name leads into, and the name within it. */
async function placeOf(folder: Folder, name: string): Promise<[Folder, string]> {
  const [first = '', rest] = name.split('/');
  return rest === undefined
    ? [folder, first]
    : [await folder.getDirectoryHandle(first, { create: true }), rest];
}

/** The bytes of a file; null where there is none. */
async function read(folder: Folder, name: string): Promise<Uint8Array<ArrayBuffer> | null> {
  try {
    const [within, own] = await placeOf(folder, name);
    const file = await (await within.getFileHandle(own)).getFile();
    return new Uint8Array(await file.arrayBuffer());
  } catch {
    return null;
  }
}

/** Writes a file whole and closes it: broken off before that, the file of before stands. */
async function write(folder: Folder, name: string, bytes: Uint8Array<ArrayBuffer>): Promise<void> {
  const [within, own] = await placeOf(folder, name);
  const writable = await (await within.getFileHandle(own, { create: true })).createWritable();
  try {
    await writable.write(bytes);
    await writable.close();
  } catch (error) {
    await writable.abort().catch(() => undefined);
    throw error;
  }
}

async function remove(folder: Folder, name: string): Promise<void> {
  const [within, own] = await placeOf(folder, name);
  await within.removeEntry(own).catch(() => undefined);
}

/**
 * Renews what lies in a folder of the keeper's. A file that somebody else put there or changed is left as it is,
 * and never written over; of our own dated ones those go that are too many. The manifest is written last.
 * @param content made only where it is not there already, as photos are
 * @returns the files that are ours then
 */
export async function renewFolder(
  folder: Folder,
  content: readonly FolderContent[],
  at: number,
  zone: string,
): Promise<OwnFile[]> {
  const manifest = await read(folder, MANIFEST);
  const named = readManifest(manifest && new TextDecoder().decode(manifest));
  const hashes: Record<string, string | null> = {};
  for (const { name } of named) {
    const bytes = await read(folder, name);
    hashes[name] = bytes && hashOf(bytes);
  }
  const ours = new Map(stillOurs(named, hashes).map((file) => [file.name, file]));
  for (const { name, bytes, dated } of content) {
    const hash = hashOf(bytes);
    const taken = new Set<string>();
    let own = name;
    while (!ours.has(own) && (await read(folder, own)) !== null) {
      taken.add(own);
      own = freeName(name, taken);
    }
    const there = ours.get(own);
    if (there?.hash !== hash) await write(folder, own, bytes);
    ours.set(own, { name: own, hash, at, dated });
  }
  const away = thinned([...ours.values()], zone);
  for (const { name } of away) {
    await remove(folder, name);
    ours.delete(name);
  }
  const files = [...ours.values()].sort((a, b) => (a.name < b.name ? -1 : 1));
  await write(folder, MANIFEST, utf8ToBytes(writeManifest(files)) as Uint8Array<ArrayBuffer>);
  return files;
}
