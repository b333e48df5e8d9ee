import { tankHistory } from '../history/derive';
import { LogBuilder, onDay, type TestTank } from '../../testing/logBuilder';
import { createRecord } from '../records/acts';
import type { Chore as ChoreBody, ChoreRule } from '../records/schema/chore';
import { dueTasks } from '../tasks/due';
import { verdictOf } from '../cycle/verdict/verdict';
import { bandsOf } from '../parameters/bands';
import { DAY_MS } from '../time/zone';
import { whileAway } from './away/away';
import { choreAsks, choreTimesOf } from './choreAsks';
import { choreKey, choreOfKey, choresOf, happenedOf } from './chores';
import { lapseOf, silenceWords } from './away/lapse';
import { loadOf, upkeepOf } from './load';
import { occasionsOf, type Happened } from './occasions';
import { maintenanceAsks } from './maintenanceAsks';
import { daysOfRule, ruleText, ruleWords, weekdayOf } from './rule';
import { USUAL } from './usual';

const RUNNING: Partial<TestTank> = { runningSince: '2026-03-02', fishInSince: '2026-03-02' };
const NONE = { chores: [], absences: [] };

const weekly = (days: number[], every = 1, start = '2026-03-04'): ChoreRule => ({
  by: 'calendar',
  unit: 'week',
  every,
  weekdays: days,
  start,
});

function world(builder: LogBuilder, at: number) {
  const log = builder.log();
  return { log, history: tankHistory(log, builder.tankId, at) };
}

function ownChore(builder: LogBuilder, body: Partial<ChoreBody> = {}) {
  const id = builder.newId();
  builder.revisions.push(
    createRecord(builder.stamp(), id, 'chore', {
      tankId: builder.tankId,
      name: 'Feed the anemone',
      minutes: 4,
      rule: weekly([6]),
      ...body,
    }),
  );
  return id;
}

describe('rules', () => {
  it('fall on days of the calendar, far from their start as near it', () => {
    expect(daysOfRule(weekly([2, 5]) as never, '2026-03-04', '2026-03-14')).toEqual([
      '2026-03-04',
      '2026-03-07',
      '2026-03-11',
      '2026-03-14',
    ]);
    const fortnightly = weekly([5], 2, '2026-01-03') as never;
    expect(daysOfRule(fortnightly, '2029-12-25', '2030-01-20')).toEqual([
      '2029-12-29',
      '2030-01-12',
    ]);
  });

  it('of a month that lacks their day fall on its last', () => {
    const rule = {
      by: 'calendar',
      unit: 'month',
      every: 1,
      weekdays: [],
      start: '2026-01-31',
    } as const;
    expect(daysOfRule({ ...rule, weekdays: [] }, '2026-01-01', '2026-05-01')).toEqual([
      '2026-01-31',
      '2026-02-28',
      '2026-03-31',
      '2026-04-30',
    ]);
  });

  it('are said in words, and written as calendars write them', () => {
    expect(ruleWords(weekly([5, 2]))).toBe('every week on Wed and Sat');
    expect(ruleWords(weekly([], 2))).toBe('every 2 weeks on Wed');
    expect(ruleWords({ by: 'days', every: 14 })).toBe('14 days after the last time');
    expect(ruleText(weekly([2, 5]))).toBe('FREQ=WEEKLY;INTERVAL=1;BYDAY=WE,SA');
    expect(ruleText({ by: 'days', every: 14 })).toBe('FREQ=DAILY;INTERVAL=14');
    expect(weekdayOf('2026-03-04')).toBe(2);
  });
});

