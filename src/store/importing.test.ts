import { kitFrom } from '../core/records/kitTemplates';
import { createRecord } from '../core/records/acts';
import { headsOfType } from '../core/records/log';
import type { Revision } from '../core/records/schema/revision';
import { testServices } from '../testing/services';
import { LogBuilder, onDay } from '../testing/logBuilder';
import { listBrought, undoBrought, type Origin } from './brought';
import { importPlan, importRecords } from './importing';
import { openLog, wipeLog } from './open';
import { recordAct, undoKeys } from './record';
import { createStore } from './store';

const NOW = Date.parse('2026-11-24T12:00:00Z');
const FROM: Origin = { kind: 'log', name: 'old.json', words: ['3 notes'] };
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
  it('is stored in parts, telling how far it is, and opens again whole', async () => {
    const records = large();
    const store = await opened('large-import');
    const plan = store.dispatch(importPlan(records));
    const stored: number[] = [];
    const logs = new Set([store.getState().log]);
    store.subscribe(() => logs.add(store.getState().log));
    const result = await store.dispatch(importRecords(plan, FROM, (share) => stored.push(share)));
    expect(result.saved).toBe(true);
    expect(stored.at(-1)).toBe(1);
    expect(stored.length).toBeGreaterThan(2);
    // What is derived from the log is derived once, not for each part.
    expect(logs.size).toBe(2);
    expect(store.getState().log.size).toBe(records.length);
    expect(store.getState().session.tankId).toBe(plan.merged.tanks[0]?.id);
    const again = await opened('large-import');
    expect(again.getState().log.size).toBe(records.length);
    expect(again.dispatch(importPlan(records)).fresh).toEqual([]);
  });

  it('that is broken off keeps what it stored, and the same file adds the rest', async () => {
    const records = large();
    const full = { now: false };
    const store = await opened('broken-import', full);
    const plan = store.dispatch(importPlan(records));
    const result = await store.dispatch(
      importRecords(plan, FROM, () => {
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
    await half.dispatch(importRecords(rest, FROM, () => undefined));
    expect(half.getState().log.size).toBe(records.length);
  });

  it('can be undone as the one act that it was', async () => {
    const store = await opened('undone-import');
    const stamp = { actId: testServices(NOW).newId(), device: 'x', recordedAt: EXPORTED };
    const kit = createRecord(stamp, testServices(NOW).newId(), 'kit', kitFrom('ammoniaCard', 0));
    const plan = store.dispatch(importPlan([kit]));
    await store.dispatch(importRecords(plan, FROM, () => undefined));
    expect(store.getState().log.kits).toHaveLength(1);
    await store.dispatch(undoKeys(store.getState().session.notice?.undo ?? []));
    expect(store.getState().log.kits).toEqual([]);
  });
});

describe('what a file brought', () => {
  it('is told by its name and undone months later, but for what was changed since', async () => {
    const store = await opened('brought');
    const records = large(3);
    await store.dispatch(importRecords(store.dispatch(importPlan(records)), FROM, () => undefined));
    const [brought] = await store.dispatch(listBrought());
    expect(brought).toMatchObject({ kind: 'log', name: 'old.json', words: ['3 notes'] });
    // Opened anew, as months later.
    const later = await opened('brought');
    const [note] = headsOfType(later.getState().log, 'entry').filter(
      ({ body }) => body.kind === 'note',
    );
    if (note?.body.kind !== 'note') throw new Error('a note');
    const changed = { ...note.body, text: 'corrected' };
    await later.dispatch(recordAct((act) => act.revise(note, changed)));
    const [again] = await later.dispatch(listBrought());
    await later.dispatch(undoBrought(again?.id ?? ''));
    const left = headsOfType(later.getState().log, 'entry');
    expect(left.map(({ body }) => body)).toEqual([changed]);
  });

  it('that brought nothing leaves no record, and erasing the log takes the records along', async () => {
    const store = await opened('brought-nothing');
    await store.dispatch(importRecords({ fresh: [] }, FROM, () => undefined));
    expect(await store.dispatch(listBrought())).toEqual([]);
    await store.dispatch(
      importRecords(store.dispatch(importPlan(large(1))), FROM, () => undefined),
    );
    expect(await store.dispatch(listBrought())).toHaveLength(1);
    await store.dispatch(wipeLog());
    expect(await store.dispatch(listBrought())).toEqual([]);
  });
});
