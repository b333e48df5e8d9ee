import { photoId, photoText } from '../../core/photos/photo';
import { readLogFile } from '../../core/records/file/file';
import { writeBlock } from '../../storage/block';
import type { ChosenFolder } from '../../storage/chosenFolder';
import { SnapshotStore } from '../../storage/snapshotStore';
import { FakeFolder } from '../../testing/fakeFolder';
import { LogBuilder, onDay } from '../../testing/logBuilder';
import { answerCopies } from './desk';

const builder = new LogBuilder();
builder.nitrate(onDay(3), 5);
const photo = Uint8Array.of(255, 216, 3);

/** A desk with a folder in memory, which no database could keep. */
function desk() {
  let kept: ChosenFolder | null = null;
  return {
    store: new SnapshotStore('folder desk'),
    chosen: {
      get: async () => kept,
      keep: async (chosen: ChosenFolder) => {
        kept = chosen;
      },
      forget: async () => {
        kept = null;
      },
    },
    photos: async () => [{ id: photoId(photo), text: photoText(photo) }],
    blocks: async () => [writeBlock(builder.revisions)],
    exclusive: async (_name: string, work: () => Promise<void>) => {
      await work();
      return true;
    },
  };
}
const renew = { ask: 'renewFolder', at: onDay(4), zone: 'UTC' };

describe('a folder that is renewed by itself', () => {
  it('gets the log, its tests as a sheet, and the photos, each as any program reads it', async () => {
    const [here, folder] = [desk(), new FakeFolder()];
    expect(await answerCopies({ ask: 'folder' }, here)).toEqual({ kind: 'folder', folder: null });
    await answerCopies({ ask: 'chooseFolder', folder }, here);
    const answer = await answerCopies(renew, here);
    expect(answer).toMatchObject({
      kind: 'folder',
      folder: { name: 'Reef', permission: 'granted', at: onDay(4), files: 3 },
    });
    const reading = readLogFile(folder.text('zoarium-log-2026-03-06.json'));
    expect(reading.ok && reading.file.records).toHaveLength(builder.revisions.length);
    expect(folder.text('zoarium-tests-2026-03-06.csv')).toContain('nitrate,5');
    expect([...(folder.folders.get('photos')?.files.values() ?? [])]).toEqual([photo]);
  });

  it('is left as it is once its permission is dropped, and says so', async () => {
    const [here, folder] = [desk(), new FakeFolder()];
    await answerCopies({ ask: 'chooseFolder', folder }, here);
    folder.permission = 'prompt';
    expect(await answerCopies(renew, here)).toMatchObject({
      folder: { permission: 'prompt', at: null },
    });
    expect(folder.names()).toEqual([]);
    folder.permission = 'granted';
    expect(await answerCopies(renew, here)).toMatchObject({ folder: { at: onDay(4) } });
  });

  it('is forgotten and keeps what it holds', async () => {
    const [here, folder] = [desk(), new FakeFolder()];
    await answerCopies({ ask: 'chooseFolder', folder }, here);
    await answerCopies(renew, here);
    const names = folder.names();
    expect(await answerCopies({ ask: 'leaveFolder' }, here)).toEqual({
      kind: 'folder',
      folder: null,
    });
    expect(folder.names()).toEqual(names);
    expect(await answerCopies({ ask: 'chooseFolder', folder: 'C:' }, here)).toMatchObject({
      kind: 'failed',
    });
  });
});
