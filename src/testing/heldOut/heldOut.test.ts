import { seededRandom } from '@/core/math/random';
import { drawKeeper, logOf } from './keeper';
import { middlingReef, plainLife } from './plainLife';
import { follow } from './policies';
import { drawReef, lasting, runReef } from './reef';
import {
  atShares,
  byForecast,
  drawLives,
  everyFewDays,
  reportOf,
  study,
  type Trial,
} from './study';

const SMALL = { seed: 1, particles: 60, otherParticles: 16, members: 60 };

describe('the held-out tanks', () => {
  it('are the same for the same seed', () => {
    const one = drawReef('bottle', seededRandom(3));
    expect(drawReef('bottle', seededRandom(3))).toEqual(one);
    expect(drawKeeper(seededRandom(3))).toEqual(drawKeeper(seededRandom(3)));
  });

  it('lose no nitrogen beyond what algae and gas take, and are never negative', () => {
    const reef = middlingReef('bottle', { uptake: 0 });
    const course = runReef(reef, [{ day: 1, believed: 2 }]);
    const end = course.ammonia.length - 1;
    const total =
      (course.ammonia[end] ?? 0) + (course.nitrite[end] ?? 0) + (course.nitrate[end] ?? 0);
    expect(total).toBeLessThanOrEqual(2 + reef.labile + reef.stubborn);
    expect(total).toBeGreaterThan(1.5);
    for (const series of Object.values(course) as Float64Array[]) {
      expect(series.every((value) => value >= 0)).toBe(true);
    }
  });

  it('last longer as they began, for whoever is followed longer', () => {
    const reef = drawReef('bottle', seededRandom(3));
    const doses = [{ day: 1, believed: 2 }];
    const [short, long] = [runReef(reef, doses), runReef(lasting(reef, 200), doses)];
    expect(long.nitrite).toHaveLength(200 * 24 + 1);
    expect(long.nitrite.subarray(0, short.nitrite.length)).toEqual(short.nitrite);
  });

  it('take as long as such tanks do', () => {
    const days = (method: 'dryRock' | 'bottle' | 'liveRock') =>
      plainLife(middlingReef(method), [{ day: 0, believed: 2 }]).readyDay;
    expect(days('dryRock')).toBeGreaterThan(28);
    expect(days('dryRock')).toBeLessThan(50);
    expect(days('bottle')).toBeGreaterThan(10);
    expect(days('bottle')).toBeLessThan(25);
    expect(days('liveRock')).toBeLessThan(10);
  });

  it('show a forecast nothing that comes after the day it is made', () => {
    const life = plainLife(middlingReef('bottle'), [{ day: 1, believed: 1.6 }]);
    const stamps = logOf(life, 9).revisions.flatMap((r) =>
      r.type === 'entry' ? [Date.parse(r.body.at)] : [],
    );
    expect(Math.max(...stamps)).toBeLessThanOrEqual(Date.parse('2026-03-11T00:00:00Z'));
  });
});

describe('the forecast on held-out tanks', () => {
  // A rule of thumb that knows the middle of nine tanks is no rival: `npm run bench` holds it to that.
  it('is near what happens, and its range holds most of the dates', () => {
    const trials = study(drawLives(9, 5), atShares([0.75]), byForecast(SMALL));
    expect(reportOf(trials).coverage).toBeGreaterThanOrEqual(0.6);
    const off = trials.map((t) => Math.abs(t.middle - t.truth) / t.truth).sort((a, b) => a - b);
    expect(off[4]).toBeLessThan(0.3);
  });

  it('is asked in quick tanks and slow ones alike, for as long as they take', () => {
    const life = plainLife(middlingReef('bottle'), [{ day: 1, believed: 1.6 }]);
    const days = everyFewDays(4)(life);
    expect(days[0]).toBe(3);
    expect(days.at(-1)).toBeLessThan(life.readyDay);
    expect(life.readyDay - (days.at(-1) ?? 0)).toBeLessThanOrEqual(4);
    expect(atShares([0.5])(life)).toEqual([life.readyDay / 2]);
  });

  it('counts what it reports', () => {
    const trial = (truth: number, low: number, middle: number, high: number): Trial => ({
      method: 'bottle',
      share: 0.5,
      truth,
      low,
      middle,
      high,
      thumb: 20,
      misfit: false,
      capacityB: 1,
    });
    const report = reportOf([trial(10, 8, 9, 12), trial(16, 10, 12, 14), trial(18, 17, 19, 22)]);
    expect(report.coverage).toBeCloseTo(2 / 3, 9);
    expect(report.medianError).toBe(1);
    expect(report.thumbError).toBe(4);
    expect(report.ratio).toBe(0.25);
    expect(report).toMatchObject({ width: 4, capacity: 1 });
  });
});

describe('the test worth doing', () => {
  it('needs fewer tests than testing everything every second day', () => {
    const life = plainLife(middlingReef('bottle'), [{ day: 1, believed: 1.6 }]);
    const often = follow(life, 'everySecondDay', 3, SMALL);
    const guided = follow(life, 'nextBest', 3, SMALL);
    expect(guided.tests).toBeLessThan(often.tests);
  });
});
