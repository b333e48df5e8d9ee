import { kitFrom } from '../core/records/kitTemplates';
import { createRecord } from '../core/records/acts';
import { toLogFile, writeLogFile } from '../core/records/file/file';
import type { Revision } from '../core/records/schema/revision';
import { testServices } from '../testing/services';
import { LogBuilder, onDay } from '../testing/logBuilder';
import { importPlan, importRecords, readInParts } from './importing';
import { openLog } from './open';
import { undoKeys } from './record';
import { createStore } from './store';

const NOW = Date.parse('2026-11-24T12:00:00Z');
const EXPORTED = '2026-11-24T12:00:00Z';

/** A log with more records than are read or stored in one go. */
function large(entries = 4_000): Revision[] {
  const builder = new LogBuilder();
  for (let n = 0; n < entries; n += 1) {
    builder.entry(onDay(1) + n * 1000, { kind: 'note', text: `Note ${n}` });
  }
  return builder.revisions;
}

async function opened(database: string, full?: { now: boolean }) {
  const store = createStore(testServices(NOW, { database, full }));
  await store.dispatch(openLog('own'));
  return store;
}

describe('a large import', () => {
  it('is read and stored in parts, telling how far it is, and opens again whole', async () => {
    const records = large();
    const read: number[] = [];
    const reading = await readInParts(writeLogFile(toLogFile(records, EXPORTED)), (share) =>
      read.push(share),
    );
    if (!reading.ok) throw new Error(reading.why);
    expect(read.length).toBeGreaterThan(2);
    expect(read.at(-1)).toBe(1);
    expect([...read].sort((a, b) => a - b)).toEqual(read);

    const store = await opened('large-import');
    const plan = store.dispatch(importPlan(reading.file.records));
    const stored: number[] = [];
    const logs = new Set([store.getState().log]);
    store.subscribe(() => logs.add(store.getState().log));
    const result = await store.dispatch(importRecords(plan, (share) => stored.push(share)));
    expect(result.saved).toBe(true);
    expect(stored.at(-1)).toBe(1);
    expect(stored.length).toBeGreaterThan(2);
    // What is derived from the log is derived once, not for each part.
    expect(logs.size).toBe(2);
    expect(store.getState().log.size).toBe(records.length);
    expect(store.getState().session.tankId).toBe(plan.merged.tanks[0]?.id);
    const again = await opened('large-import');
    expect(again.getState().log.size).toBe(records.length);
    expect(again.dispatch(importPlan(reading.file.records)).fresh).toEqual([]);
  });

  it('that is broken off keeps what it stored, and the same file adds the rest', async () => {
    const records = large();
    const full = { now: false };
    const store = await opened('broken-import', full);
    const plan = store.dispatch(importPlan(records));
    const result = await store.dispatch(
      importRecords(plan, () => {
        full.now = true;
      }),
    );
    expect(result.saved).toBe(false);
    expect(store.getState().pending.trouble?.why).toMatch(/no room/);
    const half = await opened('broken-import');
    const { size } = half.getState().log;
    expect(size).toBeGreaterThan(0);
    expect(size).toBeLessThan(records.length);
    const rest = half.dispatch(importPlan(records));
    expect(rest.fresh).toHaveLength(records.length - size);
    await half.dispatch(importRecords(rest, () => undefined));
    expect(half.getState().log.size).toBe(records.length);
  });

  it('can be undone as the one act that it was', async () => {
    const store = await opened('undone-import');
    const stamp = { actId: testServices(NOW).newId(), device: 'x', recordedAt: EXPORTED };
    const kit = createRecord(stamp, testServices(NOW).newId(), 'kit', kitFrom('ammoniaCard', 0));
    const plan = store.dispatch(importPlan([kit]));
    await store.dispatch(importRecords(plan, () => undefined));
    expect(store.getState().log.kits).toHaveLength(1);
    await store.dispatch(undoKeys(store.getState().session.notice?.undo ?? []));
    expect(store.getState().log.kits).toEqual([]);
  });
});

describe('what is no log', () => {
  it.each([
    ['', /not a Zoarium log|empty|JSON/],
    ['not json', /JSON|not a Zoarium log/],
    [
      '{"format":"zoarium-log","version":99,"exportedAt":"2026-11-24T12:00:00Z","records":[]}',
      /Update it first/,
    ],
    ['[]', /not a Zoarium log/],
  ])('%j is refused in words', async (text, why) => {
    const reading = await readInParts(text, () => undefined);
    expect(reading.ok).toBe(false);
    expect(reading.ok ? '' : reading.why).toMatch(why);
  });

  it('a byte-order mark before a log is read over', async () => {
    const reading = await readInParts(
      `\uFEFF${writeLogFile(toLogFile(large(1), EXPORTED))}`,
      () => undefined,
    );
    expect(reading.ok).toBe(true);
  });
});
