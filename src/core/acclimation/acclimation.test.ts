import fc from 'fast-check';
import { doublings, dripCourse, fastestHour, tankShare, type Drip } from './bucket';
import { instant } from '../time/zone';
import { liveDrip, toppedWithFresh } from './live';
import { ammoniaFactor, chooseMethod } from './method';
import { acclimationPlan } from './plan';
import {
  broughtIn,
  givenOf,
  isUnseen,
  liveRunDrip,
  newcomersOf,
  retimed,
  withCounted,
  withMeasured,
} from './run';
import type { Run } from '../records/schema/run';
import { CLASSES, SALINITY_NEAR, waterClassOf, type Arrival, type WaterClass } from './waters';

const BAG = { salinity: 32.5, temperature: 22 };
const TANK = { salinity: 35, temperature: 25.5 };
const arrival = (changes: Partial<Arrival> = {}): Arrival => ({
  bag: BAG,
  tank: TANK,
  litres: 2,
  animal: 'fish',
  ...changes,
});
const DRIP: Drip = { bag: BAG, tank: TANK, room: 22, litres: 2, mlPerMinute: 40, pourAt: 4 };

const anyArrival = fc.record({
  bag: fc.record({
    salinity: fc.double({ min: 25, max: 42, noNaN: true }),
    temperature: fc.double({ min: 18, max: 30, noNaN: true }),
  }),
  tank: fc.record({
    salinity: fc.double({ min: 30, max: 36, noNaN: true }),
    temperature: fc.double({ min: 22, max: 28, noNaN: true }),
  }),
  litres: fc.double({ min: 0.1, max: 8, noNaN: true }),
  animal: fc.constantFrom<WaterClass>(...CLASSES),
});

describe('a dripped bucket', () => {
  it('follows the share of tank water by hand: 2 L and 1 L drawn are a third', () => {
    expect(tankShare(2, 1)).toBeCloseTo(1 / 3, 12);
    const { points } = dripCourse(DRIP, 25);
    expect(points.at(-1)?.litres).toBeCloseTo(3, 9);
    expect(points.at(-1)?.salinity).toBeCloseTo(32.5 + 2.5 / 3, 9);
  });

  it('halves the gap with every filling that is poured off', () => {
    const { points, pourOffs } = dripCourse(DRIP, 100);
    expect(pourOffs).toHaveLength(1);
    expect(pourOffs[0]?.minute).toBeCloseTo(50, 6);
    expect(pourOffs[0]?.litres).toBeCloseTo(2, 6);
    expect(points.at(-1)?.salinity).toBeCloseTo(35 - 2.5 / 4, 6);
    expect(doublings(0.75)).toBeCloseTo(2, 12);
  });

  it('keeps its salt: what was in it, what came and what was poured off', () => {
    fc.assert(
      fc.property(anyArrival, fc.double({ min: 5, max: 200, noNaN: true }), (given, rate) => {
        const drip = { ...DRIP, ...given, mlPerMinute: rate, pourAt: 2 * given.litres };
        const { points, pourOffs } = dripCourse(drip, 60);
        const at = (minute: number) =>
          dripCourse(drip, minute).points.at(-1)?.salinity ?? Number.NaN;
        const poured = pourOffs.reduce((sum, off) => sum + off.litres * at(off.minute), 0);
        const end = points.at(-1);
        if (!end) throw new Error('no course');
        const came = given.bag.salinity * given.litres + (given.tank.salinity * rate * 60) / 1000;
        expect(end.salinity * end.litres + poured).toBeCloseTo(came, 4);
      }),
      { numRuns: 30 },
    );
  });

  it('cools towards its room, and never passes tank and room', () => {
    fc.assert(
      fc.property(anyArrival, ({ bag, tank, litres }) => {
        const course = dripCourse({ ...DRIP, bag, tank, litres, pourAt: 2 * litres }, 90).points;
        const [low, high] = [
          Math.min(22, bag.temperature, tank.temperature),
          Math.max(22, bag.temperature, tank.temperature),
        ];
        for (const { temperature } of course) {
          expect(temperature).toBeGreaterThanOrEqual(low - 1e-9);
          expect(temperature).toBeLessThanOrEqual(high + 1e-9);
        }
      }),
      { numRuns: 30 },
    );
  });
});

