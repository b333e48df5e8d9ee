import fc from 'fast-check';
import { LogBuilder, testId } from '../../../testing/logBuilder';
import { mergeRevisions, EMPTY_LOG } from '../../records/log';
import { tankHistory } from '../../history/derive';
import type { DailyCheckState, Sign } from '../../records/kinds/dailyCheck';
import type { Batch } from '../../records/schema/batch';
import { addDaysIn, atTimeOn, dayOf, daysBetween, startOfDayIn } from '../../time/zone';
import { batchView, clockOf } from '../batch';
import { releaseIn } from '../release';

const ZONES = ['UTC', 'Europe/Berlin', 'Pacific/Auckland', 'America/St_Johns'];
const PROTOCOL = { days: 28 };
/** A morning a week before the clocks change in Berlin. */
const BEGUN = '2026-03-20';

type Told = [day: number, state: DailyCheckState, signs?: Sign[], cohort?: number];

/** A batch of two fish with looks on days after its first, at noon by the tank's clock. */
function batchOf(told: Told[], zone = 'Europe/Berlin', changes: Partial<Batch> = {}) {
  const begun = atTimeOn(BEGUN, 10, 0, zone);
  const log = new LogBuilder({ zone, kind: 'quarantine', filledOn: '2026-03-10' });
  const cohorts = ['Royal gramma', 'Tailspot blenny'].map((what) =>
    log.entry(begun, { kind: 'animals', move: 'in', group: 'fish', what, count: 1 }),
  );
  for (const [day, state, signs = [], cohort = 0] of told) {
    const noon = addDaysIn(begun, day, zone) + 2 * 3_600_000;
    log.entry(noon, {
      kind: 'dailyCheck',
      cohort: cohorts[cohort] ?? '',
      what: cohort === 0 ? 'Royal gramma' : 'Tailspot blenny',
      state,
      signs,
    });
  }
  const batch: Batch = {
    tankId: log.tankId,
    forTankId: testId(9999),
    protocol: 'observe',
    begunAt: new Date(begun).toISOString(),
    restartedAt: null,
    animals: cohorts.map((cohort, i) => ({
      what: i === 0 ? 'Royal gramma' : 'Tailspot blenny',
      count: 1,
      cohort,
    })),
    endedAt: null,
    ...changes,
  };
  const on = (day: number, hour = 18) => {
    const date = dayOf(addDaysIn(begun, day, zone), zone);
    return atTimeOn(date, hour, 0, zone);
  };
  const clock = (day: number, hour = 18) =>
    clockOf(
      batch,
      tankHistory(mergeRevisions(EMPTY_LOG, log.revisions), log.tankId, on(day, hour)),
      PROTOCOL,
      on(day, hour),
    );
  return { log, batch, cohorts, on, clock, zone, begun };
}

const WHITE: Sign[] = ['whiteGrains'];

