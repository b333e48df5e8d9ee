import { forecastOf } from './forecast/forecast';
import type { Forecast } from './forecast/types';
import { milestonesOf } from './milestones';
import { cycleProblem } from './problem/problem';
import { capacityWords, cycleSentence } from './words/cycleSentence';
import { todaySentence } from './words/todaySentence';
import { successionOf, stagesSeen } from './succession';
import { bandsOf, tankHistory, verdictOf } from '..';
import { LogBuilder, onDay } from '../../testing/logBuilder';
import { ASSURED } from '../../testing/assured';

const bands = bandsOf('mixedReef', {});

function at(log: LogBuilder, now: number, changes: Partial<Forecast> = {}) {
  const history = tankHistory(log.log(), log.tankId, now);
  const verdict = verdictOf(history, now, bands, ASSURED);
  const made = forecastOf(cycleProblem(history, now), {
    seed: 1,
    particles: 60,
    otherParticles: 8,
    members: 60,
  });
  const forecast = { ...made, ...changes };
  return {
    cycle: cycleSentence(history, verdict, forecast),
    today: todaySentence(history, verdict, bands, forecast),
    bare: cycleSentence(history, verdict),
    milestones: milestonesOf(history, now, forecast),
    forecast,
  };
}

function falling(): LogBuilder {
  const log = new LogBuilder();
  log.dose(onDay(1), 1.6);
  log.ammonia(onDay(2), 2);
  log.nitrite(onDay(2), 0);
  log.ammonia(onDay(6), 1);
  log.nitrite(onDay(6), 1);
  return log;
}

