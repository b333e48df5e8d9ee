import { LogBuilder, onDay, testId } from '../../../testing/logBuilder';
import type { Verdict } from '../../cycle/verdict/types';
import { bandsOf, dueTasks, verdictOf } from '../..';
import { ASSURED } from '../../../testing/assured';
import { tankHistory } from '../../history/derive';
import { createRecord } from '../../records/acts';
import { EMPTY_LOG, mergeRevisions } from '../../records/log';
import type { Batch } from '../../records/schema/batch';
import type { Medicine } from '../../records/schema/medicine';
import type { Position } from '../../records/schema/position';
import { asked } from './asked';
import { asksOfTank } from './asksOfTank';

const iso = (day: number) => new Date(onDay(day)).toISOString();

const COPPER: Medicine = {
  name: 'Copper one',
  kind: 'copper',
  target: { low: 1, high: 2 },
  unit: 'mg/L',
  days: 10,
  lowersOxygen: false,
  harmsFilter: 'yes',
  harmsInvertebrates: true,
  carbonOut: true,
  reducing: 'no',
};

function spare(changes: Partial<Batch> = {}) {
  const log = new LogBuilder({ kind: 'quarantine' });
  const cohort = log.entry(onDay(10), {
    kind: 'animals',
    move: 'in',
    group: 'fish',
    what: 'Goby',
    count: 1,
    species: 'neon-goby',
  });
  const body: Batch = {
    tankId: log.tankId,
    forTankId: testId(999),
    protocol: 'observe',
    begunAt: iso(10),
    restartedAt: null,
    animals: [{ what: 'Goby', count: 1, cohort }],
    endedAt: null,
    ...changes,
  };
  log.revisions.push(createRecord(log.stamp(onDay(10)), testId(500), 'batch', body));
  const due = (day: number) => {
    const merged = mergeRevisions(EMPTY_LOG, log.revisions);
    const history = tankHistory(merged, log.tankId, onDay(day));
    return asked
      .occurrences(
        {
          history,
          verdict: {} as Verdict,
          forecast: null,
          owned: new Set(['ammonia', 'ph', 'salinity', 'temperature'] as const),
          asks: asksOfTank(merged, history, onDay(day)),
        },
        onDay(day),
        onDay(day + 45),
      )
      .map(({ title, inDays }) => `${title} ${inDays}`);
  };
  return { log, cohort, due };
}

