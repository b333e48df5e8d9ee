import fc from 'fast-check';
import { FORTY_RUNS, practicePrints } from '../../../testing/practicePrints';
import { createRecord, removeRecord, reviseRecord, type ActStamp } from '../../records/acts';
import { readLogFile } from '../../records/file/file';
import { ENTRY_KINDS, type Entry, type EntryBody } from '../../records/kinds';
import { revisionSchema, type Revision, type RevisionOf } from '../../records/schema/revision';
import { DAY_MS, HOUR_MS, instant, isoInZone } from '../../time/zone';
import { changesWorld, DEED_EFFECTS } from '../deeds/effects';
import { deedsOf } from '../deeds/deeds';
import { PRACTICE_LABEL, SITUATION_IDS, situationOf } from '../situations/situations';
import { trulyReadyOn } from '../after/ready';
import { begin } from './begin';
import { fingerprint } from './fingerprint';
import { withSaid, type RunHeader } from './header';
import { courseUntil, played, playedLog, worldAt } from './play';
import { readRun, revisionsOf, runOf, runUntil, writeRun } from './runFile';
import { LAWS, LAWS_NOW } from '../world/nature';

const STARTED = '2026-05-04T09:00:00.000Z';
const started = instant(STARTED);

export const headerOf = (changes: Partial<RunHeader> = {}): RunHeader => ({
  seed: 7,
  situation: 'dryRock',
  startedAt: STARTED,
  zone: 'Europe/Berlin',
  laws: LAWS_NOW,
  clock: new Date(started + 10 * DAY_MS).toISOString(),
  said: [],
  answer: null,
  ...changes,
});

const DOSE: EntryBody = {
  kind: 'dose',
  substance: 'ammoniumChloride',
  amount: { by: 'drops', drops: 320, dropMl: 0.05 },
  strength: PRACTICE_LABEL,
  about: false,
};

let made = 0;
const stampAt = (at: number): ActStamp => ({
  actId: `019e0000-0000-7000-8000-${String((made += 1)).padStart(12, '0')}`,
  device: 'tab',
  recordedAt: new Date(at).toISOString(),
});
function entryAt(at: number, body: EntryBody, tankId: string): RevisionOf<'entry'> {
  const stamp = stampAt(at);
  const entry = { ...body, tankId, at: isoInZone(at, 'UTC') } as Entry;
  return createRecord(stamp, stamp.actId, 'entry', entry);
}

