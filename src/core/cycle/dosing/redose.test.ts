import type { TankHistory } from '../../history/tankHistory';
import fc from 'fast-check';
import { tankHistory } from '../../history/derive';
import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { forecastOf } from '../forecast/forecast';
import { cycleProblem } from '../problem/problem';
import type { NextTest } from '../forecast/types';
import { redoseAdvice } from './redose';

const historyOf = (log: LogBuilder, at: number) => tankHistory(log.log(), log.tankId, at);

const smallForecast = (history: TankHistory, at: number) =>
  forecastOf(cycleProblem(history, at), {
    seed: 1,
    particles: 60,
    otherParticles: 8,
    members: 60,
  });

describe('dosing again', () => {
  it('starts with 2 ppm, waits while anything is there, and feeds once both are clear', () => {
    const log = new LogBuilder();
    expect(redoseAdvice(historyOf(log, onDay(1)), null, onDay(1)).rise).toBeGreaterThan(1);
    log.dose(onDay(1), 1.6);
    log.ammonia(onDay(5), 1);
    log.nitrite(onDay(5), 0.5);
    expect(redoseAdvice(historyOf(log, onDay(5)), null, onDay(5)).rise).toBe(0);
    log.ammonia(onDay(12), 0);
    log.nitrite(onDay(12), 2);
    expect(redoseAdvice(historyOf(log, onDay(12)), null, onDay(12)).because).toMatch(/Nitrite/);
    log.ammonia(onDay(20), 0);
    log.nitrite(onDay(20), 0);
    const advice = redoseAdvice(historyOf(log, onDay(20)), null, onDay(20));
    expect(advice.rise).toBeGreaterThan(0.5);
    expect(advice.rise).toBeLessThanOrEqual(advice.most);
    expect(advice.most).toBeLessThanOrEqual(4);
  });

  it('asks for tests before it says anything, and never doses fish', () => {
    const log = new LogBuilder();
    log.dose(onDay(1), 1.6);
    expect(redoseAdvice(historyOf(log, onDay(15)), null, onDay(15))).toMatchObject({ rise: 0 });
    const fish = new LogBuilder({ fishInSince: '2026-03-03' });
    expect(redoseAdvice(historyOf(fish, onDay(2)), null, onDay(2)).because).toMatch(/animal/);
  });

  it('is half a dose while a hold is counted, and a whole one for a challenge', () => {
    const clear = (log: LogBuilder) => {
      log.dose(onDay(1), 1.6);
      log.ammonia(onDay(20), 0);
      log.nitrite(onDay(20), 0);
      return redoseAdvice(historyOf(log, onDay(20)), null, onDay(20)).rise;
    };
    const held = clear(new LogBuilder({ doneRule: { rule: 'bothZeroHeld', daysAtZero: 7 } }));
    const challenge = clear(new LogBuilder({ doneRule: { rule: 'challenge', windowHours: 24 } }));
    expect(held).toBeCloseTo(challenge / 2, 9);
  });

  it('is the dose of the one test that is left, hold or not, where the forecast asks for it', () => {
    const log = new LogBuilder({ doneRule: { rule: 'bothZeroHeld', daysAtZero: 7 } });
    log.dose(onDay(1), 1.6);
    // Kits that were seen to work.
    for (const day of [2, 4]) log.ammonia(onDay(day), 2);
    for (const day of [8, 12]) log.nitrite(onDay(day), 2);
    log.ammonia(onDay(20), 0);
    log.nitrite(onDay(20), 0);
    const history = historyOf(log, onDay(20));
    const forecast = smallForecast(history, onDay(20));
    const { nextTest } = forecast;
    if (!nextTest) throw new Error('no test');
    const asked = (purpose: NextTest['purpose'] | null) =>
      redoseAdvice(
        history,
        { ...forecast, nextTest: purpose && { ...nextTest, purpose, dose: 1.2 } },
        onDay(20),
      );
    const plain = asked(null);
    const proof = asked('challenge');
    expect(proof.rise).toBe(1.2);
    expect(plain.rise).not.toBe(1.2);
    expect(proof.because).toMatch(/does not show enough/);
  });

  it('is what the next test asks before zeros where the forecast feeds filter bacteria that would starve', () => {
    const log = new LogBuilder();
    log.dose(onDay(1), 1.6);
    // Kits that were seen to work.
    for (const day of [2, 4]) log.ammonia(onDay(day), 2);
    for (const day of [8, 12]) log.nitrite(onDay(day), 2);
    log.ammonia(onDay(20), 0);
    log.nitrite(onDay(20), 0.25);
    const history = historyOf(log, onDay(20));
    const forecast = smallForecast(history, onDay(20));
    const { nextTest } = forecast;
    if (!nextTest) throw new Error('no test');
    const asked = (purpose: NextTest['purpose']) =>
      redoseAdvice(
        history,
        { ...forecast, nextTest: { ...nextTest, purpose, dose: 1.6 } },
        onDay(20),
      );
    expect(asked('confirm').because).toMatch(/Half a dose/);
    expect(asked('challenge').because).toMatch(/would starve/);
    expect(asked('challenge').rise).toBe(1.6);
    expect(asked('confirm').rise).toBeLessThan(1);
    // The forecast knows ammonia to be gone without a test of it each time; Cycle asks for the dose.
    log.nitrite(onDay(30), 0.25);
    const later = historyOf(log, onDay(30));
    const fed = { ...forecast, nextTest: { ...nextTest, purpose: 'challenge' as const } };
    expect(redoseAdvice(later, fed, onDay(30)).because).toMatch(/would starve/);
    // Once that dose is logged it is not asked for again, though the forecast has not answered yet.
    log.dose(onDay(30, 13), 1.6);
    const dosed = redoseAdvice(historyOf(log, onDay(30, 14)), fed, onDay(30, 14));
    expect(dosed).toMatchObject({ rise: 0, because: expect.stringMatching(/not tested after/) });
  });

  it('is none while a kit may be dead, whatever it reads', () => {
    const log = new LogBuilder();
    log.dose(onDay(1), 1.6);
    for (const day of [9, 14, 20]) {
      log.ammonia(onDay(day), 0);
      log.nitrite(onDay(day), 0);
    }
    const history = historyOf(log, onDay(20));
    const forecast = smallForecast(history, onDay(20));
    const assurance = { ...forecast.assurance, doubted: 'nitrite' as const };
    expect(redoseAdvice(history, { ...forecast, assurance }, onDay(20))).toMatchObject({
      rise: 0,
      because: expect.stringMatching(/nitrite kit may be dead.*another kit first/),
    });
  });

  it('is not asked for twice: not before a dose is tested after, nor within three days', () => {
    const log = new LogBuilder();
    log.dose(onDay(1), 1.6);
    log.ammonia(onDay(20), 0);
    log.nitrite(onDay(20), 0.25);
    const advice = (at: number) => redoseAdvice(historyOf(log, at), null, at);
    expect(advice(onDay(20)).because).toMatch(/Half a dose/);
    log.dose(onDay(20, 13), 1.6);
    expect(advice(onDay(20, 14))).toMatchObject({
      rise: 0,
      because: 'The last dose was not tested after. Test ammonia and nitrite first.',
    });
    log.ammonia(onDay(22), 0);
    log.nitrite(onDay(22), 0.25);
    expect(advice(onDay(22))).toMatchObject({ rise: 0, when: { p50: onDay(23, 13) } });
    log.ammonia(onDay(24), 0);
    log.nitrite(onDay(24), 0.25);
    expect(advice(onDay(24)).because).toMatch(/Half a dose/);
    // Nitrite alone says nothing of the ammonia.
    log.nitrite(onDay(30), 0.25);
    expect(advice(onDay(30)).because).toMatch(/^Test ammonia and nitrite first/);
  });

  it('says when: once the filter bacteria are hungry, or once the forecast has both clear', () => {
    const fed = new LogBuilder();
    fed.dose(onDay(19), 1);
    fed.ammonia(onDay(20), 0);
    fed.nitrite(onDay(20), 0);
    const waiting = redoseAdvice(historyOf(fed, onDay(20)), null, onDay(20));
    expect(waiting.rise).toBe(0);
    expect(waiting.when?.p50).toBe(onDay(22));

    const log = new LogBuilder();
    log.dose(onDay(1), 1.6);
    for (const day of [2, 5, 8]) {
      log.ammonia(onDay(day), day < 8 ? 2 : 1);
      log.nitrite(onDay(day), day < 8 ? 0 : 1);
    }
    const at = onDay(8);
    const history = historyOf(log, at);
    const forecast = forecastOf(cycleProblem(history, at), {
      seed: 1,
      particles: 60,
      otherParticles: 8,
      members: 60,
    });
    const { when, rise } = redoseAdvice(history, forecast, at);
    expect(rise).toBe(0);
    expect(when?.p50).toBe(
      Math.max(
        forecast.milestones.ammoniaClears.p50 ?? 0,
        forecast.milestones.nitriteClears.p50 ?? 0,
      ),
    );
  });

  it('does not dose twice on one zero: what went in since has to be tested', () => {
    const log = new LogBuilder({ doneRule: { rule: 'challenge', windowHours: 24 } });
    log.dose(onDay(1), 1.6);
    log.ammonia(onDay(20), 0);
    log.nitrite(onDay(20), 0);
    const advice = (hour: number) =>
      redoseAdvice(historyOf(log, onDay(20, hour)), null, onDay(20, hour));
    expect(advice(13).rise).toBeGreaterThan(1);
    log.dose(onDay(20, 14), 1.6);
    expect(advice(15).rise).toBe(0);
    expect(advice(15).because).toMatch(/not tested after/);
    // And what it holds is taken for there, whoever doses all the same.
    expect(advice(15).most).toBeCloseTo(4 - 1.6, 6);
  });

  it('never takes the water beyond 4 mg N/L', () => {
    const step = fc.constantFrom(0, 0.25, 0.5, 1, 2, 4);
    fc.assert(
      fc.property(step, step, fc.constantFrom(0, 0.25, 0.5, 1, 2, 5), (a, dosed, nitrite) => {
        const log = new LogBuilder();
        if (dosed > 0) log.dose(onDay(1), dosed);
        log.ammonia(onDay(9), a);
        log.nitrite(onDay(9), nitrite);
        const { rise, most } = redoseAdvice(historyOf(log, onDay(9)), null, onDay(9));
        expect(rise).toBeLessThanOrEqual(most);
        expect(rise + (a * 14.007) / 18.039).toBeLessThanOrEqual(4 + 1e-9);
      }),
    );
  });
});