describe('the method', () => {
  const methodOf = (changes: Partial<Arrival>) => chooseMethod(arrival(changes)).method;

  it('is what the two waters and the animal call for', () => {
    // A fish 2.5 ppt below is raised over days, 1.5 below in a drip.
    expect(methodOf({})).toBe('matchQuarantine');
    expect(methodOf({ bag: { salinity: 33.5, temperature: 22 } })).toBe('drip');
    expect(methodOf({ animal: 'shrimp' })).toBe('drip');
    expect(methodOf({ oneSystem: true })).toBe('none');
    expect(methodOf({ bag: { ...TANK } })).toBe('none');
    expect(methodOf({ bag: { salinity: 34.8, temperature: 22 } })).toBe('float');
    const near = { salinity: 34.2, temperature: 22 };
    expect(methodOf({ hoursShipped: 24, bag: near })).toBe('quick');
    expect(methodOf({ hoursShipped: 24, bag: { ...near, salinity: 33.5 } })).toBe('cleanDrip');
    expect(methodOf({ hoursShipped: 24, bag: { ...near, salinity: 38 } })).toBe('cleanDrip');
    // A day's shipping is no reason to raise it at once.
    expect(methodOf({ hoursShipped: 24 })).toBe('matchQuarantine');
    expect(methodOf({ hoursShipped: 24, animal: 'shrimp' })).toBe('cleanDrip');
    expect(methodOf({ hoursShipped: 24, animal: 'shrimp', bag: { ...BAG, salinity: 34.6 } })).toBe(
      'quick',
    );
  });

  it('takes nobody through a bag that tests bad', () => {
    const bag = { salinity: 33, temperature: 25, ph: 8 };
    expect(methodOf({ bag, animal: 'coral', bagAmmonia: 0.2 })).toBe('drip');
    expect(methodOf({ bag, animal: 'coral', bagAmmonia: 1 })).toBe('cleanDrip');
    const choice = chooseMethod(arrival({ bag, animal: 'coral', bagAmmonia: 1 }));
    expect(choice.because).toMatch(/free ammonia.*out of the bag at once.*at most 1 ppt an hour/);
  });

  it('says what is left to whoever has no such water, in order, and never less of what it refuses', () => {
    fc.assert(
      fc.property(anyArrival, (given) => {
        const { method, nextBest } = chooseMethod(given);
        expect(nextBest.length > 0).toBe(method === 'matchQuarantine' || method === 'cleanDrip');
        if (nextBest.length === 0) return;
        expect(nextBest[0]?.what).toMatch(/^Do not buy/);
        expect(nextBest.at(-1)?.what).toMatch(/48 h at most.*back to the shop/);
        expect(nextBest.every(({ price }) => price.length > 5)).toBe(true);
      }),
    );
    const fish = chooseMethod(arrival({ bag: { salinity: 30, temperature: 25 } }));
    expect(fish.nextBest.at(-1)?.price).toMatch(/up to 8 cm.*poisonous/);
  });

  it('never drips a fish up by more than 1.5 ppt: 30 into 35 takes five days', () => {
    const bag = { salinity: 30, temperature: 25 };
    expect(methodOf({ bag })).toBe('matchQuarantine');
    expect(acclimationPlan(arrival({ bag })).daysToMatch).toBe(5);
    fc.assert(
      fc.property(anyArrival, (given) => {
        const { method } = acclimationPlan(given);
        const rise = given.tank.salinity - given.bag.salinity;
        if (given.animal === 'fish' && rise > 1.5) expect(method).toBe('matchQuarantine');
        if (Math.abs(rise) > 5) expect(method).toBe('matchQuarantine');
      }),
    );
  });

  it('a fall is easier than a rise for fish, and a gap above 5 for nobody on one day', () => {
    expect(methodOf({ bag: { salinity: 39, temperature: 25 } })).toBe('drip');
    const far = { salinity: 41, temperature: 25 };
    for (const animal of CLASSES) expect(methodOf({ bag: far, animal })).toBe('matchQuarantine');
    expect(acclimationPlan(arrival({ bag: far })).daysToMatch).toBe(3);
    expect(acclimationPlan(arrival({ bag: far, animal: 'shrimp' })).daysToMatch).toBe(2);
  });

  it('opening a bag of pH 7.0 into 8.1 at 25 °C frees about twelve times the ammonia', () => {
    const factor = ammoniaFactor(
      arrival({
        bag: { salinity: 35, temperature: 25, ph: 7 },
        tank: { salinity: 35, temperature: 25, ph: 8.1 },
      }),
    );
    expect(factor).toBeGreaterThan(11.5);
    expect(factor).toBeLessThan(12.5);
    expect(ammoniaFactor(arrival())).toBeNull();
  });
});

