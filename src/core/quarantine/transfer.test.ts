import fc from 'fast-check';
import { LogBuilder, testId } from '../../testing/logBuilder';
import { tankHistory } from '../history/derive';
import { EMPTY_LOG, mergeRevisions } from '../records/log';
import type { Sign } from '../records/kinds/dailyCheck';
import type { Batch } from '../records/schema/batch';
import { DAY_MS, HOUR_MS } from '../time/zone';
import { quarantineAsks } from './asks';
import { clockOf } from './batch';
import { protocolOf, stagesNow } from './protocols';
import { transferOf, withMove } from './transfer';
import { batchSentence } from './words';

const BEGUN = Date.parse('2026-05-04T10:00:00Z');
const PROTOCOL = protocolOf('transfer');
const MOVES = { everyHours: 72, count: 4 };
const at = (days: number) => BEGUN + days * DAY_MS;
const iso = (days: number) => new Date(at(days)).toISOString();

/** A batch of one fish that is moved on days, with signs seen on days. */
function moved(moves: number[], signs: [number, Sign[]][] = [], protocol = PROTOCOL) {
  const log = new LogBuilder({ kind: 'quarantine', filledOn: '2026-05-01', rock: 'none' });
  const cohort = log.entry(BEGUN, {
    kind: 'animals',
    move: 'in',
    group: 'fish',
    what: 'Tang',
    count: 1,
  });
  for (const [day, seen] of signs) {
    log.entry(at(day), {
      kind: 'dailyCheck',
      cohort,
      what: 'Tang',
      state: seen.length > 0 ? 'sign' : 'well',
      signs: seen,
    });
  }
  const batch: Batch = {
    tankId: log.tankId,
    forTankId: testId(999),
    protocol: protocol.id,
    begunAt: iso(0),
    restartedAt: null,
    animals: [{ what: 'Tang', count: 1, cohort }],
    moves: moves.map(iso),
    endedAt: null,
  };
  const on = (day: number) => {
    const now = at(day);
    const history = tankHistory(mergeRevisions(EMPTY_LOG, log.revisions), log.tankId, now);
    const clock = clockOf(batch, history, protocol, now);
    const plan = { everyDays: 1, litres: 20, nitrogen: 9, carried: 0 };
    const asks = quarantineAsks(history, [{ id: 'b', batch, protocol, clock, plan }], [], now);
    return { clock, asks, titles: asks.map(({ title }) => title), history };
  };
  return { log, batch, on };
}

describe('the moves', () => {
  it('come every 72 h, four of them, and are done with the last', () => {
    const { on } = moved([3, 6, 9, 12]);
    expect(on(1).clock.transfer?.next).toEqual({ by: at(3), number: 1 });
    expect(on(7).clock.transfer?.next).toEqual({ by: at(9), number: 3 });
    expect(on(13).clock.transfer).toMatchObject({ next: null, counted: 4, done: at(12) });
    expect(on(20.5).clock.isClear).toBe(false);
    expect(on(21).clock.isClear).toBe(true);
  });

  it('begin anew with one that is late, and say so from its hour on', () => {
    const { on } = moved([3, 6.5]);
    expect(on(6.2).clock.transfer?.next).toEqual({ by: at(6), number: 0 });
    expect(on(6.2).titles).toContain('Move them to the other tank now');
    expect(on(7).clock.transfer).toMatchObject({ since: at(6.5), counted: 0, anew: 'late' });
    expect(on(7).clock.transfer?.next).toEqual({ by: at(9.5), number: 1 });
  });

  it('made daily are too soon to have cleared what sits on the fish', () => {
    const { on } = moved([1, 2, 3, 4, 5]);
    expect(on(6).clock.transfer).toMatchObject({ counted: 5, done: null });
    expect(on(6).titles).toContain('One more move to the other tank');
  });

  it('are all made again once another fish joins, while the hours go on', () => {
    const batch = { begunAt: iso(0), moves: [3, 6, 9, 12, 15, 18].map(iso) };
    const joined = (day: number) => transferOf(batch, MOVES, [], [at(7)], at(day));
    expect(joined(8)).toMatchObject({ counted: 0, anew: 'joined', next: { by: at(9), number: 1 } });
    expect(joined(12.5)).toMatchObject({ counted: 2, done: null });
    // Four moves after it on day 18, and eleven days and a half of it by then no sooner than 18.5.
    expect(joined(18.5)).toMatchObject({ counted: 4, done: null, next: { number: 5 } });
  });

  it('logged twice in a moment are one', () => {
    expect(withMove([iso(3)], iso(3.01))).toEqual([iso(3)]);
    expect(withMove([iso(3)], iso(6))).toHaveLength(2);
  });

  it('are never done before four moves in time over eleven days and a half, whatever was moved', () => {
    const days = fc.array(fc.double({ min: 0.2, max: 30, noNaN: true }), { maxLength: 12 });
    fc.assert(
      fc.property(days, days, (moves, grains) => {
        const batch = { begunAt: iso(0), moves: moves.map(iso) };
        const seen = grains.map(at);
        const transfer = transferOf(batch, MOVES, seen, [], at(40));
        if (transfer.done === null) {
          expect(transfer.next).not.toBeNull();
          return;
        }
        const { since, done, counted } = transfer;
        expect(counted).toBeGreaterThanOrEqual(4);
        expect(done - since).toBeGreaterThanOrEqual(11.5 * DAY_MS);
        const within = [since, ...moves.map((day) => Date.parse(iso(day)))]
          .filter((move) => move >= since && move <= done)
          .sort((a, b) => a - b);
        const gaps = within.slice(1).map((move, i) => move - (within[i] ?? 0));
        expect(Math.max(...gaps)).toBeLessThanOrEqual(72 * HOUR_MS);
        expect(seen.some((when) => when > done)).toBe(false);
      }),
    );
  });
});

