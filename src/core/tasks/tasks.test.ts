import {
  bandsOf,
  cycleSentence,
  dueTasks,
  dueWords,
  headsOfType,
  mergeRevisions,
  EMPTY_LOG,
  milestonesOf,
  PARAMETER_IDS,
  tankHistory,
  todaySentence,
  verdictOf,
  type ParameterId,
} from '..';
import { demoLog } from '../demo/demoLog';
import { cadence } from './sources/cadence';
import { LogBuilder, type TestTank, onDay, testId } from '../../testing/logBuilder';
import { ASSURED } from '../../testing/assured';

const bands = bandsOf('mixedReef', {});
const ALL = new Set<ParameterId>(PARAMETER_IDS);

function at(builder: LogBuilder, now: number) {
  const history = tankHistory(builder.log(), builder.tankId, now);
  const verdict = verdictOf(history, now, bands, ASSURED);
  return {
    history,
    verdict,
    tasks: dueTasks(history, verdict, ALL, now),
    today: todaySentence(history, verdict, bands),
    cycle: cycleSentence(history, verdict),
    milestones: milestonesOf(history, now),
  };
}

describe('what is due', () => {
  it('asks for ammonia and nitrite every second day of a cycle', () => {
    const builder = new LogBuilder();
    builder.ammonia(onDay(4), 1);
    builder.nitrite(onDay(4), 0.5);
    const due = (day: number) =>
      at(builder, onDay(day)).tasks.find((task) => task.id === 'test-ammonia')?.inDays;
    expect([due(4), due(5), due(6), due(9)]).toEqual([2, 1, 0, -3]);
  });

  it('asks only for what the keeper can test', () => {
    const builder = new LogBuilder();
    const { history, verdict } = at(builder, onDay(1));
    const tasks = dueTasks(history, verdict, new Set(['ph']), onDay(1));
    const tests = tasks.filter((task) => task.parameters.length > 0);
    expect(tests.map((task) => task.id)).toEqual(['test-ph']);
  });

  it('asks a bare quarantine tank for what says something of it, and of its lid as fish are in', () => {
    const builder = new LogBuilder({ kind: 'quarantine', rock: 'none', lid: false });
    const tested = () =>
      at(builder, onDay(3)).tasks.flatMap((task) => (task.id.startsWith('test-') ? task.id : []));
    expect(tested().sort()).toEqual([
      'test-ammonia',
      'test-ph',
      'test-salinity',
      'test-temperature',
    ]);
    builder.entry(onDay(2), { kind: 'sponge', move: 'working' });
    expect(tested()).toContain('test-nitrite');
    const lid = () => at(builder, onDay(3)).tasks.find(({ id }) => id === 'lid')?.because;
    expect(lid()).toMatch(/Before the first fish/);
    builder.entry(onDay(2), {
      kind: 'animals',
      move: 'in',
      group: 'fish',
      what: 'Goby',
      count: 1,
    });
    expect(lid()).toMatch(/There are fish in/);
  });

  it('asks for a kit that never read, which the forecast cannot weigh', () => {
    const builder = new LogBuilder();
    builder.dose(onDay(1), 2);
    builder.ammonia(onDay(2), 2);
    const next = { parameter: 'ammonia', at: onDay(6), inDays: 3, because: '', gain: 1 };
    const forecast = { nextTest: { ...next, purpose: 'learn', outcomes: [], idle: [] } } as never;
    const asked = () => {
      const { history, verdict } = at(builder, onDay(3));
      const world = { history, verdict, owned: ALL, forecast };
      return cadence.occurrences(world, onDay(3), onDay(3)).map((task) => task.id);
    };
    expect(asked()).toContain('test-nitrite');
    expect(asked()).not.toContain('test-ammonia');
    builder.nitrite(onDay(2), 0);
    expect(asked()).not.toContain('test-nitrite');
  });

  it('names the gates until they are met', () => {
    const ids = at(new LogBuilder({ lid: false, heaterVerifiedOn: null }), onDay(1)).tasks.map(
      (task) => task.id,
    );
    expect(ids).toEqual(expect.arrayContaining(['lid', 'heater']));
  });

  it('asks for the dose that begins a cycle, unless the keeper feeds it otherwise', () => {
    const ids = (tank: Partial<TestTank>) =>
      at(new LogBuilder(tank), onDay(1)).tasks.map((task) => task.id);
    expect(ids({})).toContain('ammonia-dose');
    expect(ids({ method: { source: 'prawn', seeding: 'none' } })).not.toContain('ammonia-dose');
    expect(ids({ runningSince: '2026-03-02' })).not.toContain('ammonia-dose');
    expect(ids({ fishInSince: '2026-03-02' })).not.toContain('ammonia-dose');
  });

  it('asks for the test at the end of a challenge, by the hour, while its rule for done is followed', () => {
    const builder = new LogBuilder({ doneRule: { rule: 'challenge', windowHours: 24 } });
    builder.dose(onDay(20), 2);
    const task = at(builder, onDay(20, 18)).tasks.find((t) => t.id === 'challenge-test');
    expect(task).toMatchObject({ inDays: 1, at: onDay(21) });
    builder.ammonia(onDay(21), 0);
    builder.nitrite(onDay(21), 0);
    expect(at(builder, onDay(21, 13)).tasks.map((t) => t.id)).not.toContain('challenge-test');
    const held = new LogBuilder();
    held.dose(onDay(20), 2);
    expect(at(held, onDay(20, 18)).tasks.map((t) => t.id)).not.toContain('challenge-test');
  });

  it('asks for no test twice', () => {
    const builder = new LogBuilder({ doneRule: { rule: 'challenge', windowHours: 24 } });
    builder.dose(onDay(20), 2);
    const due = at(builder, onDay(21)).tasks.filter((t) => t.inDays <= 0);
    const asked = due.flatMap((t) => t.parameters);
    expect(new Set(asked).size).toBe(asked.length);
  });

  it('asks for the programme’s next dose, with its millilitres', () => {
    const builder = new LogBuilder({
      programme: { firstMl: 50, laterMl: 10, every: 1, days: 7 },
    });
    builder.entry(onDay(1), {
      kind: 'dose',
      substance: 'bacteria',
      amount: { by: 'mL', mL: 50 },
      strength: null,
      about: false,
    });
    const task = at(builder, onDay(2)).tasks.find((t) => t.id === 'programme-dose');
    expect(task).toMatchObject({ title: '10 mL of bacteria', inDays: 0 });
  });

  it('asks to raise alkalinity that slows the filter bacteria, by how many grams', () => {
    const builder = new LogBuilder();
    builder.digital('alkalinityDrops', onDay(9), 7);
    const task = () => at(builder, onDay(9)).tasks.find((t) => t.id === 'alkalinity');
    expect(task()?.because).toMatch(/4\.5 g of baking soda over 2 days/);
    builder.digital('alkalinityDrops', onDay(9, 13), 7.9);
    expect(at(builder, onDay(9, 14)).tasks.find((t) => t.id === 'alkalinity')).toBeUndefined();
  });

  it('is said in plain words', () => {
    expect([-3, 0, 1, 3, 6, 12].map(dueWords)).toEqual([
      'now',
      'today',
      'tomorrow',
      'in 3 days',
      'this week',
      'in 12 days',
    ]);
  });
});