describe('a practice run', () => {
  it.each(SITUATION_IDS)('begins with a log that any log could hold: %s', (situation) => {
    const { revisions, kits, start } = begin(headerOf({ situation }));
    for (const revision of revisions)
      expect(revisionSchema.safeParse(revision).error).toBeUndefined();
    expect(new Set(revisions.map(({ id }) => id)).size).toBe(revisions.length);
    expect(Object.keys(kits)).toHaveLength(7);
    // Nothing of it lies after the moment at which it is taken over.
    for (const { recordedAt } of revisions)
      expect(instant(recordedAt)).toBeLessThanOrEqual(started);
    expect(start.filledAt).toBe(started - Math.round(situationOf(situation).takenOver * DAY_MS));
    expect(begin(headerOf({ situation })).revisions).toEqual(revisions);
  });

  it.each(SITUATION_IDS)('asks with one right answer, if it asks: %s', (situation) => {
    const { question, hidden } = situationOf(situation);
    if (question) expect(question.answers.filter(({ right }) => right)).toHaveLength(1);
    else expect(hidden).toEqual({});
  });

  it('goes through a file without a digit changed, and is the same life', () => {
    const header = headerOf({ situation: 'bottleInSun' });
    const begun = begin(header);
    const dose = entryAt(started + 2 * DAY_MS, DOSE, begun.tankId);
    const run = runOf(header, [...begun.revisions, dose]);
    expect(run.records).toEqual([dose]);
    const reading = readRun(writeRun(run));
    if (!reading.ok) throw new Error(reading.why);
    expect(reading.run).toEqual(run);
    expect(revisionsOf(reading.run)).toEqual([...begun.revisions, dose]);
    expect(fingerprint(courseUntil(played(reading.run)))).toBe(
      fingerprint(courseUntil(playedLog(header, [...begun.revisions, dose]))),
    );
  });

  it.each(LAWS)('comes to the same bits as it always did, forty times over, by laws %d', (laws) => {
    expect(practicePrints(40, 0, laws)).toBe(FORTY_RUNS[laws]);
  });

  it('keeps the laws by which it was begun: a file of before there were two has the first', () => {
    const run = { header: headerOf({ laws: 1, seed: 10 }), records: [] };
    const { laws, ...before } = run.header;
    const file = JSON.parse(writeRun(run)) as object;
    const reading = readRun(JSON.stringify({ ...file, version: 1, run: before }));
    if (!reading.ok) throw new Error(reading.why);
    expect(reading.run).toEqual(run);
    expect(laws).toBe(1);
    const print = (header: RunHeader) => fingerprint(courseUntil(played({ header, records: [] })));
    expect(print(reading.run.header)).not.toBe(print(headerOf({ seed: 10 })));
  });

  it('leaves out a deed that was taken back while the clock stood still, and no other', () => {
    const { tankId } = begin(headerOf());
    const dose = entryAt(started + HOUR_MS, DOSE, tankId);
    const back = (at: number): Revision => removeRecord(stampAt(at), dose);
    const again = (at: number): Revision => ({
      ...reviseRecord(stampAt(at), dose, dose.body),
      rev: 3,
      parentRev: 2,
    });
    expect(deedsOf([dose])).toHaveLength(1);
    expect(deedsOf([dose, back(started + HOUR_MS)])).toEqual([]);
    expect(deedsOf([dose, back(started + 2 * HOUR_MS)])).toHaveLength(1);
    expect(deedsOf([dose, back(started + HOUR_MS), again(started + HOUR_MS)])).toHaveLength(1);
  });

  it('lets a correction change the words and not the world', () => {
    const header = headerOf();
    const begun = begin(header);
    const dose = entryAt(started + HOUR_MS, DOSE, begun.tankId);
    const more = { ...dose.body, amount: { by: 'drops', drops: 900, dropMl: 0.05 } } as Entry;
    const corrected = reviseRecord(stampAt(started + 5 * DAY_MS), dose, more);
    const one = playedLog(header, [...begun.revisions, dose]);
    const other = playedLog(header, [...begun.revisions, dose, corrected]);
    expect(fingerprint(courseUntil(other))).toBe(fingerprint(courseUntil(one)));
  });

  it('goes on from an earlier day with what was done until then', () => {
    const header = headerOf({ answer: 1 });
    const { tankId } = begin(header);
    const doses = [1, 4, 8].map((day) => entryAt(started + day * DAY_MS, DOSE, tankId));
    const said = [3, 6].map((day) => ({
      at: new Date(started + day * DAY_MS).toISOString(),
      verdict: 'not yet' as const,
      because: '',
      forecast: null,
      nextTest: null,
    }));
    const whole = { header: { ...header, said }, records: doses };
    const earlier = runUntil(whole, started + 5 * DAY_MS);
    expect(earlier.records).toEqual(doses.slice(0, 2));
    expect(earlier.header).toMatchObject({ answer: null, said: said.slice(0, 1) });
    expect(instant(earlier.header.clock)).toBe(started + 5 * DAY_MS);
    // A deed of the first moment is left out as well where one goes on from before it.
    const first = { ...whole, records: [entryAt(started, DOSE, tankId)] };
    expect(runUntil(first, started - 1).records).toEqual([]);
    expect(runUntil(first, started).records).toHaveLength(1);
    // Never before its beginning, never beyond where it stands.
    expect(instant(runUntil(whole, 0).header.clock)).toBe(started);
    expect(runUntil(whole, Infinity).header.clock).toBe(header.clock);
  });

  it('keeps what was said once for a moment, and the newest where it is much', () => {
    const said = (at: string, because: string) => ({
      ...{ at, because, verdict: 'not yet' as const, forecast: null, nextTest: null },
    });
    const twice = withSaid(withSaid(headerOf(), said(STARTED, 'a')), said(STARTED, 'b'));
    expect(twice.said.map(({ because }) => because)).toEqual(['b']);
  });

  it('refuses what is no run, or a damaged one, and says what to do', () => {
    const text = writeRun({ header: headerOf(), records: [] });
    const file = JSON.parse(text) as Record<string, unknown>;
    const why = (changes: object) => {
      const reading = readRun(JSON.stringify({ ...file, ...changes }));
      return reading.ok ? 'read' : reading.why;
    };
    expect(why({})).toBe('read');
    expect(why({ format: 'zoarium-log' })).toMatch(/no practice/);
    expect(why({ version: 9 })).toMatch(/newer Zoarium/);
    expect(why({ run: { ...headerOf(), seed: -1 } })).toMatch(/damaged \(run\.seed/);
    expect(why({ records: { version: 12, rows: [{ id: 1 }] } })).toMatch(
      /1 record of this practice/,
    );
    expect(why({ records: { version: 99, rows: [] } })).toMatch(/newer Zoarium/);
    const late = new Date(started + 500 * DAY_MS).toISOString();
    expect(why({ run: headerOf({ clock: late }) })).toMatch(/outside its 400 days/);
    expect(readRun(text.slice(0, 80))).toMatchObject({ ok: false });
    // And as a log it is not taken in.
    expect(readLogFile(text)).toEqual({
      ok: false,
      why: 'This is a practice, of a made-up tank. Open it under Practice.',
    });
  });

  it('reads any text without failing', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.json()), (text) => {
        expect(readRun(text).ok).toBe(false);
      }),
      { numRuns: 60 },
    );
  });
});