describe('what an animal is taken for', () => {
  it('is its group, and of invertebrates its form', () => {
    expect(waterClassOf('fish', 'damsel')).toBe('fish');
    expect(waterClassOf('invertebrate', 'urchin')).toBe('star');
    expect(waterClassOf('invertebrate', 'anemone')).toBe('coral');
    expect(waterClassOf('invertebrate', 'snail')).toBe('shrimp');
    expect(waterClassOf('invertebrate', undefined)).toBe('shrimp');
  });
});

describe('the plan', () => {
  it('ends near the tank, within the time that the animal bears', () => {
    fc.assert(
      fc.property(anyArrival, (given) => {
        const plan = acclimationPlan(given);
        if (plan.method !== 'drip' && plan.method !== 'cleanDrip') return;
        const gap = Math.abs(given.tank.salinity - (plan.course.at(-1)?.salinity ?? 0));
        expect(gap).toBeLessThanOrEqual(SALINITY_NEAR[given.animal]);
        if (given.animal === 'fish') expect(plan.minutes).toBeGreaterThanOrEqual(20);
        if (given.animal === 'fish') expect(plan.minutes).toBeLessThanOrEqual(60);
        else expect(plan.minutes).toBeGreaterThanOrEqual(60);
        if (given.animal !== 'fish') {
          const most = given.animal === 'star' ? 0.5 : 1;
          expect(fastestHour(plan.course)).toBeLessThanOrEqual(most * 1.01);
        }
        expect(plan.litresDrawn).toBeCloseTo((plan.mlPerMinute * plan.minutes) / 1000, 9);
      }),
      { numRuns: 60 },
    );
  });

  it('floats a bag until the temperature fits', () => {
    const plan = acclimationPlan(arrival({ bag: { salinity: 35, temperature: 21 } }));
    expect(plan.method).toBe('float');
    expect(Math.abs((plan.course.at(-1)?.temperature ?? 0) - 25.5)).toBeLessThanOrEqual(0.51);
    expect([plan.mlPerMinute, plan.litresDrawn]).toEqual([0, 0]);
  });

  it('refuses waters that cannot be, and says what to do', () => {
    const wrong = (changes: Partial<Arrival>) => () => acclimationPlan(arrival(changes));
    expect(wrong({ bag: { salinity: 80, temperature: 25 } })).toThrow(
      /salinity of the bag.*Measure/,
    );
    expect(wrong({ litres: 0 })).toThrow(/water must lie between/);
    expect(wrong({ tank: { ...TANK, temperature: 55 } })).toThrow(/temperature of the tank/);
    expect(wrong({ hoursShipped: -1 })).toThrow(/time in the bag/);
  });
});

describe('a drip that goes on', () => {
  const live = (elapsed: number, measured: { minute: number; salinity: number }[] = []) =>
    liveDrip(DRIP, 100, 'fish', measured, elapsed);

  it('is where the plan has it until something is measured', () => {
    const standing = live(25);
    expect(standing.now.salinity).toBeCloseTo(33.333, 2);
    expect(standing).toMatchObject({ factor: 1, pace: 'asPlanned' });
    expect(standing.drawn).toBeCloseTo(1, 6);
    expect(standing.matched.salinity).toBe(false);
    expect(live(75).matched.salinity).toBe(true);
    expect(live(75).minutesLeft).toBe(0);
  });

  it('bends to what was measured, and says when it runs too slowly or too fast', () => {
    const half = dripCourse({ ...DRIP, mlPerMinute: 16 }, 25).points.at(-1)?.salinity ?? 0;
    const slow = live(25, [{ minute: 25, salinity: half }]);
    expect(slow.factor).toBeCloseTo(0.4, 3);
    expect(slow.pace).toBe('tooSlow');
    expect(slow.drawn).toBeCloseTo(0.4, 3);
    expect(slow.minutesLeft ?? 0).toBeGreaterThan(live(25).minutesLeft ?? Infinity);
    const fast = live(25, [{ minute: 25, salinity: 34.4 }]);
    expect(fast.pace).toBe('tooFast');
    expect(fast.now.salinity).toBe(34.4);
  });

  it('bends to drops that were counted, from then on, and keeps what ran before', () => {
    // 40 mL a minute for 25 minutes is a litre; half as fast for the next 25 is half a litre.
    const counted = [{ minute: 25, mlPerMinute: 20 }];
    const later = liveDrip(DRIP, 100, 'fish', [], 50, counted);
    expect(later.drawn).toBeCloseTo(1.5, 6);
    expect(later).toMatchObject({ factor: 0.5, pace: 'tooSlow' });
    expect(liveDrip(DRIP, 100, 'fish', [], 25, counted).now.salinity).toBeCloseTo(33.333, 2);
    // A measurement right after the count says where it stands, and the count how fast it goes on.
    const both = liveDrip(DRIP, 100, 'fish', [{ minute: 27, salinity: 33 }], 27, counted);
    expect(both.now.salinity).toBe(33);
    expect(both.factor).toBe(0.5);
    const told = liveDrip(DRIP, 100, 'fish', [{ minute: 60, salinity: 34.9 }], 60, counted);
    expect(told.factor).toBeGreaterThan(1);
  });

  it('60 L that gave 8 and were topped with fresh water fall from 35 to about 30', () => {
    expect(toppedWithFresh(35, 60, 8)).toBeCloseTo(30.33, 2);
  });
});