describe('a sign in a batch that is moved', () => {
  it('of white grains stops neither moves nor days, as long as moves are left', () => {
    const { on } = moved([3], [[5, ['whiteGrains']]]);
    const { clock, titles, asks } = on(5.5);
    expect(clock.clearSince).not.toBeNull();
    expect(clock.restarts).toEqual([]);
    expect(titles).toContain('Move 2 of 4 to the other tank');
    expect(titles).not.toContain('Decide on treatment today');
    expect(asks.find(({ id }) => id === 'move/b')?.because).toMatch(
      /^Within 72 h .*whatever is seen/,
    );
    expect(
      batchSentence({ clock, animals: [], toCheck: 0 }, PROTOCOL, 'UTC', clock.release.p10).title,
    ).toBe('Move 2 of 4 by Sun 10 May, 10:00.');
  });

  it('of grains after the last move begins the moves anew, also where they were there before', () => {
    for (const signs of [
      [[14, ['whiteGrains']]],
      [
        [11, ['whiteGrains']],
        [14, ['whiteGrains']],
      ],
    ] as [number, Sign[]][][]) {
      const { on } = moved([3, 6, 9, 12], signs);
      const { clock, titles } = on(14.5);
      expect(clock.transfer).toMatchObject({ done: null, anew: 'grains', next: { number: 0 } });
      expect(clock.clearSince).toBeNull();
      expect(titles).toContain('Move them to the other tank now');
    }
  });

  it('of another disease goes on moving, and asks for a decision today', () => {
    const { on } = moved([3], [[4, ['slime', 'whiteGrains']]]);
    const { titles, asks, clock } = on(4.5);
    expect(titles).toEqual(
      expect.arrayContaining(['Move 2 of 4 to the other tank', 'Decide on treatment today']),
    );
    expect(asks.find(({ title }) => title === 'Decide on treatment today')?.because).toMatch(
      /white slime, or skin coming off\. Moves clear ich alone/,
    );
    expect(clock.clearSince).toBeNull();
  });
});

describe('water between moves', () => {
  it('is not changed by a plan, but where free ammonia passes its limit', () => {
    const { log, on } = moved([3]);
    expect(on(4).titles).not.toContain('Change water in quarantine');
    expect(on(4).titles).toContain('Test ammonia');
    log.ammonia(at(3.8), 2);
    expect(on(4).asks.find(({ title }) => /or move them early/.test(title))?.because).toMatch(
      /above 0\.02/,
    );
  });
});

describe('a stage on a sign', () => {
  const treat = protocolOf('observeTreat');

  it('is never due while all are well, and asked as soon as a sign stands', () => {
    const well = moved([], [[2, []]], treat);
    for (const day of [0, 3, 10, 27]) expect(well.on(day).titles).not.toContain('On a sign');
    const ill = moved([], [[2, ['fastBreathing']]], treat);
    const ask = ill.on(2.2).asks.find(({ title }) => title === 'On a sign');
    expect(ask?.because).toMatch(/^Tang: fast breathing\. Ammonia first/);
    const names = (on: ReturnType<typeof ill.on>) =>
      stagesNow(treat, on.clock).map(({ name }) => name);
    expect(names(well.on(5))).toEqual(['Watch']);
    expect(names(ill.on(2.2))).toEqual(['On a sign', 'Settle']);
  });
});