describe('what is done to a practice tank', () => {
  it('is answered by each kind of entry', () => {
    for (const kind of ENTRY_KINDS) expect(DEED_EFFECTS[kind]).toBeDefined();
    expect(changesWorld('dose')).toBe(true);
    expect(changesWorld('reading')).toBe(false);
  });

  const world = (situation: RunHeader['situation'], bodies: readonly EntryBody[], days = 1) => {
    const header = headerOf({ situation, clock: new Date(started + days * DAY_MS).toISOString() });
    const begun = begin(header);
    const entries = bodies.map((body) => entryAt(started + HOUR_MS, body, begun.tankId));
    return worldAt(playedLog(header, [...begun.revisions, ...entries]));
  };

  it('raises ammonia by a third where the bottle holds a third', () => {
    const rise = (situation: RunHeader['situation']) =>
      world(situation, [DOSE], 0.05).state.ammonia - world(situation, [], 0.05).state.ammonia;
    const usual = rise('dryRock');
    expect(usual).toBeGreaterThan(1.0);
    expect(usual).toBeLessThan(2.2);
    expect(rise('weakAmmonium') / usual).toBeGreaterThan(0.2);
    expect(rise('weakAmmonium') / usual).toBeLessThan(0.5);
  });

  it('kills with tap water where the tap has chloramine, and brings ammonia', () => {
    const change = (source: 'purified' | 'conditionedTap' | 'untreatedTap') =>
      world('chloramine', [{ kind: 'waterChange', litres: 80, source, newWater: {} }], 0.05).state;
    const [pure, conditioned, tap] = [
      change('purified'),
      change('conditionedTap'),
      change('untreatedTap'),
    ];
    expect(conditioned.quick).toBe(pure.quick);
    expect(conditioned.ammonia).toBeGreaterThan(pure.ammonia + 0.3);
    expect(tap.quick).toBeLessThan(0.3 * pure.quick);
  });

  it('sets the meter right with a standard that holds salt, and not with fresh water', () => {
    const { kits } = begin(headerOf({ situation: 'meterSet' }));
    const set = (standard: number): EntryBody => ({
      kind: 'calibration',
      kitId: kits.refractometer ?? '',
      unit: 'ppt',
      points: [{ standard, read: standard + 4 }],
      adjusted: true,
    });
    expect(world('meterSet', []).state.salinityOffset).toBe(4);
    expect(world('meterSet', [set(0)]).state.salinityOffset).toBe(4);
    expect(world('meterSet', [set(35)]).state.salinityOffset).toBe(0);
  });

  it('runs over at its brim, and takes salt along', () => {
    const { state } = world('dryRock', [{ kind: 'topOff', litres: 100_000 }], 0.05);
    expect(state.level).toBeCloseTo(1.1, 1);
    expect(state.salt / state.level).toBeLessThan(0.2);
    expect(state.salt).toBeCloseTo(state.saltIn - state.saltOut, 9);
  });

  it('kills a crowd within days, and stays a number whatever goes in', () => {
    const crowd: EntryBody = {
      ...{ kind: 'animals', move: 'in', group: 'fish', what: 'Clownfish', count: 10_000 },
    };
    const { state } = world('liveRock', [crowd], 8);
    expect(state.dwellers[0]?.count).toBeLessThan(100);
    const much = world('liveRock', [
      { kind: 'feed', food: 'pellets', amount: { by: 'grams', grams: 1e9 } },
      { ...DOSE, amount: { by: 'mL', mL: 1e9 } },
    ]);
    for (const value of Object.values(much.state)) {
      if (typeof value === 'number') expect(Number.isFinite(value)).toBe(true);
    }
  });

  it('brings a tank to ready that lives on, and none that was never fed', () => {
    const { start, tankId } = begin(headerOf({ situation: 'bottle' }));
    const bottle: EntryBody = {
      kind: 'dose',
      substance: 'bacteria',
      amount: { by: 'mL', mL: 160 },
      strength: null,
      about: false,
    };
    const deeds = deedsOf(
      [1, 10, 20].flatMap((day) => [
        entryAt(started + day * DAY_MS, DOSE, tankId),
        entryAt(started + day * DAY_MS, bottle, tankId),
      ]),
    );
    const ready = trulyReadyOn(start, deeds, 80);
    expect(ready).not.toBeNull();
    expect(ready).toBeGreaterThan(5);
    expect(
      trulyReadyOn({ ...start, beginning: { ...start.beginning, rock: 'none' } }, [], 60),
    ).toBeNull();
  });
});
