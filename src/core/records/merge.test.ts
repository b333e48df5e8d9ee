import fc from 'fast-check';
import {
  createRecord,
  EMPTY_LOG,
  headOf,
  keysOfAct,
  kitFrom,
  mergeRevisions,
  recordOf,
  removeRecord,
  reviseRecord,
  undoRevisions,
  type Log,
  type Revision,
  type RevisionOf,
} from '..';
import { onDay, testId } from '../../testing/logBuilder';

const stamp = (n: number, device = `device-${n % 3}`) => ({
  actId: testId(9000 + n),
  device,
  recordedAt: new Date(onDay(0) + n * 60_000).toISOString(),
});
const first = () => createRecord(stamp(1), testId(1), 'kit', kitFrom('ammoniaCard', 0));
type KitHead = RevisionOf<'kit'>;
const change = (head: KitHead, changes: Partial<KitHead['body']>, n: number, settles?: string[]) =>
  reviseRecord(stamp(n), head, { ...head.body, ...changes }, settles);
const merged = (...revisions: Revision[]): Log => mergeRevisions(EMPTY_LOG, revisions);
const kitOf = (log: Log) => headOf(log, testId(1))?.body as KitHead['body'];

describe('two corrections of one revision', () => {
  it('merge where they touch different fields', () => {
    const kit = first();
    const log = merged(kit, change(kit, { lot: '41' }, 2), change(kit, { waitMinutes: 9 }, 3));
    expect(kitOf(log)).toMatchObject({ lot: '41', waitMinutes: 9 });
    expect(recordOf(log, testId(1))?.conflicts).toEqual([]);
  });

  it('of one field keep both, one of them in force, until a revision settles it', () => {
    const kit = first();
    const mine = change(kit, { lot: '41' }, 2);
    const theirs = change(kit, { lot: '42' }, 3);
    const log = merged(kit, mine, theirs);
    expect(kitOf(log).lot).toBe('42');
    expect(recordOf(log, testId(1))?.conflicts).toMatchObject([
      { field: 'lot', kept: '42', other: '41' },
    ]);
    expect(log.conflicted.map((head) => head.id)).toEqual([testId(1)]);
    const head = headOf(log, testId(1)) as KitHead;
    // Another field changed later settles nothing; the field itself does.
    const renamed = change(head, { name: 'Renamed' }, 4);
    expect(recordOf(mergeRevisions(log, [renamed]), testId(1))?.conflicts).toHaveLength(1);
    const settled = mergeRevisions(log, [change(head, { lot: '41' }, 5, ['lot'])]);
    expect(recordOf(settled, testId(1))?.conflicts).toEqual([]);
    expect(kitOf(settled).lot).toBe('41');
    expect(settled.conflicted).toEqual([]);
  });

  it('a deletion does not take what was changed at the same time', () => {
    const kit = first();
    const log = merged(kit, change(kit, { lot: '41' }, 2), removeRecord(stamp(3), kit));
    expect(headOf(log, testId(1))?.deleted).toBeUndefined();
    expect(kitOf(log).lot).toBe('41');
  });

  it('come to the same in whatever order and however often they arrive', () => {
    const fields = fc.constantFrom<Partial<KitHead['body']>>(
      { lot: 'a' },
      { lot: 'b' },
      { waitMinutes: 7 },
      { name: 'Other' },
      { name: 'Third', lot: 'c' },
    );
    // Each correction is made from any revision that is known then.
    const acts = fc.array(fc.tuple(fields, fc.nat(), fc.boolean()), { maxLength: 8 });
    fc.assert(
      fc.property(acts, fc.infiniteStream(fc.nat()), (list, chance) => {
        const known: KitHead[] = [first()];
        list.forEach(([changes, from, settles], n) => {
          const parent = known[from % known.length];
          if (parent) known.push(change(parent, changes, n + 2, settles ? ['lot'] : undefined));
        });
        const straight = recordOf(merged(...known), testId(1));
        const shuffled = [...known, ...known.slice(0, 2)];
        for (let i = shuffled.length - 1; i > 0; i -= 1) {
          const j = chance.next().value % (i + 1);
          [shuffled[i], shuffled[j]] = [shuffled[j] as KitHead, shuffled[i] as KitHead];
        }
        let log = EMPTY_LOG;
        for (const revision of shuffled) log = mergeRevisions(log, [revision]);
        const piecewise = recordOf(log, testId(1));
        expect(piecewise?.head).toEqual(straight?.head);
        expect(piecewise?.conflicts).toEqual(straight?.conflicts);
      }),
    );
  });
});

it('undo of an undo, again and again, always finds what it takes back', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 7 }), (times) => {
      const kit = first();
      let log = merged(kit, change(kit, { lot: '41' }, 2));
      let last = stamp(2).actId;
      for (let n = 0; n < times; n += 1) {
        const act = stamp(10 + n);
        const undo = undoRevisions(log, keysOfAct(log, last), act);
        expect(undo.revisions).toHaveLength(1);
        log = mergeRevisions(log, undo.revisions);
        last = act.actId;
      }
      expect(kitOf(log).lot).toBe(times % 2 === 0 ? '41' : '');
    }),
  );
});