describe('clear days', () => {
  it('are days of the calendar, over the change of the clocks both ways', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ZONES),
        fc.constantFrom('2026-03-20', '2026-10-20', '2026-09-20'),
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 0, max: 23 }),
        (zone, day, days, hour) => {
          const begun = atTimeOn(day, 9, 0, zone);
          const at = atTimeOn(dayOf(addDaysIn(begun, days, zone), zone), hour, 0, zone);
          if (at < begun) return;
          const batch = {
            ...batchOf([], zone).batch,
            begunAt: new Date(begun).toISOString(),
            animals: [],
          };
          const log = new LogBuilder({ zone, kind: 'quarantine', filledOn: null });
          const history = tankHistory(mergeRevisions(EMPTY_LOG, log.revisions), log.tankId, at);
          const clock = clockOf(batch, history, PROTOCOL, at);
          expect(clock.daysClear).toBe(days);
          const release = addDaysIn(startOfDayIn(begun, zone), 28, zone);
          expect(clock.release.p10).toBe(release);
          expect(clock.isClear).toBe(days >= 28);
        },
      ),
    );
  });

  it('move by a day at most when the tank’s zone is corrected', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ZONES),
        fc.constantFrom(...ZONES),
        fc.integer({ min: 1, max: 40 }),
        (zone, other, days) => {
          const begun = atTimeOn(BEGUN, 9, 0, zone);
          const at = addDaysIn(begun, days, zone);
          const batch = {
            ...batchOf([], zone).batch,
            begunAt: new Date(begun).toISOString(),
            animals: [],
          };
          const clearIn = (where: string) => {
            const log = new LogBuilder({ zone: where, kind: 'quarantine', filledOn: null });
            const history = tankHistory(mergeRevisions(EMPTY_LOG, log.revisions), log.tankId, at);
            return clockOf(batch, history, PROTOCOL, at).daysClear;
          };
          expect(Math.abs(clearIn(zone) - clearIn(other))).toBeLessThanOrEqual(1);
        },
      ),
    );
  });

  it('begin again for all with a sign in one, and count once it was seen well', () => {
    const { clock } = batchOf([
      [0, 'well'],
      [11, 'sign', WHITE],
      [12, 'sign', WHITE],
      [13, 'well'],
      [17, 'well'],
    ]);
    expect(clock(10).daysClear).toBe(10);
    expect(clock(12)).toMatchObject({ daysClear: 0, clearSince: null });
    expect(clock(12).standing[0]).toMatchObject({ what: 'Royal gramma', signs: ['whiteGrains'] });
    expect(clock(13).daysClear).toBe(1);
    expect(clock(17).daysClear).toBe(5);
    expect(clock(17).restarts).toMatchObject([
      { kind: 'sign', because: 'Royal gramma: white grains' },
    ]);
  });

  it('do not take days that nobody saw after a sign for clear', () => {
    const { clock } = batchOf([
      [4, 'sign', WHITE],
      [9, 'well'],
    ]);
    expect(clock(9).daysClear).toBe(1);
    expect(clock(9).missed).toBe(7);
  });

  it('a sign told today for yesterday begins them again from yesterday, and taken back gives them back', () => {
    const { log, clock, cohorts, on } = batchOf([
      [9, 'well'],
      [11, 'well'],
    ]);
    expect(clock(11).daysClear).toBe(11);
    const id = log.entry(on(10, 20), {
      kind: 'dailyCheck',
      cohort: cohorts[1] ?? '',
      what: 'Tailspot blenny',
      state: 'sign',
      signs: ['scratching'],
    });
    expect(clock(11).clearSince).toBeNull();
    log.entry(on(11, 9), {
      kind: 'dailyCheck',
      cohort: cohorts[1] ?? '',
      what: 'Tailspot blenny',
      state: 'well',
      signs: [],
    });
    expect(clock(11).daysClear).toBe(1);
    const at = log.revisions.findIndex((revision) => revision.id === id);
    log.revisions.splice(at, 1);
    expect(clock(11).daysClear).toBe(11);
  });

  it('begin again when anything joins, when one is lost, and by hand', () => {
    const joined = batchOf([]);
    joined.log.entry(joined.on(6, 11), {
      kind: 'animals',
      move: 'in',
      group: 'fish',
      what: 'Firefish',
      count: 1,
    });
    expect(joined.clock(10)).toMatchObject({ daysClear: 4 });
    expect(joined.clock(10).restarts[0]).toMatchObject({ kind: 'joined' });
    const lost = batchOf([[5, 'sign', WHITE]]);
    lost.log.entry(lost.on(8, 11), {
      kind: 'animals',
      move: 'died',
      group: 'fish',
      what: 'Royal gramma',
      cohort: lost.cohorts[0],
      count: 1,
    });
    expect(lost.clock(10)).toMatchObject({ daysClear: 2 });
    const { on } = batchOf([]);
    const byHand = batchOf([], 'Europe/Berlin', { restartedAt: new Date(on(7)).toISOString() });
    expect(byHand.clock(10).daysClear).toBe(3);
  });

  it('do not wait for one that left with a sign: the rest count on from that day', () => {
    const { log, cohorts, on, clock } = batchOf([[5, 'sign', WHITE]]);
    log.entry(on(7, 11), {
      kind: 'animals',
      move: 'moved',
      group: 'fish',
      what: 'Royal gramma',
      cohort: cohorts[0],
      count: 1,
    });
    expect(clock(6).clearSince).toBeNull();
    expect(clock(10)).toMatchObject({ daysClear: 3, standing: [] });
    expect(clock(10).restarts.map(({ kind }) => kind)).toEqual(['sign']);
  });

  it('stand as they did when the batch ended, whoever came into its tank since', () => {
    const { on } = batchOf([]);
    const ended = batchOf([], 'Europe/Berlin', { endedAt: new Date(on(30)).toISOString() });
    ended.log.entry(on(40, 11), {
      kind: 'animals',
      move: 'in',
      group: 'fish',
      what: 'Firefish',
      count: 1,
    });
    expect(ended.clock(60)).toMatchObject({ daysClear: 30, restarts: [] });
    expect(ended.clock(60).strip).toHaveLength(31);
  });

  it('are the same whatever the order the looks were told in', () => {
    const told: Told[] = [
      [1, 'well'],
      [3, 'sign', WHITE],
      [5, 'well'],
      [8, 'notEating', [], 1],
      [9, 'sign', ['thin'], 1],
      [12, 'well', [], 1],
    ];
    const { clock } = batchOf(told);
    const expected = clock(15);
    fc.assert(
      fc.property(fc.shuffledSubarray(told, { minLength: told.length }), (order) => {
        expect(batchOf(order).clock(15).daysClear).toBe(expected.daysClear);
      }),
    );
    expect(expected.daysClear).toBe(4);
  });
});

