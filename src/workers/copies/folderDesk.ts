import { photoBytes } from '../../core/photos/photo';
import { toLogFile, writeLogFile } from '../../core/records/file/file';
import { EMPTY_LOG, mergeRevisions } from '../../core/records/log';
import { readingsCsv } from '../../core/sheets/write/readings';
import { dayOf } from '../../core/time/zone';
import { permissionOf, renewFolder, type FolderContent } from '../../storage/folder';
import type { Desk } from './atHand';
import { recordsIn } from './recordsIn';
import type { CopyAnswer, CopyRequest } from './messages';

type FolderRequest = Extract<CopyRequest, { ask: `${string}older` }>;

const bytesOf = (text: string) => new TextEncoder().encode(text) as Uint8Array<ArrayBuffer>;

/** What the folder of the keeper's is to hold: the log, its tests as a sheet, and each photo. */
async function contentOf(
  { blocks, photos }: Desk,
  at: number,
  zone: string,
): Promise<{ content: FolderContent[]; size: number }> {
  const records = recordsIn(await blocks());
  const day = dayOf(at, zone);
  const file = writeLogFile(toLogFile(records, new Date(at).toISOString()));
  const tests = readingsCsv(mergeRevisions(EMPTY_LOG, records));
  return {
    size: records.length,
    content: [
      { name: `zoarium-log-${day}.json`, bytes: bytesOf(file), dated: true },
      { name: `zoarium-tests-${day}.csv`, bytes: bytesOf(tests), dated: true },
      ...(await photos()).map(({ id, text }) => ({
        name: `photos/${id}.jpg`,
        bytes: photoBytes(text) as Uint8Array<ArrayBuffer>,
        dated: false,
      })),
    ],
  };
}

/** Says how the folder stands that was chosen for copies, takes a new one, leaves it, or renews it. */
export async function answerFolder(asked: FolderRequest, desk: Desk): Promise<CopyAnswer> {
  const { chosen, exclusive } = desk;
  if (asked.ask === 'leaveFolder') await chosen.forget();
  if (asked.ask === 'chooseFolder') {
    await chosen.keep({ folder: asked.folder, at: null, size: 0, files: 0 });
  }
  if (asked.ask === 'renewFolder') {
    await exclusive('zoarium-folder', async () => {
      const found = await chosen.get();
      if (!found || (await permissionOf(found.folder)) !== 'granted') return;
      const { content, size } = await contentOf(desk, asked.at, asked.zone);
      const { length } = await renewFolder(found.folder, content, asked.at, asked.zone);
      await chosen.keep({ folder: found.folder, at: asked.at, size, files: length });
    });
  }
  const found = await chosen.get();
  if (!found) return { kind: 'folder', folder: null };
  const { folder: handle, at, size, files } = found;
  const permission = await permissionOf(handle).catch(() => 'prompt' as const);
  return { kind: 'folder', folder: { handle, name: handle.name, permission, at, size, files } };
}
