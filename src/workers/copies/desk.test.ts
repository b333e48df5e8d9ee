import { LogBuilder, onDay } from '../../testing/logBuilder';
import { writeBlock } from '../../storage/block';
import type { Exclusive } from '../../storage/locks';
import type { Photo } from '../../core/photos/file';
import { ChosenFolderStore } from '../../storage/chosenFolder';
import { SnapshotStore } from '../../storage/snapshotStore';
import { answerCopies } from './desk';

const builder = new LogBuilder();
builder.entry(onDay(1), { kind: 'note', text: 'kept' });
const block = writeBlock(builder.revisions);
const about = { id: 'first', at: onDay(2), size: builder.revisions.length, entries: 1 };

/** The lock of a machine on which one tab works at a time. */
let held = false;
const alone: Exclusive = async (_name, work) => {
  if (held) return false;
  held = true;
  await work().finally(() => {
    held = false;
  });
  return true;
};

let stores = 0;
/** What a desk has beside: no photos, and no folder yet. */
const beside = () => ({
  chosen: new ChosenFolderStore(`folder ${(stores += 1)}`),
  photos: async (): Promise<Photo[]> => [],
});

describe('the desk of copies', () => {
  it('makes one copy where two tabs ask at once, and every copy that is listed opens', async () => {
    const desk = {
      store: new SnapshotStore('two tabs'),
      blocks: async () => [block],
      exclusive: alone,
      ...beside(),
    };
    const take = (id: string) =>
      answerCopies({ ask: 'take', about: { ...about, id }, zone: 'UTC' }, desk);
    await Promise.all([take('one'), take('two')]);
    const copies = await desk.store.list();
    expect(copies).toHaveLength(1);
    expect(await desk.store.texts(copies[0]?.id ?? '')).toEqual([block]);
  });

  it('makes, lists, opens and forgets them', async () => {
    const desk = {
      store: new SnapshotStore('desk'),
      blocks: async () => [block],
      exclusive: alone,
      ...beside(),
    };
    expect(await answerCopies({ ask: 'list' }, desk)).toEqual({ kind: 'list', copies: [] });
    const taken = await answerCopies({ ask: 'take', about, zone: 'UTC' }, desk);
    expect(taken).toMatchObject({ kind: 'list', copies: [about] });
    expect(await answerCopies({ ask: 'open', id: 'first' }, desk)).toEqual({
      kind: 'records',
      records: builder.revisions,
    });
    expect(await answerCopies({ ask: 'forget' }, desk)).toEqual({ kind: 'list', copies: [] });
    expect(await answerCopies({ ask: 'list' }, desk)).toEqual({ kind: 'list', copies: [] });
  });

  it('says in words what it cannot do', async () => {
    const desk = {
      store: new SnapshotStore('empty desk'),
      blocks: async () => [],
      exclusive: alone,
      ...beside(),
    };
    expect(await answerCopies({ ask: 'open', id: 'none' }, desk)).toMatchObject({
      kind: 'failed',
      why: expect.stringMatching(/damaged, or gone/),
    });
    expect(await answerCopies({ ask: 'nothing' }, desk)).toMatchObject({ kind: 'failed' });
    expect(await answerCopies(null, desk)).toMatchObject({ kind: 'failed' });
  });
});
