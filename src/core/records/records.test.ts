import fc from 'fast-check';
import {
  actsOf,
  allRevisions,
  createRecord,
  EMPTY_LOG,
  headOf,
  headsOfType,
  keysOfAct,
  kitFrom,
  logFileSchema,
  mergeRevisions,
  METRIC_SETTINGS,
  readLogFile,
  recordOf,
  removeRecord,
  reviseRecord,
  revisionSchema,
  toLogFile,
  undoRevisions,
  US_SETTINGS,
  settingsSchema,
  writeLogFile,
  type Log,
  type Revision,
  type RevisionOf,
} from '..';
import { demoLog } from '../demo/demoLog';
import { LogBuilder, onDay, testId } from '../../testing/logBuilder';

const NOW = Date.parse('2026-11-24T12:00:00Z');

function demo(): Revision[] {
  let n = 0;
  return demoLog({
    now: NOW,
    zone: 'Europe/Berlin',
    device: 'demo',
    newId: () => testId((n += 1)),
  });
}

function stamp(n: number, minute = n) {
  return {
    actId: testId(9000 + n),
    device: `device-${n % 3}`,
    recordedAt: new Date(NOW + minute * 60_000).toISOString(),
  };
}

const kit = () => createRecord(stamp(1), testId(1), 'kit', kitFrom('ammoniaCard', 0));
const renamed = (head: RevisionOf<'kit'>, name: string, n: number) =>
  reviseRecord(stamp(n), head, { ...head.body, name });

describe('merging', () => {
  it('does not depend on the order in which revisions arrive, or on how often', () => {
    const first = kit();
    const rows = [
      first,
      renamed(first, 'A', 2),
      renamed(first, 'B', 3),
      removeRecord(stamp(4), renamed(first, 'A', 2)),
      createRecord(stamp(5), testId(2), 'kit', kitFrom('nitriteCard', 1)),
    ];
    const expected = mergeRevisions(EMPTY_LOG, rows);
    fc.assert(
      fc.property(
        fc.shuffledSubarray([...rows, ...rows], { minLength: 10, maxLength: 10 }),
        fc.integer({ min: 0, max: 10 }),
        (shuffled, cut) => {
          const halves = mergeRevisions(
            mergeRevisions(EMPTY_LOG, shuffled.slice(0, cut)),
            shuffled.slice(cut),
          );
          expect(halves).toEqual(expected);
        },
      ),
    );
  });

  it('keeps the loser of two corrections in history', () => {
    const first = kit();
    const log = mergeRevisions(EMPTY_LOG, [
      first,
      renamed(first, 'early', 2),
      renamed(first, 'late', 3),
    ]);
    const head = headOf(log, first.id);
    expect(head?.type === 'kit' && head.body.name).toBe('late');
    expect(recordOf(log, first.id)?.revisions).toHaveLength(3);
  });

  it('returns the very same log when nothing is new', () => {
    const log = mergeRevisions(EMPTY_LOG, [kit()]);
    expect(mergeRevisions(log, [kit()])).toBe(log);
  });
});

describe('undo', () => {
  const bodyOf = (log: Log, id: string) => {
    const head = headOf(log, id);
    return head && !head.deleted ? head.body : null;
  };
  const undone = (log: Log, actId: string, n: number) =>
    mergeRevisions(log, undoRevisions(log, keysOfAct(log, actId), stamp(n)).revisions);

  it('takes back a creation, a correction and a deletion, and can itself be undone', () => {
    const first = kit();
    const log1 = mergeRevisions(EMPTY_LOG, [first]);
    const log2 = mergeRevisions(log1, [renamed(first, 'other', 2)]);
    const head = headOf(log2, first.id);
    if (!head) throw new Error('no head');
    const log3 = mergeRevisions(log2, [removeRecord(stamp(3), head)]);
    expect(bodyOf(log3, first.id)).toBeNull();

    const undoDelete = undone(log3, stamp(3).actId, 4);
    expect(bodyOf(undoDelete, first.id)).toEqual(bodyOf(log2, first.id));
    expect(bodyOf(undone(log2, stamp(2).actId, 4), first.id)).toEqual(first.body);
    expect(bodyOf(undone(log1, stamp(1).actId, 4), first.id)).toBeNull();
    expect(bodyOf(undone(undoDelete, stamp(4).actId, 5), first.id)).toBeNull();
  });

  it('leaves alone what a later act changed again, and says so', () => {
    const first = kit();
    const log = mergeRevisions(EMPTY_LOG, [first, renamed(first, 'later', 2)]);
    const undo = undoRevisions(log, keysOfAct(log, stamp(1).actId), stamp(3));
    expect(undo.revisions).toEqual([]);
    expect(undo.kept.map((r) => r.id)).toEqual([first.id]);
  });

  it('takes back every record of a sitting at once', () => {
    const log = mergeRevisions(EMPTY_LOG, demo());
    const testSession = actsOf(log).find((act) => act.revisions.length > 3);
    if (!testSession) throw new Error('the demo has a test session');
    const before = headsOfType(log, 'entry').length;
    const after = undone(log, testSession.actId, 7);
    expect(headsOfType(after, 'entry')).toHaveLength(before - testSession.revisions.length);
  });
});

