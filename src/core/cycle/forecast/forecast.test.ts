import { tankHistory } from '../../history/derive';
import { DAY_MS } from '../../time/zone';
import { FILLED, LogBuilder, type TestTank } from '../../../testing/logBuilder';
import { logOf, type Life } from '../../../testing/heldOut/keeper';
import { middlingReef, plainLife } from '../../../testing/heldOut/plainLife';
import { cycleProblem } from '../problem/problem';
import { chanceWords } from '../words/chanceWords';
import { chanceReadyBy } from './chance';
import { forecastOf } from './forecast';
import type { CauseId, Forecast } from './types';

const day = (n: number) => FILLED + n * DAY_MS;
const SMALL = { seed: 4, particles: 80, otherParticles: 24, members: 80 };
const TWO = [{ day: 1, believed: 1.6 }];

function forecastAt(
  life: Life,
  at: number,
  tank: Partial<TestTank> = {},
  more?: (log: LogBuilder) => void,
): Forecast {
  const log = logOf(life, at, tank);
  more?.(log);
  return forecastOf(cycleProblem(tankHistory(log.log(), log.tankId, day(at)), day(at)), SMALL);
}

function forecastLog(log: LogBuilder, at: number): Forecast {
  return forecastOf(cycleProblem(tankHistory(log.log(), log.tankId, day(at)), day(at)), SMALL);
}

const dayOf = (ms: number | null) => (ms === null ? Infinity : (ms - FILLED) / DAY_MS);
const chance = (forecast: Forecast, cause: CauseId) =>
  forecast.stall.find((c) => c.cause === cause)?.probability ?? 0;

describe('a forecast', () => {
  const life = plainLife(middlingReef('bottle'), TWO);

  it('is the same for the same log and seed, and knows nothing of what comes later', () => {
    const one = forecastAt(life, 9);
    const log = logOf(life, 40);
    const again = forecastOf(
      cycleProblem(tankHistory(log.log(), log.tankId, day(9)), day(9)),
      SMALL,
    );
    expect({ ...again, nextTest: null, kits: [], stall: [] }).toEqual({
      ...one,
      nextTest: null,
      kits: [],
      stall: [],
    });
    expect(again.nextTest?.parameter).toBe(one.nextTest?.parameter);
  });

  it('puts its dates in order, and its ranges too', () => {
    for (const at of [3, 9, 14]) {
      const { ammoniaClears, nitriteClears, ready } = forecastAt(life, at).milestones;
      for (const range of [ammoniaClears, nitriteClears, ready]) {
        const dates = [range.p10, range.p25, range.p50, range.p75, range.p90].map(dayOf);
        expect([...dates].sort((a, b) => a - b)).toEqual(dates);
      }
      expect(dayOf(ammoniaClears.p50)).toBeLessThanOrEqual(dayOf(nitriteClears.p50));
      expect(dayOf(nitriteClears.p50)).toBeLessThanOrEqual(dayOf(ready.p50) + 1e-6);
    }
  });

  it('narrows as tests come in, about what then happens', () => {
    const width = (at: number) => {
      const { p10, p90 } = forecastAt(life, at).milestones.nitriteClears;
      return dayOf(p90) - dayOf(p10);
    };
    expect(width(15)).toBeLessThan(width(3));
    const late = forecastAt(life, life.readyDay - 1).milestones.ready;
    expect(dayOf(late.p10)).toBeLessThanOrEqual(life.readyDay + 0.5);
    expect(dayOf(late.p90)).toBeGreaterThanOrEqual(life.readyDay - 0.5);
  });

  it('adds the days that the rule for done holds', () => {
    const plain = forecastAt(life, 12);
    const held = forecastAt(life, 12, { doneRule: { rule: 'bothZeroHeld', daysAtZero: 7 } });
    expect(dayOf(held.milestones.ready.p50) - dayOf(plain.milestones.ready.p50)).toBeCloseTo(7, 1);
  });

  it('plays the doses of the challenge, and is ready only after them', () => {
    const forecast = forecastAt(life, 12, { doneRule: { rule: 'challenge', windowHours: 24 } });
    const [first] = forecast.scheduledDoses;
    expect(first?.rise).toBeCloseTo((2 * 14.007) / 18.039, 2);
    expect(first?.probability).toBeGreaterThan(0.8);
    expect(dayOf(first?.p50 ?? null)).toBeGreaterThanOrEqual(
      dayOf(forecast.milestones.nitriteClears.p50),
    );
    expect(dayOf(forecast.milestones.ready.p50)).toBeGreaterThan(dayOf(first?.p50 ?? null));
    expect(forecastAt(life, 12).scheduledDoses).toEqual([]);
  });

  it('waits for the end of a bottle’s programme', () => {
    const forecast = forecastAt(life, 12, {
      doneRule: { rule: 'bottleProgramme', programmeDays: 60 },
    });
    // Its end, and a day or two for the dose after it.
    expect(dayOf(forecast.milestones.ready.p10)).toBeGreaterThan(61);
    expect(dayOf(forecast.milestones.ready.p10)).toBeLessThan(75);
  });

  it('says that it has nothing to foretell before any ammonia is on record', () => {
    const log = new LogBuilder();
    log.conditions(day(1));
    const forecast = forecastLog(log, 3);
    expect(forecast.fed).toBe(false);
    expect(forecast.milestones.ready.p50).toBeNull();
    expect(forecast.nextTest).toBeNull();
  });

  it('draws its bands in order and never below zero', () => {
    const { bands } = forecastAt(life, 9);
    for (const band of Object.values(bands)) {
      band.at.forEach((_, i) => {
        expect(band.p10[i]).toBeGreaterThanOrEqual(0);
        expect(band.p50[i]).toBeGreaterThanOrEqual(band.p10[i] ?? 0);
        expect(band.p90[i]).toBeGreaterThanOrEqual(band.p50[i] ?? 0);
      });
    }
  });
});