describe('the sentence of Today', () => {
  it('follows a tank from empty to ready', () => {
    const empty = new LogBuilder({ filledOn: null });
    expect(at(empty, onDay(0)).today.title).toBe('Nothing is filled yet.');

    const builder = new LogBuilder({ lid: false });
    expect(at(builder, onDay(1)).today.title).toBe('The cycle has not begun.');
    builder.dose(onDay(1), 2);
    expect(at(builder, onDay(1)).today.title).toBe('Cannot tell yet.');
    builder.ammonia(onDay(2), 2);
    builder.nitrite(onDay(2), 0);
    expect(at(builder, onDay(2)).today.title).toBe('Not yet ready for fish.');
    builder.nitrite(onDay(8), 2);
    builder.nitrite(onDay(12), 1);
    builder.ammonia(onDay(12), 0);
    const falling = at(builder, onDay(12, 18));
    expect(falling.today.detail).toMatch(/^Nitrite reads 1 ppm NO2 and is falling\./);
    expect(falling.cycle.title).toBe('Nitrite is turning.');
    for (const day of [20, 27]) {
      builder.ammonia(onDay(day), 0);
      builder.nitrite(onDay(day), 0);
    }
    builder.conditions(onDay(27));
    const cycled = at(builder, onDay(27, 18));
    expect(cycled.today.title).toBe('Cycled, but not ready for fish.');
    expect(cycled.today.detail).toMatch(/lid/);
    expect(cycled.cycle.title).toBe('The cycle is done.');
  });

  it('of a running tank speaks of what is out of band, and of ammonia first', () => {
    const builder = new LogBuilder({ runningSince: '2026-03-03' });
    expect(at(builder, onDay(9)).today.title).toBe('No recent tests.');
    builder.conditions(onDay(10));
    expect(at(builder, onDay(10, 18)).today.title).toBe('Steady.');
    builder.digital('alkalinityDrops', onDay(11), 6.8);
    expect(at(builder, onDay(11, 18)).today.title).toBe('Alkalinity is below its band.');
    builder.ammonia(onDay(11), 0.5);
    expect(at(builder, onDay(11, 18)).today.title).toBe('Ammonia is not zero.');
  });
});