describe('occasions', () => {
  const did = (on: string, of?: string): Happened => ({ on, how: 'done', ...(of ? { of } : {}) });
  const open = (rule: ChoreRule, happened: Happened[], today: string) =>
    occasionsOf(rule, '2026-03-01', happened, today, today).open;

  it('by days are counted from the last time, early or late', () => {
    const rule: ChoreRule = { by: 'days', every: 14 };
    expect(open(rule, [], '2026-03-01')).toBe('2026-03-15');
    expect(open(rule, [did('2026-03-13')], '2026-03-13')).toBe('2026-03-27');
    expect(open(rule, [did('2026-03-20')], '2026-03-20')).toBe('2026-04-03');
    expect(open(rule, [{ on: '2026-03-16', how: 'skipped', of: '2026-03-15' }], '2026-03-17')).toBe(
      '2026-03-30',
    );
  });

  it('by the calendar are answered by what was done in their stretch', () => {
    const saturdays = weekly([5]);
    // Thursday the 12th lies in the stretch of Saturday the 14th, Wednesday the 11th in the one before.
    expect(open(saturdays, [did('2026-03-12')], '2026-03-14')).toBe('2026-03-21');
    expect(open(saturdays, [did('2026-03-11')], '2026-03-14')).toBe('2026-03-14');
    expect(open(saturdays, [did('2026-03-17')], '2026-03-18')).toBe('2026-03-21');
  });

  it('that were missed do not heap up: the last of them is open', () => {
    expect(open(weekly([5]), [], '2026-05-06')).toBe('2026-05-02');
  });
});

describe('the chores of a tank', () => {
  it('go by what it does and what it has', () => {
    const names = (tank: Partial<TestTank>) => {
      const { history } = world(new LogBuilder(tank), onDay(40));
      return choresOf(history, []).map(({ id }) => id);
    };
    expect(names({ filledOn: null })).toEqual([]);
    expect(names({})).toEqual(['round', 'outlet']);
    expect(names(RUNNING)).toEqual(
      expect.arrayContaining(['round', 'glass', 'waterChange', 'heater']),
    );
    expect(names(RUNNING)).not.toContain('skimmer');
    expect(names(RUNNING)).toEqual(expect.arrayContaining(['hangOn', 'reservoir']));
    const sump = { by: 'litres', litres: 20 } as const;
    const volume = { ...new LogBuilder().log().tanks[0]!.body.volume, sump };
    expect(names({ ...RUNNING, volume })).toEqual(expect.arrayContaining(['skimmer', 'socks']));
    expect(names({ ...RUNNING, volume })).not.toContain('hangOn');
    expect(names({ ...RUNNING, kind: 'quarantine' })).toEqual([]);
  });

  it('a small tank’s salinity is read daily, and a test of it says that it was', () => {
    const volume = { ...new LogBuilder().log().tanks[0]!.body.volume };
    const measuredAtFill = { by: 'litres', litres: 60 } as const;
    const builder = new LogBuilder({ ...RUNNING, volume: { ...volume, measuredAtFill } });
    builder.digital('refractometer', onDay(39), 35);
    const { history } = world(builder, onDay(40));
    const chore = choresOf(history, []).find(({ id }) => id === 'salinity')!;
    expect(happenedOf(chore, history)).toHaveLength(1);
    const large = world(new LogBuilder(RUNNING), onDay(40)).history;
    expect(choresOf(large, []).map(({ id }) => id)).not.toContain('salinity');
  });

  it('change a small tank’s water weekly, a larger one’s fortnightly, a tenth of it', () => {
    const change = (litres: number) => {
      const volume = { ...new LogBuilder().log().tanks[0]!.body.volume };
      const tank = {
        ...RUNNING,
        volume: { ...volume, measuredAtFill: { by: 'litres', litres } as const },
      };
      const { history } = world(new LogBuilder(tank), onDay(40));
      const chore = choresOf(history, []).find(({ id }) => id === 'waterChange');
      return [chore?.rule, chore?.litres];
    };
    expect(change(60)).toEqual([{ by: 'days', every: 7 }, 6]);
    expect(change(300)).toEqual([{ by: 'days', every: 14 }, 30]);
  });

  it('are as the keeper wants them, with the keeper’s own beside them', () => {
    const builder = new LogBuilder(RUNNING);
    ownChore(builder, { of: 'glass', name: 'Scrape the glass', minutes: 12, off: true });
    const own = ownChore(builder);
    const { log, history } = world(builder, onDay(40));
    const chores = choresOf(history, log.chores);
    expect(chores.find(({ id }) => id === 'glass')).toMatchObject({
      name: 'Scrape the glass',
      minutes: 12,
      off: true,
    });
    expect(choreAsks(history, log, onDay(40)).map(({ id }) => id)).toEqual(
      expect.not.arrayContaining(['chore/glass']),
    );
    expect(choreAsks(history, log, onDay(40)).map(({ id }) => id)).toContain(`chore/${own}`);
  });

  it('have keys that name them, and ids that are all different', () => {
    expect(choreOfKey(choreKey('glass', '2026-03-04'))).toBe('glass');
    expect(choreOfKey('test-ammonia/2026-03-04')).toBeNull();
    expect(new Set(USUAL.map(({ id }) => id)).size).toBe(USUAL.length);
  });

  it('are done by the entry that they make: a change logged is the change', () => {
    const builder = new LogBuilder(RUNNING);
    const due = (day: number) => {
      const { log, history } = world(builder, onDay(day));
      const ask = choreAsks(history, log, onDay(day)).find(({ id }) => id === 'chore/waterChange');
      return ask && Math.round((ask.due - onDay(day, 0)) / DAY_MS);
    };
    expect(due(20)).toBe(-6);
    builder.entry(onDay(20, 15), { kind: 'waterChange', litres: 10, newWater: {} });
    expect(due(21)).toBe(13);
  });

  it('come to what is due beneath the tests, and stop with the tank', () => {
    const builder = new LogBuilder(RUNNING);
    builder.digital('refractometer', onDay(19), 35);
    const tasks = () => {
      const { log, history } = world(builder, onDay(20));
      const verdict = verdictOf(history, onDay(20), bandsOf('mixedReef', {}));
      const daily = maintenanceAsks(log, [history], onDay(20))[builder.tankId] ?? [];
      return dueTasks(history, verdict, new Set(), onDay(20), null, null, { daily });
    };
    const round = tasks().find(({ id }) => id === 'chore/round');
    expect(round).toMatchObject({ tick: true, minutes: 5 });
    builder.entry(onDay(20, 9), { kind: 'closed' });
    expect(tasks()).toEqual([]);
  });
});