describe('the sentence of Cycle', () => {
  it('says what the tank clears, how sure that is, and when the rest is clear', () => {
    const { cycle, today } = at(falling(), onDay(6, 14));
    expect(cycle.title).toBe('Nitrite has appeared.');
    expect(cycle.detail).toMatch(/ppm N\*\* of ammonia a day \(/);
    expect(cycle.detail).toMatch(/Ammonia should be clear \*\*/);
    expect(today.detail).toMatch(/It should be clear \*\*/);
  });

  it('turns to the rule for done once both read zero', () => {
    const log = falling();
    for (const day of [19, 21]) {
      log.ammonia(onDay(day), 0);
      log.nitrite(onDay(day), 0);
    }
    const now = onDay(21, 14);
    const { cycle } = at(log, now, { nextTest: null });
    expect(cycle.title).toBe('Both read zero.');
    expect(cycle.detail).toMatch(/By your rule for done the tank is ready \*\*/);
    expect(cycle.detail).toMatch(/if tests show it/);
    const { forecast } = at(log, now);
    const nextTest = {
      ...forecast.nextTest,
      purpose: 'challenge',
      at: onDay(27),
      because: 'Dose.',
    };
    const doubted = at(log, now, { nextTest: nextTest as Forecast['nextTest'] }).cycle;
    expect(doubted.detail).toMatch(/Dose\. That is \*\*29 Mar\*\*/);
  });

  it('asks for the dose of a starving filter bacteria while nitrite is still read', () => {
    const log = falling();
    log.ammonia(onDay(19), 0);
    log.nitrite(onDay(19), 0.25);
    const now = onDay(19, 14);
    const { forecast, cycle } = at(log, now);
    expect(cycle.detail).not.toMatch(/Dose\./);
    const nextTest = {
      ...forecast.nextTest,
      purpose: 'challenge',
      at: onDay(27),
      because: 'Dose.',
    };
    const told = at(log, now, { nextTest: nextTest as Forecast['nextTest'] });
    const fed = told.cycle;
    // The course promises no end before the test of that dose.
    const end = told.milestones.find(({ id }) => id === 'ready');
    expect(end).toMatchObject({
      at: expect.any(Number),
      because: 'If a dose now is gone by then.',
    });
    expect(end?.at).toBeGreaterThanOrEqual(onDay(27));
    expect(end?.range).toBeUndefined();
    expect(fed.detail).toMatch(/nitrite a day .* Dose\. That is \*\*29 Mar\*\*/);
  });

  it('says so when nothing explains the readings, and promises no date', () => {
    const { cycle, today } = at(falling(), onDay(6, 14), { misfit: true });
    expect(cycle.detail).toMatch(/Nothing that is known of such tanks/);
    expect(today.detail).not.toMatch(/should be clear/);
  });

  it('speaks of ammonia, water and today where an animal is in it, in every voice', () => {
    for (const group of ['fish', 'invertebrate', 'coral'] as const) {
      const log = falling();
      log.entry(onDay(7), { kind: 'animals', move: 'in', group, what: 'One' });
      log.ammonia(onDay(8), 0.5);
      log.ammonia(onDay(9), 1);
      log.ammonia(onDay(10), 2);
      const { cycle, bare, forecast } = at(log, onDay(10, 14));
      for (const { title, detail } of [cycle, bare]) {
        expect(title).toBe('Ammonia with an animal in.');
        expect(detail).toMatch(/2 ppm NH4 and is rising.*change water today/);
      }
      expect(forecast.nextTest?.inDays).toBeLessThanOrEqual(1);
      expect(forecast.stall.map(({ remedy }) => remedy).join(' ')).not.toMatch(
        /^Wait|: wait|\. Wait/,
      );
      expect(forecast.whatIfs.map(({ id }) => id)).not.toContain('doseAgain');
    }
  });

  it('counts criteria while there is no forecast', () => {
    const { bare } = at(falling(), onDay(6, 14));
    expect(bare.detail).toMatch(/criteria are open/);
  });
});

describe('a capacity in words', () => {
  it('has its range, and no figure where there is next to none', () => {
    expect(capacityWords({ p10: 1.5, p50: 1.9, p90: 2.4 }, 'ammonia')).toBe(
      '**1.9 ppm N** of ammonia a day (1.5–2.4)',
    );
    expect(capacityWords({ p10: 0, p50: 0.03, p90: 0.17 }, 'ammonia')).toBe(
      '**less than 0.05 ppm N** of ammonia a day (0–0.17)',
    );
    expect(capacityWords({ p10: 0.001, p50: 0.01, p90: 0.04 }, 'nitrite')).toBe(
      'next to no nitrite yet',
    );
    expect(capacityWords({ p10: 0.01, p50: 0.2, p90: 0.9 }, 'nitrite')).toMatch(/\(0–0.9\)$/);
  });
});

describe('milestones ahead', () => {
  it('lie in their ranges, the middle half within the whole, and begin at now', () => {
    const { milestones } = at(falling(), onDay(6, 14));
    const ahead = milestones.filter((m) => !m.passed);
    expect(ahead.map((m) => m.id)).toEqual(['ammoniaClears', 'nitriteClears', 'ready']);
    for (const { at: middle, range } of ahead) {
      if (!range) throw new Error('no range');
      expect(range.low).toBeGreaterThanOrEqual(onDay(6, 14));
      expect(range.low).toBeLessThanOrEqual(range.innerLow);
      expect(range.innerLow).toBeLessThanOrEqual(middle);
      expect(middle).toBeLessThanOrEqual(range.innerHigh);
      expect(range.innerHigh).toBeLessThanOrEqual(range.high);
    }
  });

  it('give way to what tests have shown', () => {
    const log = falling();
    log.ammonia(onDay(12), 0);
    log.nitrite(onDay(12), 2);
    const ids = at(log, onDay(12, 14)).milestones.map((m) => `${m.id}${m.passed ? '' : ' ahead'}`);
    expect(ids).toContain('ammoniaClears');
    expect(ids).not.toContain('ammoniaClears ahead');
    expect(ids).toContain('nitriteClears ahead');
  });
});

describe('what was seen of growth', () => {
  it('counts its stages in order, and only green that follows diatoms', () => {
    const log = new LogBuilder();
    const see = (day: number, growth: 'diatoms' | 'film' | 'sheet', extent: 'trace' | 'patches') =>
      log.entry(onDay(day), { kind: 'sighting', growth, extent });
    const stages = (day: number) =>
      stagesSeen(successionOf(tankHistory(log.log(), log.tankId, onDay(day))));
    expect(stages(1)).toBe(0);
    see(10, 'film', 'trace');
    expect(stages(11)).toBe(0);
    see(12, 'diatoms', 'patches');
    expect(stages(13)).toBe(1);
    see(20, 'sheet', 'patches');
    expect(stages(21)).toBe(1);
    see(25, 'film', 'patches');
    expect(stages(26)).toBe(2);
    see(33, 'film', 'trace');
    expect(stages(34)).toBe(3);
  });
});