describe('milestones', () => {
  it('are what the log shows, in order, and the hold that lies ahead', () => {
    const builder = new LogBuilder();
    builder.dose(onDay(1), 2);
    builder.ammonia(onDay(2), 2);
    builder.nitrite(onDay(7), 1);
    builder.ammonia(onDay(9), 0);
    builder.nitrite(onDay(20), 0);
    builder.ammonia(onDay(20), 0);
    const { milestones } = at(builder, onDay(21));
    expect(milestones.map((m) => [m.id, m.passed])).toEqual([
      ['filled', true],
      ['firstDose', true],
      ['nitriteAppears', true],
      ['ammoniaClears', true],
      ['nitriteClears', true],
      ['held', false],
    ]);
    expect(milestones.at(-1)?.at).toBe(onDay(27));
  });

  it('takes back a clearing that did not last', () => {
    const builder = new LogBuilder();
    builder.ammonia(onDay(2), 2);
    builder.ammonia(onDay(9), 0);
    builder.ammonia(onDay(10), 0.5);
    expect(at(builder, onDay(11)).milestones.map((m) => m.id)).toEqual(['filled']);
  });
});

describe('the demo', () => {
  const now = Date.parse('2026-11-24T09:00:00Z');
  let n = 0;
  const rows = demoLog({
    now,
    zone: 'Europe/Berlin',
    device: 'demo',
    newId: () => testId((n += 1)),
  });
  const log = mergeRevisions(EMPTY_LOG, rows);
  const tank = (name: string) => {
    const head = headsOfType(log, 'tank').find((t) => t.body.name === name);
    if (!head) throw new Error(`no ${name}`);
    const history = tankHistory(log, head.id, now);
    return { history, verdict: verdictOf(history, now, bands, ASSURED) };
  };

  it('has Kittiwake on day 19, 208 L, with ammonia clear, nitrite falling and alkalinity low', () => {
    const { history, verdict } = tank('Kittiwake');
    expect(history.netLitres).toBe(208);
    const state = (id: string) => verdict.criteria.find((c) => c.id === id)?.state;
    expect(state('ammoniaZero')).toBe('met');
    expect(state('nitriteZero')).toBe('not yet');
    expect(cycleSentence(history, verdict).title).toBe('Nitrite is turning.');
    expect(history.readings.alkalinity.at(-1)?.best).toBeLessThan(bands.alkalinity?.low ?? 0);
  });

  it('has Fulmar five months old, 310 L, and steady', () => {
    const { history, verdict } = tank('Fulmar');
    expect(history.netLitres).toBeCloseTo(310, 6);
    expect(todaySentence(history, verdict, bands).title).toBe('Steady.');
  });

  it('has a spare quarantine tank of 76 L and nothing from the future', () => {
    expect(tank('Spare tank').history.netLitres).toBe(76);
    for (const row of rows) {
      expect(Date.parse(row.recordedAt)).toBeLessThanOrEqual(now);
    }
  });
});