describe('the file', () => {
  it('comes back as it went', () => {
    const revisions = demo();
    const reading = readLogFile(writeLogFile(toLogFile(revisions, '2026-11-24T12:00:00Z')));
    if (!reading.ok) throw new Error(reading.why);
    expect(reading.refused).toEqual([]);
    const log = mergeRevisions(EMPTY_LOG, reading.file.records);
    expect(allRevisions(log)).toEqual(allRevisions(mergeRevisions(EMPTY_LOG, revisions)));
  });

  it('keeps what is good of a damaged one and names the rest', () => {
    const file = toLogFile(demo(), '2026-11-24T12:00:00Z');
    const broken = { ...file, records: [{ ...file.records[0], rev: 0 }, ...file.records.slice(1)] };
    const reading = readLogFile(JSON.stringify(broken));
    if (!reading.ok) throw new Error(reading.why);
    expect(reading.file.records).toHaveLength(file.records.length - 1);
    expect(reading.refused).toEqual([{ row: 1, why: expect.stringContaining('rev') }]);
  });

  test.each([
    ['{"format":"zoarium-log","version":1,"records":[', /ends in the middle/],
    ['hello', /not a JSON file/],
    ['{"a":1}', /not a Zoarium log/],
    ['{"format":"zoarium-log","version":99,"records":[]}', /format 99/],
    ['{"format":"zoarium-log","version":1,"records":[{}]}', /None of its 1 record/],
  ])('refuses %j in words', (text, why) => {
    const reading = readLogFile(text);
    expect(reading.ok).toBe(false);
    expect(!reading.ok && reading.why).toMatch(why);
  });

  it('never throws, whatever it is given', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (text) => {
        expect(typeof readLogFile(text).ok).toBe('boolean');
      }),
    );
  });
});

describe('schemas', () => {
  it('accept the demo and both sets of settings', () => {
    expect(() => logFileSchema.parse(toLogFile(demo(), '2026-11-24T12:00:00Z'))).not.toThrow();
    expect(settingsSchema.parse(METRIC_SETTINGS)).toEqual(METRIC_SETTINGS);
    expect(settingsSchema.parse(US_SETTINGS)).toEqual(US_SETTINGS);
  });

  it('refuse a step the card does not have, a negative dose, a unit of something else', () => {
    const builder = new LogBuilder();
    builder.ammonia(onDay(1), 0.5);
    builder.dose(onDay(1), 2);
    const parses = (change: (body: any) => void, type: string, kind?: string) => {
      const found = builder.revisions.find(
        (r) => r.type === type && (!kind || (r.type === 'entry' && r.body.kind === kind)),
      );
      const copy = JSON.parse(JSON.stringify(found));
      change(copy.body);
      return revisionSchema.safeParse(copy).success;
    };
    expect(parses(() => undefined, 'entry', 'reading')).toBe(true);
    expect(parses((b) => (b.value.high = 9), 'entry', 'reading')).toBe(false);
    expect(parses((b) => (b.value.low = 0), 'entry', 'reading')).toBe(false);
    expect(parses((b) => (b.amount = { by: 'mL', mL: -1 }), 'entry', 'dose')).toBe(false);
    expect(parses((b) => (b.unit = 'dKH'), 'kit')).toBe(false);
    expect(parses((b) => (b.scale.steps = [0, 1, 1]), 'kit')).toBe(false);
    expect(parses((b) => (b.zone = 'Mars/Base'), 'tank')).toBe(false);
  });
});
