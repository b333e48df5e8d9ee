import { tankHistory } from '../../history/derive';
import { DAY_MS, instant } from '../../time/zone';
import { LogBuilder, onDay } from '../../../testing/logBuilder';
import type { Entry, EntryBody } from '../../records/kinds';
import { createRecord } from '../../records/acts';
import { begin } from '../run/begin';
import type { Said } from '../run/header';
import { playedLog } from '../run/play';
import { PRACTICE_LABEL } from '../situations/situations';
import { followedOf } from './followed';
import { mattered } from './mattered';
import { LAWS_NOW } from '../world/nature';

describe('whether one followed the next test', () => {
  const builder = new LogBuilder();
  builder.ammonia(onDay(10), 0);
  builder.card('nitriteCard', onDay(14), 1);
  const history = tankHistory(builder.log(), builder.tankId, onDay(30));
  const said = (asked: number, due: number, tests: string[]): Said => ({
    at: new Date(onDay(asked)).toISOString(),
    verdict: 'not yet',
    because: '',
    forecast: null,
    nextTest: { at: new Date(onDay(due)).toISOString(), tests },
  });
  const of = (asked: number, due: number, tests: string[], now = onDay(30)) =>
    followedOf(said(asked, due, tests), history, now);

  it('is told by tests within a day of when it was asked for', () => {
    expect(of(8, 10.5, ['ammonia'])).toBe('made');
    expect(of(8, 10.5, ['ammonia', 'nitrite'])).toBe('partly');
    expect(of(8, 12.5, ['ammonia'])).toBe('not made');
    // What was made before it was asked for did not follow it.
    expect(of(10.2, 10.5, ['ammonia'])).toBe('not made');
    expect(of(8, 20, ['nitrite'], onDay(20.5))).toBe('ahead');
    expect(followedOf({ ...said(8, 9, []), nextTest: null }, history, onDay(30))).toBe('none');
  });
});

describe('deeds that mattered', () => {
  const STARTED = '2026-05-04T09:00:00.000Z';
  const started = instant(STARTED);
  const header = {
    ...{ seed: 7, situation: 'bottle' as const, startedAt: STARTED, zone: 'UTC' },
    laws: LAWS_NOW,
    ...{ clock: new Date(started + 25 * DAY_MS).toISOString(), said: [], answer: null },
  };
  const begun = begin(header);
  const put = (day: number, n: number, body: EntryBody) => {
    const at = new Date(started + day * DAY_MS).toISOString();
    const id = `019e0000-0000-7000-8000-00000000000${n}`;
    const stamp = { actId: id, device: 'tab', recordedAt: at };
    return createRecord(stamp, id, 'entry', { ...body, tankId: begun.tankId, at } as Entry);
  };
  const dose: EntryBody = {
    kind: 'dose',
    substance: 'ammoniumChloride',
    amount: { by: 'drops', drops: 320, dropMl: 0.05 },
    strength: PRACTICE_LABEL,
    about: false,
  };
  const fish: EntryBody = {
    ...{ kind: 'animals', move: 'in', group: 'fish', what: 'Clownfish', count: 6, grams: 90 },
  };
  const run = playedLog(header, [
    ...begun.revisions,
    put(1, 1, dose),
    put(2, 2, { kind: 'note', text: 'Waited' }),
    put(3, 3, fish),
  ]);

  it('are those that changed the tank, in their order, with what each did', () => {
    const found = mattered(run, started);
    expect(found.map(({ deed }) => deed.entry.kind)).toEqual(['dose', 'animals']);
    for (const { did } of found) expect(did.length).toBeGreaterThan(0);
    const words = found.flatMap(({ did }) => did).join(' ');
    expect(words).toMatch(/would have lived without it|Free ammonia came to/);
    expect(words).toMatch(/The bacteria that clear ammonia are now/);
    // What was done before the tank was taken over is nobody's.
    expect(mattered(run, started + 10 * DAY_MS)).toEqual([]);
  });
});