describe('what holds a tank back', () => {
  it('is nothing but time in a tank that goes its way', () => {
    const forecast = forecastAt(plainLife(middlingReef('bottle'), TWO), 8);
    expect(forecast.stall[0]?.cause).toBe('simplyEarly');
    expect(chance(forecast, 'simplyEarly')).toBeGreaterThan(0.5);
    expect(forecast.misfit).toBe(false);
  });

  it('is low alkalinity where acid has used it up', () => {
    const reef = middlingReef('bottle', { alkalinity: 3 });
    const life = plainLife(reef, [
      { day: 1, believed: 2 },
      { day: 9, believed: 2 },
    ]);
    const forecast = forecastAt(life, 16);
    expect(chance(forecast, 'lowAlkalinity')).toBeGreaterThan(0.4);
    const raise = forecast.whatIfs.find((w) => w.id === 'raiseAlkalinity');
    expect(raise?.daysSaved ?? 0).toBeGreaterThan(1);
    expect(forecast.stall.find((c) => c.cause === 'lowAlkalinity')?.evidence).toMatch(/dKH/);
  });

  it('is cold in a cold tank, and warming it is worth days', () => {
    const reef = middlingReef('dryRock', { temperature: new Float64Array(150 * 24).fill(20) });
    const forecast = forecastAt(plainLife(reef, TWO), 20);
    expect(chance(forecast, 'cold')).toBeGreaterThan(0.4);
    expect(forecast.whatIfs.find((w) => w.id === 'warmTo26')?.daysSaved ?? 0).toBeGreaterThan(2);
  });

  it('is too much ammonia after an overdose', () => {
    const life = plainLife(middlingReef('bottle'), [{ day: 1, believed: 8 }]);
    expect(chance(forecastAt(life, 15), 'overdose')).toBeGreaterThan(0.3);
  });

  it('is a dead bottle when nothing moves', () => {
    const life = plainLife(
      middlingReef('bottle', { quick: 0.0009, slow: 0.0004, nitriteGuild: 0.0002 }),
      TWO,
    );
    expect(forecastAt(life, 13).stall[0]?.cause).toBe('deadBottle');
  });

  it('is a weak bottle of ammonia when the readings stay far under the doses', () => {
    const life = plainLife(middlingReef('bottle', { doseError: 0.3 }), [
      { day: 1, believed: 2 },
      { day: 8, believed: 2 },
      { day: 12, believed: 2 },
    ]);
    expect(chance(forecastAt(life, 13.5), 'weakDose')).toBeGreaterThan(0.3);
  });

  it('is a kit when one of them never comes down', () => {
    const life = plainLife(middlingReef('bottle'), TWO);
    // An ammonia kit that reads 1 ppm in clean water.
    for (const testSession of life.testSessions)
      testSession.ammonia = Math.max(1, testSession.ammonia ?? 0);
    expect(chance(forecastAt(life, 26), 'kitSuspect')).toBeGreaterThan(0.4);
  });

  it('is an unlogged dose when ammonia comes from nowhere', () => {
    const life = plainLife(middlingReef('liveRock'), [
      { day: 1, believed: 1.6 },
      { day: 10, believed: 2.4 },
    ]);
    life.doses.pop();
    expect(chance(forecastAt(life, 11.5), 'unloggedDose')).toBeGreaterThan(0.4);
  });

  it('is harmed filter bacteria when what was quick stands still', () => {
    const life = plainLife(middlingReef('bottle'), [{ day: 1, believed: 1.6 }], { days: 24 });
    const log = logOf(life, 22);
    log.dose(day(22.2), 1.6);
    for (const at of [23, 24, 25, 26, 28, 30]) log.ammonia(day(at), 2);
    const forecast = forecastLog(log, 30.5);
    expect(chance(forecast, 'filterBacteriaHarmed')).toBeGreaterThan(0.3);
  });

  it('cannot be told when nothing explains the readings: it says so and steps back', () => {
    const log = new LogBuilder();
    log.dose(day(1), 2);
    const nonsense: [number, number, number][] = [
      [2, 0, 5],
      [3, 4, 0],
      [4, 0, 5],
      [5, 4, 0],
      [6, 0, 5],
      [7, 4, 0],
      [8, 0, 5],
      [9, 4, 0],
    ];
    for (const [at, ammonia, nitrite] of nonsense) {
      log.ammonia(day(at), ammonia);
      log.nitrite(day(at), nitrite);
    }
    expect(forecastLog(log, 10).misfit).toBe(true);
  });
});