describe('the strip of days', () => {
  it('shows what is clear, what was before, what was missed, and who ate little', () => {
    const { clock, begun, zone } = batchOf([
      [1, 'well'],
      [2, 'sign', WHITE],
      [3, 'well'],
      [4, 'notEating'],
    ]);
    const { strip, release } = clock(6);
    expect(strip.slice(0, 8).map(({ state }) => state)).toEqual([
      'before',
      'before',
      'sign',
      'clear',
      'clear',
      'clear',
      'clear',
      'ahead',
    ]);
    expect(
      strip.filter(({ missed }) => missed).map(({ on }) => daysBetween(begun, on, zone)),
    ).toEqual([5]);
    expect(strip[4]?.notEating).toBe(true);
    expect(strip.at(-1)?.on).toBe(release.p10);
  });
});

describe('the animals of a batch', () => {
  it('tell who is still to be looked at, and since when one does not eat', () => {
    const { batch, log, on } = batchOf([
      [3, 'well', [], 1],
      [4, 'notEating', [], 1],
      [6, 'notEating', [], 1],
      [6, 'well', [], 0],
    ]);
    const history = (at: number) =>
      tankHistory(mergeRevisions(EMPTY_LOG, log.revisions), log.tankId, at);
    const today = batchView(batch, history(on(6)), PROTOCOL, on(6));
    expect(today.toCheck).toBe(0);
    expect(today.animals.map(({ daysNotEating }) => daysNotEating)).toEqual([0, 3]);
    expect(batchView(batch, history(on(7, 8)), PROTOCOL, on(7, 8)).toCheck).toBe(2);
  });

  it('share one clock of a moment, made anew with another history, moment or protocol', () => {
    const { batch, log, on } = batchOf([[3, 'well', [], 1]]);
    const history = tankHistory(mergeRevisions(EMPTY_LOG, log.revisions), log.tankId, on(6));
    const clock = clockOf(batch, history, PROTOCOL, on(6));
    expect(batchView(batch, history, PROTOCOL, on(6)).clock).toBe(clock);
    expect(clockOf(batch, history, PROTOCOL, on(7)).daysClear).toBe(clock.daysClear + 1);
    expect(clockOf(batch, history, { ...PROTOCOL, days: 3 }, on(7)).isClear).toBe(true);
    expect(clockOf(batch, { ...history }, PROTOCOL, on(6))).not.toBe(clock);
  });
});

describe('an expected release', () => {
  it('early is without another sign; middle and late go by the chance of one', () => {
    expect(releaseIn(0, 28, 0)).toEqual({ p10: 28, p50: 28, p90: 28 });
    expect(releaseIn(10, 28, 0.25)).toMatchObject({ p10: 18, p50: 18 });
    expect(releaseIn(0, 28, 0.25).p90).toBeGreaterThan(35);
    expect(releaseIn(0, 28, 0.7).p50).toBeGreaterThan(28);
    expect(releaseIn(28, 28, 0.5)).toEqual({ p10: 0, p50: 0, p90: 0 });
    expect(releaseIn(null, 28, 0).p10).toBe(35);
  });

  it('is later with a greater chance and sooner with more days behind it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 27 }),
        fc.double({ min: 0, max: 0.8, noNaN: true }),
        (clear, chance) => {
          const here = releaseIn(clear, 28, chance);
          expect(here.p10).toBeLessThanOrEqual(here.p50);
          expect(here.p50).toBeLessThanOrEqual(here.p90);
          expect(releaseIn(clear, 28, chance + 0.1).p90).toBeGreaterThanOrEqual(here.p90);
          if (clear < 27)
            expect(releaseIn(clear + 1, 28, chance).p90).toBeLessThanOrEqual(here.p90);
        },
      ),
    );
  });
});