describe('what figures ask for', () => {
  const asks = (builder: LogBuilder, at: number) => {
    const { log, history } = world(builder, at);
    return (maintenanceAsks(log, [history], at)[builder.tankId] ?? []).map(({ title }) => title);
  };

  it('is resin that lets solids through', () => {
    const builder = new LogBuilder(RUNNING);
    builder.entry(onDay(30), {
      kind: 'purified',
      litres: 20,
      tds: { tap: 200, membrane: 5, resin: 0 },
    });
    expect(asks(builder, onDay(31)).join()).not.toMatch(/Renew: /);
    builder.entry(onDay(32), {
      kind: 'purified',
      litres: 20,
      tds: { tap: 200, membrane: 5, resin: 4 },
    });
    expect(asks(builder, onDay(33))).toContain('Renew: resin');
  });

  it('is salinity that drifts for sure, and not one that stays', () => {
    const drifting = new LogBuilder(RUNNING);
    const steady = new LogBuilder(RUNNING);
    for (let day = 10; day <= 30; day += 2) {
      drifting.digital('refractometer', onDay(day), 34 + day * 0.08);
      steady.digital('refractometer', onDay(day), 35 + (day % 4 === 0 ? 0.1 : -0.1));
    }
    expect(asks(drifting, onDay(31))).toContain('Find out why salinity rises');
    expect(asks(steady, onDay(31)).join()).not.toMatch(/salinity/);
  });

  it('is a pack that runs out, and a standard that is due', () => {
    const builder = new LogBuilder(RUNNING);
    const pack = { tests: 6, since: '2026-03-02' };
    builder.card('nitrateCard', onDay(10), 5, { kit: { pack } });
    builder.card('nitrateCard', onDay(20), 5, { kit: { pack } });
    expect(asks(builder, onDay(21)).join()).toMatch(/Order reagents: /);
    const kitId = builder.kit('phPen');
    builder.entry(onDay(5), {
      kind: 'calibration',
      kitId,
      unit: 'pH',
      points: [{ standard: 7, read: 7.1 }],
      adjusted: true,
    });
    expect(asks(builder, onDay(36)).join()).toMatch(/Calibrate: /);
  });
});

