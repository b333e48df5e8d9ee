import { LogBuilder, onDay } from '../../testing/logBuilder';
import { writeBlock } from '../../storage/block';
import { SnapshotStore } from '../../storage/snapshotStore';
import { answerCopies } from './desk';

const builder = new LogBuilder();
builder.entry(onDay(1), { kind: 'note', text: 'kept' });
const block = writeBlock(builder.revisions);
const about = { id: 'first', at: onDay(2), size: builder.revisions.length, entries: 1 };

describe('the desk of copies', () => {
  it('makes, lists, opens and forgets them', async () => {
    const desk = { store: new SnapshotStore('desk'), blocks: async () => [block] };
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
    const desk = { store: new SnapshotStore('empty desk'), blocks: async () => [] };
    expect(await answerCopies({ ask: 'open', id: 'none' }, desk)).toMatchObject({
      kind: 'failed',
      why: expect.stringMatching(/damaged, or gone/),
    });
    expect(await answerCopies({ ask: 'nothing' }, desk)).toMatchObject({ kind: 'failed' });
    expect(await answerCopies(null, desk)).toMatchObject({ kind: 'failed' });
  });
});