describe('the next test', () => {
  it('is nitrite once ammonia is known to be clear, with answers that differ', () => {
    const life = plainLife(middlingReef('bottle'), TWO);
    const { nextTest } = forecastAt(life, 12);
    expect(nextTest?.parameter).toBe('nitrite');
    expect(nextTest?.idle).toContain('ammonia');
    const medians = nextTest?.outcomes.map((o) => dayOf(o.ready.p50)) ?? [];
    expect(medians.length).toBeGreaterThan(1);
    expect([...medians].sort((a, b) => a - b)).toEqual(medians);
    const total = nextTest?.outcomes.reduce((sum, o) => sum + o.probability, 0) ?? 0;
    expect(total).toBeGreaterThan(0.9);
  });

  it('asks for the proof while it is wanting, and to see it again as the rule for done does', () => {
    const life = plainLife(middlingReef('bottle'), TWO);
    const at = life.readyDay + 2.5;
    // Nobody tested since the last day on which something was there.
    const unseen = {
      ...life,
      testSessions: life.testSessions.filter((s) => s.day < life.readyDay - 0.5),
    };
    expect(forecastAt(unseen, at).nextTest).toMatchObject({ inDays: 0 });
    // Fed again, twice, its filter bacteria carry a load for longer than the span at zero lasts.
    const more = [18, 21].map((when) => ({ day: when, believed: 1.6 }));
    const fed = plainLife(middlingReef('bottle'), [...TWO, ...more]);
    expect(forecastAt(fed, fed.readyDay + 2.5).nextTest).toBeNull();
    const held = forecastAt(fed, fed.readyDay + 2.5, {
      doneRule: { rule: 'bothZeroHeld', daysAtZero: 7 },
    });
    expect(held.nextTest?.purpose).toBe('confirm');
    expect(held.nextTest?.inDays).toBeGreaterThan(2);
    expect(held.nextTest?.inDays).toBeLessThanOrEqual(7);
  });

  it('asks for no kit that is not at hand', () => {
    const log = logOf(plainLife(middlingReef('bottle'), TWO), 9);
    const problem = cycleProblem(tankHistory(log.log(), log.tankId, day(9)), day(9));
    expect(forecastOf(problem, { ...SMALL, atHand: [] }).nextTest).toBeNull();
  });
});