describe('a batch asks for', () => {
  it('the tests of its protocol, each at its own pace', () => {
    const { log, due } = spare();
    const tests = (day: number) => due(day).filter((line) => line.startsWith('Test'));
    expect(tests(10)).toEqual([
      'Test ammonia 0',
      'Test temperature 0',
      'Test salinity 0',
      'Test pH 0',
    ]);
    log.card('ammoniaCard', onDay(10, 9), 0);
    expect(tests(10)[0]).toBe('Test ammonia 1');
    expect(tests(13)[0]).toBe('Test ammonia -2');
  });

  it('ammonia daily where fish are in bare water, whatever its protocol leaves out', () => {
    const { log, due } = spare({ protocol: 'none' });
    const tests = () => due(12).filter((line) => line.startsWith('Test'));
    expect(tests()).toEqual(['Test ammonia -2']);
    log.card('ammoniaCard', onDay(12, 9), 0);
    expect(tests()).toEqual(['Test ammonia 1']);
    expect(spare({ protocol: 'none', filter: 'cycled' }).due(12)).toEqual([]);
  });

  it('each test once: the cadence of the tank leaves it what it tests', () => {
    const { log } = spare();
    const merged = mergeRevisions(EMPTY_LOG, log.revisions);
    const history = tankHistory(merged, log.tankId, onDay(12));
    const owned = new Set(['ammonia', 'ph', 'salinity', 'temperature', 'nitrate'] as const);
    const asks = asksOfTank(merged, history, onDay(12));
    const verdict = verdictOf(history, onDay(12), bandsOf('mixedReef', {}), ASSURED);
    const ids = dueTasks(history, verdict, owned, onDay(12), null, null, { asks }).map(
      ({ id }) => id,
    );
    // Nothing in a bare tank makes or takes nitrate that a test would be worth.
    expect(ids).not.toContain('test-nitrate');
    expect(ids.filter((id) => /^test-(ammonia|ph|salinity|temperature)$/.test(id))).toEqual([]);
  });

  it('a change where nothing clears ammonia, from the last one on', () => {
    const { log, due } = spare();
    const changes = (day: number) => due(day).filter((line) => line.startsWith('Change'));
    const [first] = changes(10);
    expect(first).toMatch(/^Change water in quarantine [123]$/);
    const every = Number(first?.at(-1));
    log.entry(onDay(12), { kind: 'waterChange', litres: 20, newWater: {} });
    expect(changes(12)).toEqual([`Change water in quarantine ${every}`]);
    const seeded = spare({ filter: 'seeded' });
    expect(seeded.due(12).some((line) => line.startsWith('Change'))).toBe(false);
  });

  it('the stages of its protocol on their clear days, and not while a sign stands', () => {
    const { log, cohort, due } = spare({ protocol: 'coral' });
    const dips = (day: number) => due(day).filter((line) => /dip|Isolate/.test(line));
    expect(dips(11)).toEqual(['Isolate 0', 'Second dip 6']);
    // The one that was missed stands until the next is due.
    expect(dips(18)).toEqual(['Second dip -1', 'Third dip 6']);
    expect(dips(24)[0]).toBe('Third dip 0');
    log.entry(onDay(24), {
      kind: 'dailyCheck',
      cohort,
      what: 'Goby',
      state: 'sign',
      signs: ['dust'],
    });
    expect(dips(24)).toEqual([]);
  });

  it('a medicine checked against its label daily, and out after its days', () => {
    const { log, due } = spare();
    const medicine = testId(600);
    log.revisions.push(createRecord(log.stamp(onDay(12)), medicine, 'medicine', COPPER));
    const act = (day: number, act: 'given' | 'carbonIn' | 'measured', value?: number) =>
      log.entry(onDay(day), {
        kind: 'medication',
        medicineId: medicine,
        what: COPPER.name,
        act,
        ...(act === 'given' ? { mL: 5 } : {}),
        ...(value === undefined ? {} : { value }),
      });
    const copper = (day: number) => due(day).filter((line) => line.includes('Copper'));
    expect(copper(12)).toEqual([]);
    act(12, 'given');
    expect(copper(13)).toEqual(['Test Copper one 0']);
    act(13, 'measured', 1.5);
    expect(copper(13)).toEqual(['Test Copper one 1']);
    expect(copper(20)).toContain('Copper one: its days by the label end 3');
    act(22, 'carbonIn');
    // Carbon says nothing of copper: a test of zero does.
    expect(copper(24)).toEqual(['Test Copper one -10']);
    act(24, 'measured', 0);
    expect(copper(24)).toEqual([]);
    // Given anew, its days are counted anew, and the carbon of before is no more.
    act(26, 'given');
    expect(copper(30)).toEqual(['Test Copper one -3']);
    act(27, 'measured', 1.5);
    expect(copper(30)).toEqual(['Test Copper one -2', 'Copper one: its days by the label end 7']);
    log.entry(onDay(31), { kind: 'cleaning' });
    act(33, 'given');
    expect(copper(33)).toEqual(['Test Copper one 1']);
    act(34, 'measured', 1.5);
    expect(copper(38)).toContain('Copper one: its days by the label end 6');
    // Below the range its days begin anew; above it is an overdose.
    act(38, 'measured', 0.4);
    expect(copper(38)).toEqual(['Test Copper one 1', 'Copper one reads below its label 0']);
    act(39, 'measured', 1.6);
    act(40, 'measured', 9);
    expect(copper(40)).toContain('Copper one reads above its label 0');
    // What was over neither counts anew nor is lost: ten days since the test of day 39, two untested ones apart.
    act(44, 'measured', 1.6);
    expect(copper(44)).toContain('Copper one: its days by the label end 7');
  });

  it('the label, and nothing else, of a medicine that went in without one', () => {
    const { log, due } = spare({ protocol: 'preventive' });
    expect(due(13)).toContain('Copy the label of the medicine first 0');
    log.entry(onDay(13), { kind: 'treatment', agent: 'copper', product: 'Copper two' });
    const lines = due(30).join();
    expect(lines).toMatch(/Copy the label of Copper two/);
    expect(lines).toMatch(/Test ammonia/);
    expect(lines).not.toMatch(/dose|days by the label|taken out/);
  });
});

