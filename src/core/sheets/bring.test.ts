import fc from 'fast-check';
import { reviseRecord, undoRevisions } from '../records/acts';
import {
  EMPTY_LOG,
  headOf,
  headsOfType,
  isType,
  liveHead,
  mergeRevisions,
  type Log,
} from '../records/log';
import { revisionKey } from '../records/order';
import { revisionSchema, type Revision } from '../records/schema/revision';
import { bringIn, type Bringing } from './bring';
import { openText } from './bytes';
import { offerBody } from './read/offer';
import type { EntryBody } from '../records/kinds';
import { CONTEXT } from '../../testing/sheetContext';
import { readWorkbook } from './sheet';

const SHEET = `Date,Ammonia,Nitrate,Notes
2026-03-05,0.5,5,first test
2026-03-06,0.25,5,
2026-03-06,0.25,10,WC 20 %`;

const stamp = (n: number) => ({
  actId: `00000000-0000-7000-8000-00000000000${n}`,
  device: `device${n}`,
  recordedAt: '2026-11-24T12:00:00Z',
});

const found = (text: string) => {
  const opened = openText(text);
  if (!opened.ok) throw new Error(opened.why);
  return readWorkbook(opened.workbook, null, CONTEXT);
};

const brought = (log: Log, text: string, n = 1): Bringing & { log: Log } => {
  const bringing = bringIn(log, found(text), [], stamp(n));
  return { ...bringing, log: mergeRevisions(log, bringing.revisions) };
};

describe('bringing a sheet in', () => {
  it('writes readings, notes and the kits that the log has not, all in one act and valid', () => {
    const { revisions, fresh, log } = brought(EMPTY_LOG, SHEET);
    expect(fresh).toBe(6);
    expect(new Set(revisions.map(({ actId }) => actId)).size).toBe(1);
    for (const revision of revisions)
      expect(revisionSchema.safeParse(revision).error).toBeUndefined();
    expect(log.kits.map(({ body }) => body.name)).toEqual(
      expect.arrayContaining(['Ammonia, from a spreadsheet', 'Nitrate, from a spreadsheet']),
    );
    // They are no kits of the test sheet until somebody says so.
    expect(log.kits.every(({ body }) => !body.inUse)).toBe(true);
  });

  it('brings the same sheet in once, on one device and on two', () => {
    const once = brought(EMPTY_LOG, SHEET);
    const again = brought(once.log, SHEET, 2);
    expect(again).toMatchObject({ fresh: 0, known: 6, revisions: [] });
    const elsewhere = brought(EMPTY_LOG, SHEET, 3);
    const both = mergeRevisions(once.log, elsewhere.revisions);
    expect(headsOfType(both, 'entry')).toHaveLength(headsOfType(once.log, 'entry').length);
    expect(both.kits).toHaveLength(once.log.kits.length);
  });

  it('brings back what was undone, and leaves what was corrected', () => {
    const { log, revisions } = brought(EMPTY_LOG, SHEET);
    const undo = undoRevisions(log, new Set(revisions.map(revisionKey)), stamp(2));
    const without = mergeRevisions(log, undo.revisions);
    expect(headsOfType(without, 'entry')).toEqual([]);
    const back = brought(without, SHEET, 3);
    expect(back).toMatchObject({ fresh: 0, back: 6, known: 0 });
    expect(headsOfType(back.log, 'entry')).toHaveLength(headsOfType(log, 'entry').length);

    const id = found(SHEET).readings[0]?.id ?? '';
    const head = liveHead(log, id, 'entry');
    if (head?.body.kind !== 'reading') throw new Error('no reading');
    const corrected = mergeRevisions(log, [
      reviseRecord(stamp(4), head, { ...head.body, dilution: 2 }),
    ]);
    const after = brought(corrected, SHEET, 5);
    expect(after.revisions).toEqual([]);
    expect(headOf(after.log, id)?.body).toMatchObject({ dilution: 2 });
  });

  it('takes two equal tests of one moment as two', () => {
    const twice = 'Date,Nitrate\n2026-03-05,5\n2026-03-05,5';
    expect(brought(EMPTY_LOG, twice).fresh).toBe(2);
    expect(brought(brought(EMPTY_LOG, twice).log, twice).fresh).toBe(0);
  });

  it('writes the water changes that were ticked and no others', () => {
    const sheet = found(SHEET);
    const [offer] = sheet.offers;
    if (!offer) throw new Error('nothing is offered');
    expect(kindsOf(bringIn(EMPTY_LOG, sheet, [], stamp(1)).revisions)).not.toContain('waterChange');
    const { revisions } = bringIn(
      EMPTY_LOG,
      sheet,
      [{ offer, body: offerBody(offer, 100) as EntryBody }],
      stamp(1),
    );
    expect(kindsOf(revisions).filter((kind) => kind === 'waterChange')).toHaveLength(1);
  });

  it('writes the animals that a note tells of, once, where they were ticked', () => {
    const sheet = found('Date,Nitrate,Notes\n2026-03-05,5,"+2 clowns, WC 20 %"');
    expect(sheet.offers.map(({ told }) => told.is)).toEqual(['waterChange', 'animals']);
    const chosen = sheet.offers.flatMap((offer) => {
      const body = offerBody(offer, 100);
      return body ? [{ offer, body }] : [];
    });
    const { revisions } = bringIn(EMPTY_LOG, sheet, chosen, stamp(1));
    for (const one of revisions) expect(revisionSchema.safeParse(one).error).toBeUndefined();
    const bodies = revisions.flatMap((one) => (one.type === 'entry' ? [one.body] : []));
    expect(bodies).toContainEqual(
      expect.objectContaining({ kind: 'animals', move: 'in', what: 'Clowns', count: 2 }),
    );
    expect(bodies).toContainEqual(expect.objectContaining({ kind: 'waterChange', litres: 20 }));
    const log = mergeRevisions(EMPTY_LOG, revisions);
    expect(bringIn(log, sheet, chosen, stamp(2)).revisions).toEqual([]);
  });

  it('grows by exactly the rows that are new, in whichever order parts of a sheet come', () => {
    const rows = SHEET.split('\n').slice(1);
    const head = SHEET.split('\n')[0];
    const part = fc.subarray(rows, { minLength: 1 });
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 4 }), (parts) => {
        let log = EMPTY_LOG;
        for (const some of parts) log = brought(log, [head, ...some].join('\n')).log;
        const whole = brought(log, SHEET);
        expect(headsOfType(whole.log, 'entry')).toHaveLength(8);
      }),
      { numRuns: 30 },
    );
  });
});

const kindsOf = (revisions: readonly Revision[]): string[] =>
  revisions.flatMap((one) => (isType(one, 'entry') ? [one.body.kind] : []));