describe('days away', () => {
  const absences = [{ from: '2026-05-10', until: '2026-05-21', minder: 'Ines' }];

  it('leave to who minds the tank what is daily, bring the change forward, put the rest off', () => {
    expect(whileAway('2026-05-12', null, 1, 'minder', absences)).toEqual({
      day: '2026-05-12',
      how: 'minder',
    });
    expect(whileAway('2026-05-12', '2026-04-28', 14, 'before', absences)).toEqual({
      day: '2026-05-09',
      how: 'before',
    });
    expect(whileAway('2026-05-12', null, 14, 'after', absences)).toEqual({
      day: '2026-05-22',
      how: 'after',
    });
    expect(whileAway('2026-05-22', null, 1, 'minder', absences)).toEqual({
      day: '2026-05-22',
      how: 'stays',
    });
  });

  it('bring nothing forward that was done just before, and leave daily things where nobody comes', () => {
    expect(whileAway('2026-05-20', '2026-05-09', 11, 'before', absences).how).toBe('after');
    const nobody = [{ from: '2026-05-10', until: '2026-05-21', minder: '' }];
    expect(whileAway('2026-05-12', null, 1, 'minder', nobody).how).toBe('after');
  });
});

describe('load', () => {
  it('counts each time once, by week and tank, and litres with it', () => {
    const builder = new LogBuilder(RUNNING);
    const { log, history } = world(builder, onDay(20));
    const weeks = loadOf([history], log, onDay(20), 6);
    const end = Date.parse(`${weeks.at(-1)?.monday}T00:00:00Z`) + 6 * DAY_MS;
    const times = choreTimesOf(history, log, onDay(20), new Date(end).toISOString().slice(0, 10));
    const within = times.filter(({ day }) => Date.parse(`${day}T00:00:00Z`) <= end);
    expect(weeks.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(
      within.reduce((sum, { chore }) => sum + chore.minutes, 0),
    );
    expect(weeks.reduce((sum, { litres }) => sum + litres, 0)).toBe(
      within.filter(({ chore }) => chore.id === 'waterChange').length * 10,
    );
    const { minutes, litres } = upkeepOf(history, NONE);
    expect(litres).toBeCloseTo(5, 6);
    expect(minutes).toBeGreaterThan(35);
  });
});

describe('a lapse', () => {
  it('of weeks is met by three things in order, each done by what is logged', () => {
    const builder = new LogBuilder(RUNNING);
    builder.ammonia(onDay(10), 0);
    expect(lapseOf(world(builder, onDay(20)).history, onDay(20))).toBeNull();
    const lapse = () => lapseOf(world(builder, onDay(46)).history, onDay(46));
    expect(lapse()).toMatchObject({ days: 36, back: false });
    expect(lapse()?.steps.map(({ id, done }) => [id, done])).toEqual([
      ['look', false],
      ['test', false],
      ['change', false],
    ]);
    builder.digital('refractometer', onDay(46, 9), 36);
    builder.ammonia(onDay(46, 10), 0);
    expect(lapse()).toMatchObject({ days: 35, back: true });
    expect(lapse()?.steps.map(({ done }) => done)).toEqual([true, true, false]);
    builder.entry(onDay(46, 11), { kind: 'waterChange', litres: 15, newWater: {} });
    expect(lapse()).toBeNull();
  });

  it('is said in weeks, and in months where it is long', () => {
    expect([13, 14, 36, 120].map(silenceWords)).toEqual([
      '13 days',
      'two weeks',
      'five weeks',
      '4 months',
    ]);
  });
});