describe('a coral asks for', () => {
  it('its steps up to the light of its place, from the day it came in', () => {
    const log = new LogBuilder();
    const cohort = log.entry(onDay(10), {
      kind: 'animals',
      move: 'in',
      group: 'coral',
      what: 'Hammer coral',
      species: 'hammer-coral',
    });
    const position: Position = {
      tankId: log.tankId,
      what: 'Hammer coral',
      species: 'hammer-coral',
      cohort,
      x: 10,
      z: 10,
      level: 'high',
      cameFrom: 'low',
    };
    log.revisions.push(createRecord(log.stamp(), testId(700), 'position', position));
    const steps = (day: number, body = position) => {
      const merged = mergeRevisions(EMPTY_LOG, [
        ...log.revisions,
        createRecord(log.stamp(), testId(701), 'position', body),
      ]);
      const history = tankHistory(merged, log.tankId, onDay(day));
      return asksOfTank(merged, history, onDay(day)).filter(({ id }) => id.includes(testId(701)));
    };
    expect(steps(11).map(({ title }) => title)).toEqual([
      'Hammer coral: up, middle',
      'Hammer coral: up, high',
    ]);
    expect(steps(11).map(({ due }) => (due - onDay(10, 0)) / 86_400_000)).toEqual([14, 28]);
    expect(steps(32).map(({ title }) => title)).toEqual(['Hammer coral: up, high']);
    // One that is only meant has no day yet.
    const { cohort: _none, ...meant } = position;
    expect(steps(11, meant)).toEqual([]);
  });
});

describe('a refugium asks for', () => {
  const lit = (nitrate: number | null, ended = false) => {
    const log = new LogBuilder();
    log.entry(onDay(10), {
      kind: 'growthMeasure',
      measure: 'refugium',
      action: 'begun',
      strength: '6 hours',
    });
    if (nitrate !== null) log.card('nitrateCard', onDay(15), nitrate);
    if (ended)
      log.entry(onDay(16), { kind: 'growthMeasure', measure: 'refugium', action: 'ended' });
    return (day: number) => {
      const merged = log.log();
      return asksOfTank(merged, tankHistory(merged, log.tankId, onDay(day)), onDay(day));
    };
  };

  it('its light step by step, a week apart, and no more once it has its hours', () => {
    const at = lit(null);
    const [first] = at(11);
    expect(first).toMatchObject({ title: 'Refugium: light to 8 hours' });
    expect(((first?.due ?? 0) - onDay(10, 0)) / 86_400_000).toBe(7);
    expect(at(25)[0]?.title).toBe('Refugium: light to 10 hours');
    expect(at(32)[0]?.title).toBe('Refugium: light to 12 hours');
    expect(at(60)).toEqual([]);
    expect(lit(null, true)(17)).toEqual([]);
  });

  it('none while nothing is left to eat, and says so', () => {
    expect(lit(0)(16)[0]?.because).toMatch(/^Nitrate is at the bottom/);
    expect(lit(10)(16)[0]?.because).toMatch(/^Small first/);
  });
});