describe('fish in', () => {
  it('keep the water fed in the forecast, and free ammonia is held wider without a pH', () => {
    const build = (ph: boolean) => {
      const log = new LogBuilder({ fishInSince: '2026-03-03' });
      if (ph) log.digital('phPen', day(1.2), 8);
      log.ammonia(day(3), 0.25);
      log.ammonia(day(4), 0.5);
      return forecastLog(log, 5);
    };
    const forecast = build(false);
    const later = (f: Forecast, days: number) => {
      const at = f.bands.free.at.findIndex((ms) => dayOf(ms) >= 5 + days);
      return { low: f.bands.free.p10[at] ?? 0, high: f.bands.free.p90[at] ?? 0 };
    };
    expect(forecast.fed).toBe(true);
    // Without fish there would be next to nothing left in fifty days.
    expect(later(forecast, 50).high).toBeGreaterThan(0);
    expect(forecast.bands.ammonia.p50.at(-1)).toBeGreaterThan(0.003);
    const blind = later(forecast, 1);
    const seen = later(build(true), 1);
    expect(blind.high / blind.low).toBeGreaterThan(seen.high / seen.low);
    expect(forecast.doseStrength).toBeNull();
  });
});

describe('the chance of being ready by a day', () => {
  const readyBy = Array.from({ length: 19 }, (_, i) => (i < 18 ? (i + 1) * 100 : null));

  it('runs straight between its dates and never says that it is certain', () => {
    expect(chanceReadyBy({ readyBy }, 50)).toBe(0);
    expect(chanceReadyBy({ readyBy }, 100)).toBeCloseTo(0.05, 9);
    expect(chanceReadyBy({ readyBy }, 250)).toBeCloseTo(0.125, 9);
    expect(chanceReadyBy({ readyBy }, 9e9)).toBeCloseTo(0.9, 9);
    expect([0, 0.06, 0.42, 0.94, 1].map(chanceWords)).toEqual([
      'less than 1 in 20',
      'about 1 in 10',
      'about 4 in 10',
      'about 9 in 10',
      'more than 9 in 10',
    ]);
  });

  it('rises with the day, in a forecast', () => {
    const forecast = forecastAt(plainLife(middlingReef('bottle'), TWO), 9);
    const chances = [10, 15, 20, 25, 40, 80].map((d) => chanceReadyBy(forecast, day(d)));
    expect([...chances].sort((a, b) => a - b)).toEqual(chances);
    expect(chances.at(-1)).toBeGreaterThan(0.8);
    expect(forecast.doseStrength?.p10).toBeLessThan(1);
    expect(forecast.doseStrength?.p90).toBeGreaterThan(1);
  });
});

describe('odd logs give a sane forecast', () => {
  it.each([
    ['a year of silence', 372],
    ['two months of silence', 70],
  ])('%s', (_, at) => {
    const log = logOf(plainLife(middlingReef('bottle'), TWO), 8);
    const forecast = forecastLog(log, at);
    expect(forecast.remarks.join(' ')).toMatch(/Nothing was logged/);
    for (const value of Object.values(forecast.capacity.ammonia)) {
      expect(Number.isFinite(value)).toBe(true);
    }
    expect(JSON.stringify(forecast)).not.toMatch(/NaN/);
    // Whatever else is unknown, a test is how to begin again.
    expect(forecast.nextTest?.inDays).toBe(0);
  });

  it('readings at one moment, and one at the very end', () => {
    const log = new LogBuilder();
    log.dose(day(1), 2);
    log.ammonia(day(2), 2);
    log.ammonia(day(2), 4);
    log.nitrite(day(3), 0.25);
    const forecast = forecastLog(log, 3);
    expect(dayOf(forecast.milestones.ready.p50)).toBeGreaterThan(3);
  });
});