describe('a run', () => {
  const begun = (
    newcomers: Parameters<typeof givenOf>[2]['newcomers'],
    more: object = {},
  ): Run => ({
    procedure: 'acclimate',
    tankId: 'tank',
    begunAt: '2026-03-02T12:00:00Z',
    ended: null,
    given: { ...givenOf(arrival(), acclimationPlan(arrival(), 'drip'), { newcomers }), ...more },
    steps: {},
    clocks: {},
  });
  const snails = (count: number) => ({
    species: 'cerith-snail',
    what: 'Cerith snail',
    group: 'invertebrate' as const,
    count,
  });
  const goby = { species: 'neon-goby', what: 'Neon goby', group: 'fish' as const, count: 1 };

  it('tells who comes with it, and leaves out of its clean-up crews those that were set aside', () => {
    expect(newcomersOf(begun([goby, snails(12)]))).toEqual([goby, snails(12)]);
    const counts = (aside: number) =>
      broughtIn(begun([goby, snails(12), snails(8), snails(2)], { aside })).map(
        ({ count }) => count,
      );
    expect(counts(0)).toEqual([1, 12, 8, 2]);
    expect(counts(3)).toEqual([1, 9, 8, 2]);
    expect(counts(15)).toEqual([1, 0, 5, 2]);
  });

  it('goes by instants: the same at a moment whenever it is asked, and bent by what was measured', () => {
    const at = (minute: number) => Date.parse('2026-03-02T12:00:00Z') + minute * 60_000;
    const run = begun([goby], { dripBegan: '2026-03-02T12:00:00Z' });
    expect(liveRunDrip(begun([goby]), at(5))).toBeNull();
    expect(liveRunDrip(run, at(25))?.now.salinity).toBeCloseTo(32.5 + 2.5 / 2, 2);
    const slow = withMeasured(run, at(25), 32.9);
    expect(liveRunDrip(slow, at(25))).toMatchObject({ pace: 'tooSlow' });
    expect(liveRunDrip(slow, at(10))?.factor).toBe(1);
    expect(isUnseen(run, at(10))).toBe(false);
    expect(isUnseen(run, at(25))).toBe(true);
    expect(isUnseen(slow, at(25))).toBe(false);
    const half = withCounted(run, at(10), Number(run.given.mlPerMinute) / 2);
    expect(isUnseen(half, at(25))).toBe(false);
    expect(liveRunDrip(half, at(25))?.factor).toBeCloseTo(0.5, 2);
    // The clock ends when as much has been drawn as was planned: later at half the pace, as it was at the same.
    const endsIn = (body: Run) =>
      (instant(retimed(body, at(10)).clocks.drip ?? '') - at(0)) / 60_000;
    const planned = Number(run.given.minutes);
    expect(endsIn(half)).toBeCloseTo(10 + 2 * (planned - 10), 0);
    expect(endsIn(withCounted(run, at(10), Number(run.given.mlPerMinute)))).toBeCloseTo(planned, 0);
    expect(retimed(half, at(10)).given.drawn).toBeCloseTo(Number(run.given.litresDrawn), 1);
    // One that was forgotten is followed for a day and no longer.
    expect(liveRunDrip(run, at(9 * 24 * 60))?.now.minute).toBeCloseTo(24 * 60, 3);
  });
});
